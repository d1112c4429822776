import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { openWorkshop, type Workshop } from '../testing/workshop';

let workshop: Workshop;
beforeAll(async () => {
  workshop = await openWorkshop();
});
afterAll(() => workshop.close());

const send = (picture: Uint8Array) => workshop.call('technician', 'POST', '/api/photos', picture);
const fetchPhoto = async (hash: unknown, size = '') => {
  const response = await fetch(`${workshop.running.url}/api/photos/${hash}${size}`, {
    headers: { cookie: workshop.cookies.apprentice },
  });
  return Buffer.from(await response.arrayBuffer());
};
/** A picture 60 wide and 40 high with a red left half, said by its EXIF tag to be turned, taken at a place. */
const turned = () =>
  sharp({ create: { width: 60, height: 40, channels: 3, background: 'white' } })
    .composite([{ input: { create: { width: 30, height: 40, channels: 3, background: 'red' } }, left: 0, top: 0 }])
    .withMetadata({ orientation: 6 })
    .withExifMerge({ IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' } })
    .jpeg()
    .toBuffer();

test('the picture is turned upright, and its place and all other metadata are gone', async () => {
  const original = await turned();
  expect(await sharp(original).metadata()).toMatchObject({ orientation: 6, width: 60, exif: expect.any(Buffer) });
  const { status, json } = await send(original);
  expect(status).toBe(201);
  expect([json.width, json.height]).toEqual([40, 60]);
  const stored = await fetchPhoto(json.hash);
  const metadata = await sharp(stored).metadata();
  expect([metadata.format, metadata.exif, metadata.orientation]).toEqual(['jpeg', undefined, undefined]);
  // Orientation 6 turns the red left half to the top.
  const { data } = await sharp(stored)
    .extract({ left: 20, top: 5, width: 1, height: 1 })
    .raw()
    .toBuffer({ resolveWithObject: true });
  expect(data[0]).toBeGreaterThan(200);
  expect(data[1]).toBeLessThan(80);
});

test('the same picture is stored once, with a small one beside it', async () => {
  const [a, b] = [await send(await turned()), await send(await turned())];
  expect(a.json.hash).toBe(b.json.hash);
  const folder = join(workshop.folder, 'photos', String(a.json.hash).slice(0, 2));
  expect((await readdir(folder)).sort()).toEqual([`${a.json.hash}.jpg`, `${a.json.hash}.thumb.jpg`]);
  const wide = await sharp({ create: { width: 3000, height: 1500, channels: 3, background: 'blue' } })
    .png()
    .toBuffer();
  const { json } = await send(wide);
  expect([json.width, json.height]).toEqual([2560, 1280]);
  expect(await sharp(await fetchPhoto(json.hash, '?size=thumb')).metadata()).toMatchObject({ width: 360, height: 180 });
});

test('the type is read from the content, whatever the sender says', async () => {
  const pdf = await send(new TextEncoder().encode('%PDF-1.7 not a photo at all, whatever it is called'));
  expect(pdf.status).toBe(415);
  expect(pdf.json.fault?.what).toBe('That file is application/pdf, not a photo.');
  expect((await send(new TextEncoder().encode('just words'))).json.fault?.code).toBe('not-a-photo');
});

test('a damaged picture is refused', async () => {
  const whole = await sharp({ create: { width: 400, height: 400, channels: 3, background: 'green' } })
    .png()
    .toBuffer();
  expect((await send(whole.subarray(0, 120))).json.fault?.code).toBe('broken-photo');
});

test('nobody sees a photo without signing in, and a name that is no hash leads nowhere', async () => {
  const { json } = await send(await turned());
  expect((await workshop.call(null, 'GET', `/api/photos/${json.hash}`)).status).toBe(401);
  expect((await workshop.call('lead', 'GET', '/api/photos/..%2f..%2fsecret')).status).toBe(400);
  expect((await workshop.call('lead', 'GET', `/api/photos/${'0'.repeat(64)}`)).status).toBe(404);
});
