import { mkdtemp, open, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { stripMp4, stripWebm } from './video-details';

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fukusa-places-'));
});
afterAll(() => rm(folder, { recursive: true, force: true }));

/** A box of an MP4 (ISO/IEC 14496-12, 4.2): length, kind, content. */
function box(kind: string, ...content: Uint8Array[]): Buffer {
  const inner = Buffer.concat(content);
  const head = Buffer.alloc(8);
  head.writeUInt32BE(inner.length + 8, 0);
  head.write(kind, 4, 'latin1');
  return Buffer.concat([head, inner]);
}
/** An element of a WebM (RFC 8794): id, length in one byte, content. */
const element = (id: number[], ...content: Uint8Array[]) => {
  const inner = Buffer.concat(content);
  return Buffer.concat([Buffer.from([...id, 0x80 | inner.length]), inner]);
};
/** Where a phone was, as ISO 6709 writes it. */
const PLACE = '+51.5000-000.1200/';

async function stripped(strip: typeof stripMp4, video: Buffer): Promise<{ bytes: Buffer; found: boolean }> {
  const path = join(folder, 'video');
  await writeFile(path, video);
  const file = await open(path, 'r+');
  const found = await strip(file, video.length);
  await file.close();
  return { bytes: await readFile(path), found };
}

test('an MP4 says no more where it was taken, and nothing else of it has moved', async () => {
  const frames = Buffer.from('pictures and sound');
  const track = box('trak', box('tkhd', Buffer.alloc(20, 1)), box('udta', Buffer.from(PLACE)));
  const moov = box('moov', box('mvhd', Buffer.alloc(30, 2)), track, box('udta', box('xyz ', Buffer.from(PLACE))));
  const video = Buffer.concat([box('ftyp', Buffer.from('isom')), moov, box('mdat', frames)]);
  const { bytes, found } = await stripped(stripMp4, video);
  expect(found).toBe(true);
  expect(bytes.includes(PLACE)).toBe(false);
  expect(bytes.length).toBe(video.length);
  expect(bytes.indexOf(frames)).toBe(video.indexOf(frames));
  expect(bytes.includes('tkhd')).toBe(true);
});

test('a WebM loses its tags and keeps the rest', async () => {
  const cluster = element([0x1f, 0x43, 0xb6, 0x75], Buffer.from('pictures'));
  const tags = element([0x12, 0x54, 0xc3, 0x67], Buffer.from(PLACE));
  const video = Buffer.concat([
    element([0x1a, 0x45, 0xdf, 0xa3], Buffer.from('webm')),
    element([0x18, 0x53, 0x80, 0x67], tags, cluster),
  ]);
  const { bytes, found } = await stripped(stripWebm, video);
  expect([found, bytes.includes(PLACE), bytes.includes('pictures'), bytes.length]).toEqual([
    true,
    false,
    true,
    video.length,
  ]);
});

test('what is broken off in the middle is left as it is', async () => {
  const video = box('moov', box('udta', Buffer.from(PLACE))).subarray(0, 20);
  expect((await stripped(stripMp4, video)).bytes).toEqual(video);
});
