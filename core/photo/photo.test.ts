import sharp from 'sharp';
import phash from 'sharp-phash';
import { ssim as ssimOfLibrary } from 'ssim.js';
import { exposureFault, exposureOf } from './exposure';
import { cropped, type Grey, greyOf, shrunk } from './grey';
import { judgePhoto } from './judge-photo';
import { blurFault, blurOf } from './sharpness';
import { hashDistance, likenessOf, perceptualHash, ssim } from './similarity';

type Image = ReturnType<typeof sharp>;
const SIZE = { width: 640, height: 480 };

/** A drawn part with edges in all directions, at 640 by 480. */
const drawing = (shapes: string, ground = '#6b7076') =>
  sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="640" height="480"><rect width="640" height="480" fill="${ground}"/>${shapes}</svg>`,
    ),
  );
const WHEEL =
  '<circle cx="300" cy="240" r="150" fill="#c9ced4"/><circle cx="300" cy="240" r="60" fill="#2b3038"/><path d="M120 60h90v50h-90z" fill="#e8eaec"/><path d="M470 330l90 60-70 40z" fill="#30363e"/>';
const LEVER =
  '<rect x="60" y="300" width="460" height="50" fill="#d6d9dd"/><rect x="420" y="80" width="60" height="220" fill="#262b33"/><circle cx="90" cy="325" r="60" fill="#eef0f2"/>';

async function greyFrom(image: Image): Promise<Grey> {
  const { data, info } = await image.ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return greyOf(data, info.width, info.height);
}
const wheel = () => greyFrom(drawing(WHEEL));

describe('against general-purpose image libraries', () => {
  test('luma is that of sharp for greys', async () => {
    const { luma } = await greyFrom(drawing('', '#808080'));
    expect(luma[1000]).toBeCloseTo(0x80, 3);
  });

  test('a smaller picture is the mean of what it covers, as sharp shrinks by whole numbers', async () => {
    const mine = shrunk(await wheel(), 160, 120);
    const theirs = await greyFrom(sharp(await drawing(WHEEL).png().toBuffer()).resize(160, 120, { kernel: 'linear' }));
    const off =
      mine.luma.reduce((sum, value, i) => sum + Math.abs(value - (theirs.luma[i] ?? 0)), 0) / mine.luma.length;
    expect(off).toBeLessThan(1.5);
  });

  test.each([0.6, 1.5, 3, 6])(
    'structural similarity after a blur of %s px falls as a library measures it',
    async (blur) => {
      const source = await drawing(WHEEL).png().toBuffer();
      const rgba = async (image: Image) => new Uint8ClampedArray(await image.ensureAlpha().raw().toBuffer());
      const blurred = sharp(source).blur(blur);
      const library = ssimOfLibrary(
        { data: await rgba(sharp(source)), ...SIZE },
        { data: await rgba(blurred.clone()), ...SIZE },
        { ssim: 'original', downsample: false },
      );
      const mine = ssim(await greyFrom(sharp(source)), await greyFrom(blurred));
      // Its windows are Gaussian and go pixel by pixel.
      expect(Math.abs(mine - library.mssim)).toBeLessThan(0.03);
    },
  );

  test('a perceptual hash keeps like pictures together and others apart, as that of a library does', async () => {
    const pictures = await Promise.all(
      [drawing(WHEEL), drawing(WHEEL, '#555a60').blur(2), drawing(LEVER)].map((image) => image.png().toBuffer()),
    );
    const theirs = await Promise.all(pictures.map((picture) => phash(picture)));
    const apart = (a = '', b = '') => [...a].filter((bit, i) => bit !== b[i]).length;
    const mine = await Promise.all(pictures.map(async (picture) => perceptualHash(await greyFrom(sharp(picture)))));
    const far = (i: number) => hashDistance(mine[0] ?? [], mine[i] ?? []);
    expect([apart(theirs[0], theirs[1]) < 10, apart(theirs[0], theirs[2]) > 20]).toEqual([true, true]);
    expect([far(1) < 10, far(2) > 20]).toEqual([true, true]);
  });
});

describe('blur', () => {
  test('grows with the blur that sharp puts on', async () => {
    const source = await drawing(WHEEL).png().toBuffer();
    const most: number[] = [];
    for (const blur of [0.8, 1.6, 2.4, 3.2]) {
      const found = blurOf(await greyFrom(sharp(source).blur(blur)));
      most.push(Math.max(...(Object.values(found ?? {}) as number[])));
    }
    expect(most).toEqual(most.toSorted((a, b) => a - b));
    expect(most[0]).toBeLessThan(1.5);
    expect(most[3]).toBeGreaterThan(2);
  });

  test('by a moving hand lies in one direction; out of focus lies in all', async () => {
    const source = await drawing(WHEEL).png().toBuffer();
    const across = sharp(source).convolve({ width: 15, height: 3, kernel: Array(45).fill(1) });
    const [moved, soft] = [blurOf(await greyFrom(across)), blurOf(await greyFrom(sharp(source).blur(4)))];
    expect([moved && blurFault(moved), soft && blurFault(soft)]).toEqual(['moved', 'blurred']);
  });

  test('where there are no edges there is nothing to measure', async () => {
    expect(blurOf(await greyFrom(drawing('')))).toBeUndefined();
  });
});

test('exposure is read off the histogram', async () => {
  const fault = async (image: Image) => exposureFault(exposureOf(await greyFrom(image)));
  const source = await drawing(WHEEL).png().toBuffer();
  expect(await fault(sharp(source))).toBeUndefined();
  expect(await fault(sharp(source).linear(0.2, 0))).toBe('too-dark');
  expect(await fault(sharp(source).linear(1, 190))).toBe('too-bright');
  expect(await fault(drawing('', '#808080'))).toBe('no-contrast');
});

test('light counts for nothing in likeness; another part does', async () => {
  const reference = await wheel();
  const dimmed = likenessOf(await greyFrom(drawing(WHEEL).linear(0.6, 10)), reference);
  const other = likenessOf(await greyFrom(drawing(LEVER)), reference);
  expect(dimmed.ssim).toBeGreaterThan(other.ssim + 0.2);
  expect(dimmed.hashDistance).toBeLessThan(other.hashDistance);
});

describe('the whole verdict', () => {
  test('a photo that is fit has no fault; each way of spoiling it is called by its name', async () => {
    const reference = await wheel();
    const source = await drawing(WHEEL).png().toBuffer();
    const verdict = async (image: Image, longest = 3000) =>
      judgePhoto({ grey: await greyFrom(image), longest }, undefined, reference);
    expect(await verdict(sharp(source))).toEqual([]);
    expect(await verdict(sharp(source), 400)).toEqual(['too-small']);
    expect(await verdict(sharp(source).blur(6))).toEqual(['blurred']);
    expect(await verdict(sharp(source).linear(0.15, 0))).toEqual(['too-dark']);
    expect(await verdict(drawing(LEVER))).toEqual(['other-view']);
  });

  test('only the part that matters is judged', async () => {
    const source = await drawing(`${WHEEL}<rect x="0" y="0" width="640" height="160" fill="#ffffff"/>`)
      .png()
      .toBuffer();
    const grey = await greyFrom(sharp(source));
    expect(judgePhoto({ grey, longest: 3000 })).toEqual([]);
    expect(judgePhoto({ grey, longest: 3000 }, { x: 0.1, y: 0, width: 0.8, height: 0.3 })).toEqual(['too-bright']);
    expect(cropped(grey, { x: 0.9, y: 0.9, width: 0.5, height: 0.5 })).toMatchObject({ width: 64, height: 48 });
  });
});
