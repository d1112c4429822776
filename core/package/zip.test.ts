import { strToU8, unzipSync, zipSync } from 'fflate';
import { mediaOf } from '../model/pictures/media';
import { typed, withStep } from '../testing/workbook';
import { packageOf, parsePackage } from './package';
import { isZip, unzipPackage, zipPackage } from './zip';

const [photo, flat, video] = ['a', 'b', 'c'].map((letter) => letter.repeat(64)) as [string, string, string];
const workbook = withStep(typed(['take off cover']), 0, {
  pictures: [{ id: 'p', photo, flat, marks: [] }],
  clips: [{ id: 'v', video, from: 0, to: 4 }],
});
const sent = packageOf(workbook.series, [workbook.procedure]);

test('the media of a procedure are what its steps show, drawn on and bare', () => {
  const { photos, videos } = mediaOf([workbook.procedure]);
  expect([...photos]).toEqual([photo, flat]);
  expect([...videos]).toEqual([video]);
});

test('a zipped package comes back as it went, media and all', () => {
  const bytes = zipPackage(sent, [
    { hash: photo, ending: 'jpg', bytes: strToU8('a photo') },
    { hash: video, ending: 'mp4', bytes: strToU8('a video') },
  ]);
  expect(isZip(bytes)).toBe(true);
  // Any unzipping program sees the same JSON that a package without media is.
  expect(Object.keys(unzipSync(bytes)).sort()).toEqual([`media/${photo}.jpg`, `media/${video}.mp4`, 'package.json']);
  const reading = unzipPackage(bytes);
  if (!reading.ok) throw new Error(reading.reason);
  expect(parsePackage(reading.text)).toEqual({ ok: true, package: sent });
  expect(reading.media.get(photo)).toEqual(strToU8('a photo'));
});

test('what is no package is refused, and what lies beside it is left alone', () => {
  expect(unzipPackage(strToU8('PK not really'))).toEqual({ ok: false, reason: 'not-a-zip' });
  expect(unzipPackage(zipSync({ 'other.json': strToU8('{}') }))).toEqual({ ok: false, reason: 'no-document' });
  const reading = unzipPackage(zipSync({ 'package.json': strToU8('{}'), '../../escape.jpg': strToU8('x') }));
  expect(reading.ok && [...reading.media.keys()]).toEqual([]);
  expect(isZip(strToU8('{"format"'))).toBe(false);
});
