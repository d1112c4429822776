import sharp from 'sharp';
import { type Grey, greyOf } from '#core/photo/grey';
import { JUDGED_AT, judgePhoto, type PhotoFault } from '#core/photo/judge-photo';
import { drawPhoto } from '../demo/pictures';
import { demoProcedures } from './clean-procedures';

/** Photos of checks as people take them: drawn scenes with grain, taken again from a little beside, and spoilt step by step. */

/** Numbers from 0 to 1 with a seed, after Park and Miller (recalled from memory). */
export function seeded(seed: number): () => number {
  let state = (seed % 2_147_483_646) + 1;
  return () => {
    state = (state * 48_271) % 2_147_483_647;
    return state / 2_147_483_647;
  };
}

/** The scenes that photo checks of the demo ask for, each once. */
export async function scenes(): Promise<Buffer[]> {
  const drawn = new Map<string, Buffer>();
  for (const workbook of demoProcedures()) {
    for (const step of workbook.procedure.steps) {
      if (!step.photo) continue;
      const scene = await drawPhoto(workbook, step);
      drawn.set(scene.toString('base64'), scene);
    }
  }
  return [...drawn.values()];
}

/** A picture at the size at which photos are judged. */
export async function asGrey(photo: Buffer): Promise<Grey> {
  const { data, info } = await sharp(photo)
    .resize(JUDGED_AT, JUDGED_AT, { fit: 'inside', withoutEnlargement: true })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return greyOf(data, info.width, info.height);
}

/** Normal deviates, by the method of Box and Muller. */
const GRAIN = ((): Float32Array => {
  const random = seeded(5);
  return Float32Array.from(
    { length: 99_991 },
    () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random()),
  );
})();

/** The grain of a sensor, as one deviation in steps of 255. */
export async function grained(photo: Buffer, deviation: number, random: () => number): Promise<Buffer> {
  const { data, info } = await sharp(photo).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const clamped = new Uint8ClampedArray(data.length);
  let from = Math.floor(random() * GRAIN.length);
  for (let at = 0; at < data.length; at += 3) {
    from = from + 1 < GRAIN.length ? from + 1 : 0;
    const off = deviation * (GRAIN[from] as number);
    for (let c = 0; c < 3; c += 1) clamped[at + c] = (data[at + c] as number) + off;
  }
  return sharp(clamped, { raw: { width: info.width, height: info.height, channels: 3 } })
    .jpeg({ quality: 88 })
    .toBuffer();
}

/** The same scene taken again: turned by up to three degrees, from a little beside, in other light. */
export async function takenAgain(scene: Buffer, random: () => number): Promise<Buffer> {
  const { width = 0, height = 0 } = await sharp(scene).metadata();
  const turn = 6 * (random() - 0.5);
  const inside = 0.9;
  const turned = await sharp(scene).rotate(turn, { background: '#3a4046' }).toBuffer();
  const size = await sharp(turned).metadata();
  const [across, down] = [Math.round(width * inside), Math.round(height * inside)];
  const beside = (room: number) => Math.round(room * (0.35 + 0.3 * random()));
  const left = beside((size.width ?? width) - across);
  const top = beside((size.height ?? height) - down);
  const light = 0.8 + 0.4 * random();
  return sharp(turned)
    .extract({ left, top, width: across, height: down })
    .resize(width, height)
    .linear(light, 20 * (random() - 0.5))
    .jpeg({ quality: 90 })
    .toBuffer();
}

/** Smeared along a line, as by a hand that moved; the length in pixels. */
function smeared(photo: Buffer, length: number, isAcross: boolean): Promise<Buffer> {
  const kernel = Array.from({ length }, () => 1);
  return sharp(photo)
    .convolve(
      isAcross
        ? { width: length, height: 3, kernel: [...kernel.map(() => 0), ...kernel, ...kernel.map(() => 0)] }
        : { width: 3, height: length, kernel: kernel.flatMap(() => [0, 1, 0]) },
    )
    .toBuffer();
}

export interface PhotoCase {
  readonly kind: string;
  /** What has to be found; nothing where the photo is fit. One of them is enough. */
  readonly expected: readonly PhotoFault[];
  readonly photo: Buffer;
  readonly reference: Buffer;
}

/** Each scene well taken, spoilt in every way and strength, and mixed up with another. */
export async function photoCases(all: readonly Buffer[]): Promise<PhotoCase[]> {
  const cases: PhotoCase[] = [];
  for (const [i, scene] of all.entries()) {
    const random = seeded(1000 + i);
    const again = await takenAgain(scene, random);
    const other = all[(i + 1 + Math.floor(random() * (all.length - 1))) % all.length] as Buffer;
    const add = async (kind: string, expected: readonly PhotoFault[], photo: Promise<Buffer> | Buffer, grain = 3) => {
      cases.push({ kind, expected, photo: await grained(await photo, grain, random), reference: scene });
    };
    await add('well taken', [], again);
    await add('well taken, in noise', [], again, 9);
    await add('well taken, a little soft', [], sharp(again).blur(1).toBuffer());
    await add('blurred by 4 px', ['blurred'], sharp(again).blur(4).toBuffer());
    await add('blurred by 7 px', ['blurred'], sharp(again).blur(7).toBuffer());
    await add('moved by 17 px across', ['moved', 'blurred'], smeared(again, 17, true));
    await add('moved by 25 px down', ['moved', 'blurred'], smeared(again, 25, false));
    await add('darkened to 25 %', ['too-dark'], sharp(again).linear(0.25, 0).toBuffer());
    await add('darkened to 12 %', ['too-dark'], sharp(again).linear(0.12, 0).toBuffer());
    await add('brightened by 170', ['too-bright'], sharp(again).linear(1, 170).toBuffer());
    await add('burnt out', ['too-bright'], sharp(again).linear(4, 60).toBuffer());
    await add('small', ['too-small'], sharp(again).resize(320).toBuffer());
    await add('upside down', ['other-view'], sharp(again).rotate(180).toBuffer());
    await add('another part', ['other-view'], takenAgain(other, random));
  }
  return cases;
}

/** What is found in a photo, as the bench does it. */
export async function judged({ photo, reference }: PhotoCase): Promise<PhotoFault[]> {
  const { width = 0, height = 0 } = await sharp(photo).metadata();
  return judgePhoto(
    { grey: await asGrey(photo), longest: Math.max(width, height) },
    undefined,
    await asGrey(reference),
  );
}

export function isRight({ expected }: PhotoCase, found: readonly PhotoFault[]): boolean {
  return expected.length === 0 ? found.length === 0 : expected.some((fault) => found.includes(fault));
}
