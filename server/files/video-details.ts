import type { FileHandle } from 'node:fs/promises';

/** A box of an MP4 file (ISO/IEC 14496-12, 4.2): its kind, where it starts, and where what it holds starts and ends. */
interface Box {
  readonly kind: string;
  readonly start: number;
  readonly inner: number;
  readonly end: number;
}

/** Boxes that hold others in which something about the taking can stand. */
const HOLDERS = ['moov', 'trak', 'mdia'];
/** What cameras and phones write about the taking: place, maker, owner. */
const TELLING = ['udta', 'meta', 'uuid'];
const MOST_BOXES = 2000;

/**
 * Takes out of an MP4 what it says about its taking, place first of all. Each such box becomes free space of the same
 * size, so that nothing in the file moves. Gives whether there was any.
 */
export async function stripMp4(file: FileHandle, size: number): Promise<boolean> {
  let left = MOST_BOXES;
  let stripped = false;

  async function visit(from: number, to: number): Promise<void> {
    for (let at = from; at + 8 <= to && left > 0; left -= 1) {
      const box = await boxAt(file, at, to);
      if (!box) return;
      if (TELLING.includes(box.kind)) {
        await empty(file, box);
        stripped = true;
      } else if (HOLDERS.includes(box.kind)) await visit(box.inner, box.end);
      at = box.end;
    }
  }
  await visit(0, size);
  return stripped;
}

async function boxAt(file: FileHandle, start: number, limit: number): Promise<Box | undefined> {
  const head = Buffer.alloc(16);
  await file.read(head, 0, 16, start);
  const short = head.readUInt32BE(0);
  const length = short === 1 ? Number(head.readBigUInt64BE(8)) : short === 0 ? limit - start : short;
  const inner = start + (short === 1 ? 16 : 8);
  const end = start + length;
  if (end < inner || end > limit) return undefined;
  return { kind: head.toString('latin1', 4, 8), start, inner, end };
}

const ZEROS = Buffer.alloc(64 * 1024);

async function empty(file: FileHandle, { start, inner, end }: Box): Promise<void> {
  await file.write('free', start + 4, 'latin1');
  await clear(file, inner, end);
}

async function clear(file: FileHandle, from: number, to: number): Promise<void> {
  for (let at = from; at < to; at += ZEROS.length) {
    await file.write(ZEROS, 0, Math.min(ZEROS.length, to - at), at);
  }
}

/** Elements of a WebM file (RFC 8794): the segment, which holds the others, and the tags, which tell of the taking. */
const SEGMENT = 0x18538067;
const TAGS = 0x1254c367;
const VOID = 0xec;

/** The same for WebM: its tags become empty space of the same size. */
export async function stripWebm(file: FileHandle, size: number): Promise<boolean> {
  let stripped = false;
  let left = MOST_BOXES * 10;

  async function visit(from: number, to: number): Promise<void> {
    for (let at = from; at < to && left > 0; left -= 1) {
      const element = await elementAt(file, at, to);
      if (!element) return;
      if (element.id === SEGMENT) await visit(element.inner, element.end);
      else if (element.id === TAGS) {
        await makeVoid(file, element);
        stripped = true;
      }
      at = element.end;
    }
  }
  await visit(0, size);
  return stripped;
}

interface Element {
  readonly id: number;
  readonly start: number;
  readonly inner: number;
  readonly end: number;
}

async function elementAt(file: FileHandle, start: number, limit: number): Promise<Element | undefined> {
  const head = Buffer.alloc(12);
  const { bytesRead } = await file.read(head, 0, 12, start);
  const idLength = Math.clz32(head[0] ?? 0) - 24 + 1;
  if (bytesRead < 2 || idLength > 4) return undefined;
  const id = head.readUIntBE(0, idLength);
  const first = head[idLength] ?? 0;
  const sizeLength = Math.clz32(first) - 24 + 1;
  if (sizeLength > 8) return undefined;
  let length = first & (0xff >> sizeLength);
  let unknown = length === 0xff >> sizeLength;
  for (let i = 1; i < sizeLength; i += 1) {
    const byte = head[idLength + i] ?? 0;
    unknown &&= byte === 0xff;
    length = length * 256 + byte;
  }
  const inner = start + idLength + sizeLength;
  const end = unknown ? limit : inner + length;
  return end > limit ? undefined : { id, start, inner, end };
}

/** An empty element over the whole of another: one byte of kind, eight of length, zeros (RFC 8794, 11.3.2). */
async function makeVoid(file: FileHandle, { start, end }: Element): Promise<void> {
  const head = Buffer.alloc(9);
  const room = end - start;
  head[0] = VOID;
  if (room >= 9) {
    head.writeBigUInt64BE(BigInt(room - 9), 1);
    head[1] = 0x01;
    await file.write(head, 0, 9, start);
    await clear(file, start + 9, end);
  } else {
    head[1] = 0x80 | (room - 2);
    await file.write(head, 0, 2, start);
    await clear(file, start + 2, end);
  }
}
