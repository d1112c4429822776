import { createHash } from 'node:crypto';
import { utimes } from 'node:fs/promises';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import sharp from 'sharp';
import { changeStep } from '#core/edits/steps';
import { packageOf } from '#core/package/package';
import { unzipPackage } from '#core/package/zip';
import * as table from '../database/schema';
import { openWorkshop, testPackage, type Workshop } from '../testing/workshop';

let workshop: Workshop;
beforeAll(async () => {
  workshop = await openWorkshop();
});
afterAll(() => workshop.close());

const picture = (colour: string) =>
  sharp({ create: { width: 64, height: 48, channels: 3, background: colour } })
    .png()
    .toBuffer();
const sendPhoto = async (colour: string): Promise<string> =>
  (await workshop.call('trainer', 'POST', '/api/photos', new Uint8Array(await picture(colour)))).json.hash;
/** As much of an MP4 as says what it is, and something to play with. */
const VIDEO = Buffer.concat([
  Buffer.from([0, 0, 0, 24]),
  Buffer.from('ftypisom'),
  Buffer.from([0, 0, 2, 0]),
  Buffer.from('isommp41'),
  Buffer.alloc(5000, 7),
]);
const fetchAs = (path: string, headers: Record<string, string> = {}) =>
  fetch(workshop.running.url + path, { headers: { cookie: workshop.cookies.trainer, ...headers } });

/** The test package with a picture, drawn on, and a clip on its first step. */
async function illustrated(seriesId: string) {
  const { series, procedures } = testPackage();
  const [photo, flat] = [await sendPhoto('teal'), await sendPhoto('navy')];
  const { hash: video } = (await workshop.call('trainer', 'POST', '/api/videos', new Uint8Array(VIDEO))).json;
  const [procedure] = procedures;
  if (!procedure) throw new Error('no procedure');
  const shown = changeStep(procedure, procedure.steps[0]?.id ?? '', {
    pictures: [{ id: 'p', photo, flat, marks: [] }],
    clips: [{ id: 'c', video, from: 0, to: 2 }],
  });
  const sent = packageOf({ ...series, id: seriesId, code: seriesId }, [{ ...shown, id: `${seriesId}-p`, seriesId }]);
  return { sent, photo, flat, video };
}

test('a series with pictures goes out as a zip and comes back on another shelf with all of them', async () => {
  const { sent, photo, flat, video } = await illustrated('shown');
  await workshop.call('trainer', 'POST', '/api/packages', { package: sent, when: 'new' });
  const response = await fetchAs('/api/series/shown/package');
  expect(response.headers.get('content-disposition')).toContain('shown.fukusa.zip');
  const zip = new Uint8Array(await response.arrayBuffer());
  const unzipped = unzipPackage(zip);
  expect(unzipped.ok && [...unzipped.media.keys()].sort()).toEqual([photo, flat, video].sort());

  const other = await openWorkshop();
  try {
    const taken = await other.call('trainer', 'POST', '/api/packages/zip?when=new', zip);
    expect([taken.status, taken.json.procedures]).toEqual([201, 1]);
    for (const hash of [photo, flat]) {
      const got = await fetch(`${other.running.url}/api/photos/${hash}`, { headers: { cookie: other.cookies.lead } });
      expect(Buffer.from(await got.arrayBuffer())).toEqual(
        Buffer.from(await (await fetchAs(`/api/photos/${hash}`)).arrayBuffer()),
      );
    }
    // Byte for byte what was sent, so that the names in the steps still hold.
    const back = await fetch(`${other.running.url}/api/videos/${video}`, { headers: { cookie: other.cookies.lead } });
    expect(Buffer.from(await back.arrayBuffer())).toEqual(VIDEO);
  } finally {
    await other.close();
  }
});

test('an import that fails in the middle leaves neither documents nor media', async () => {
  const { sent, photo, flat } = await illustrated('half-way');
  const { zipPackage } = await import('#core/package/zip');
  const photos = await Promise.all(
    [photo, flat].map(async (hash) => {
      const bytes = new Uint8Array(await (await fetchAs(`/api/photos/${hash}`)).arrayBuffer());
      return { hash, ending: 'jpg' as const, bytes };
    }),
  );
  const other = await openWorkshop();
  const { db, photos: files } = other.running.services;
  try {
    // The documents are refused after the media were stored: a series of this id is on the shelf.
    const plain = packageOf({ ...sent.series, name: 'Already here' }, []);
    await other.call('trainer', 'POST', '/api/packages', { package: plain, when: 'new' });
    const refused = await other.call('trainer', 'POST', '/api/packages/zip?when=new', zipPackage(sent, photos));
    expect(refused.json.fault?.code).toBe('series-exists');
    for (const hash of [photo, flat]) expect(await files.read(hash, 'thumb')).toBeFalsy();
    expect(await db.select().from(table.photo)).toEqual([]);
    const { series } = (await other.call('trainer', 'GET', '/api/shelf')).json;
    expect(series.map(({ name }: { name: string }) => name)).toEqual(['Already here']);
  } finally {
    await other.close();
  }
});

test('a picture in a package says no more where it was taken, and its step shows what was made of it', async () => {
  const placed = await sharp({ create: { width: 60, height: 40, channels: 3, background: 'olive' } })
    .withExif({ IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' } })
    .jpeg()
    .toBuffer();
  const hash = createHash('sha256').update(placed).digest('hex');
  const { sent } = await illustrated('placed');
  const [procedure] = sent.procedures;
  const pictures = [{ id: 'p', photo: hash, marks: [] }];
  const steps = procedure?.steps.map((step, i) => (i === 0 ? { ...step, pictures, clips: undefined } : step)) ?? [];
  const whole = { ...sent, procedures: [{ ...procedure, steps }] } as typeof sent;
  const { zipPackage } = await import('#core/package/zip');
  const zip = zipPackage(whole, [{ hash, ending: 'jpg', bytes: new Uint8Array(placed) }]);
  expect((await workshop.call('trainer', 'POST', '/api/packages/zip?when=new', zip)).status).toBe(201);
  const open = await workshop.call('trainer', 'GET', `/api/procedures/${procedure?.id}`);
  const shown = open.json.procedure.document.steps[0].pictures[0].photo;
  expect(shown).not.toBe(hash);
  const stored = await (await fetchAs(`/api/photos/${shown}`)).arrayBuffer();
  expect((await sharp(Buffer.from(stored)).metadata()).exif).toBeUndefined();
});

test('what a trainer blurred is seen without the blur by those who write, and by nobody else', async () => {
  const { sent, photo, flat } = await illustrated('blurred');
  const [procedure] = sent.procedures;
  const blur = { id: 'b', kind: 'blur' as const, x: 0.1, y: 0.1, width: 0.3, height: 0.3 };
  const steps = procedure?.steps.map((step) => ({
    ...step,
    ...(step.pictures && { pictures: step.pictures.map((one) => ({ ...one, marks: [blur] })) }),
  }));
  const whole = { ...sent, procedures: [{ ...procedure, steps }] };
  await workshop.call('trainer', 'POST', '/api/packages', { package: whole, when: 'new' });
  const status = async (hash: string, role: 'trainer' | 'technician') =>
    (await workshop.call(role, 'GET', `/api/photos/${hash}`)).status;
  expect([await status(photo, 'trainer'), await status(photo, 'technician')]).toEqual([200, 404]);
  expect([await status(flat, 'trainer'), await status(flat, 'technician')]).toEqual([200, 200]);
  // Without the blur it is shown as it is again, to everybody.
  const open = (await workshop.call('trainer', 'GET', `/api/procedures/${procedure?.id}`)).json;
  const [step] = open.procedure.document.steps;
  const fields = { pictures: [{ id: 'p', photo, marks: [] }] };
  const saved = await workshop.call('trainer', 'PATCH', `/api/procedures/${procedure?.id}`, {
    seriesVersion: open.series.version,
    procedureVersion: open.procedure.version,
    edits: [{ kind: 'change', stepId: step.id, fields }],
  });
  expect([saved.status, await status(photo, 'technician')]).toEqual([200, 200]);
});

test('a zip whose media are not what they are named for changes nothing', async () => {
  const { sent, photo } = await illustrated('damaged');
  const { zipPackage } = await import('#core/package/zip');
  const zip = zipPackage(sent, [{ hash: photo, ending: 'jpg', bytes: new TextEncoder().encode('something else') }]);
  const refused = await workshop.call('trainer', 'POST', '/api/packages/zip?when=new', zip);
  expect(refused.status).toBe(400);
  expect(refused.json.fault.where[0]).toMatchObject({ path: `media/${photo}` });
  expect((await workshop.call('trainer', 'GET', '/api/series/damaged')).status).toBe(404);
  const broken = await workshop.call('trainer', 'POST', '/api/packages/zip?when=new', zip.slice(0, 90));
  expect(broken.json.fault.code).toBe('broken-package');
});

test('a video is read a stretch at a time, and only what browsers play is taken in', async () => {
  const { hash } = (await workshop.call('trainer', 'POST', '/api/videos', new Uint8Array(VIDEO))).json;
  const part = await fetchAs(`/api/videos/${hash}`, { range: 'bytes=4-11' });
  expect(part.status).toBe(206);
  expect(part.headers.get('content-range')).toBe(`bytes 4-11/${VIDEO.length}`);
  expect(await part.text()).toBe('ftypisom');
  expect((await fetchAs(`/api/videos/${hash}`, { range: 'bytes=999999-' })).status).toBe(404);
  // A stretch that ends before it begins is none; it is answered as if none was asked for (RFC 9110, 14.1.1).
  const backwards = await fetchAs(`/api/videos/${hash}`, { range: 'bytes=100-50' });
  expect([backwards.status, backwards.headers.get('content-range')]).toEqual([
    206,
    `bytes 0-${VIDEO.length - 1}/${VIDEO.length}`,
  ]);
  const refused = await workshop.call('trainer', 'POST', '/api/videos', new Uint8Array(await picture('red')));
  expect([refused.status, refused.json.fault.code]).toEqual([415, 'not-a-video']);
  expect((await workshop.call('technician', 'POST', '/api/videos', new Uint8Array(VIDEO))).status).toBe(403);
});

describe('what nothing shows any more', () => {
  const listed = async (): Promise<{ photos: string[]; videos: string[] }> => {
    const { json } = await workshop.call('trainer', 'GET', '/api/media/unused');
    const hashes = (files: { hash: string }[]) => files.map(({ hash }) => hash);
    return { photos: hashes(json.photos), videos: hashes(json.videos) };
  };
  const clip = (filling: number) => new Uint8Array(Buffer.concat([VIDEO, Buffer.alloc(10, filling)]));
  const sendVideo = async (filling: number): Promise<string> =>
    (await workshop.call('trainer', 'POST', '/api/videos', clip(filling))).json.hash;
  const twoHoursAgo = () => new Date(Date.now() - 2 * 60 * 60 * 1000);
  const makeOld = async (photos: string[], videos: string[]) => {
    const { db } = workshop.running.services;
    for (const hash of photos)
      await db.update(table.photo).set({ createdAt: twoHoursAgo() }).where(eq(table.photo.hash, hash));
    for (const hash of videos)
      await utimes(join(workshop.folder, 'videos', hash.slice(0, 2), `${hash}.mp4`), twoHoursAgo(), twoHoursAgo());
  };

  test('is listed and deleted; what a draft, a release or a job shows is not', async () => {
    const { sent, photo, flat, video } = await illustrated('used');
    await workshop.call('trainer', 'POST', '/api/packages', { package: sent, when: 'new' });
    const [leftPhoto, leftVideo] = [await sendPhoto('gold'), await sendVideo(1)];
    await makeOld([leftPhoto, photo, flat], [leftVideo, video]);
    expect(await listed()).toEqual({ photos: [leftPhoto], videos: [leftVideo] });

    const { json } = await workshop.call('trainer', 'DELETE', '/api/media/unused', {
      photos: [leftPhoto, photo],
      videos: [leftVideo, video],
    });
    expect(json).toEqual({ deleted: 2 });
    expect(await listed()).toEqual({ photos: [], videos: [] });
    for (const gone of [`/api/photos/${leftPhoto}`, `/api/videos/${leftVideo}`])
      expect((await fetchAs(gone)).status).toBe(404);
    expect((await fetchAs(`/api/photos/${photo}`)).status).toBe(200);
    expect((await fetchAs(`/api/videos/${video}`)).status).toBe(206);
  });

  test('and was taken in within the hour may still be on its way into a step, and stays', async () => {
    const [photo, video] = [await sendPhoto('plum'), await sendVideo(2)];
    expect(await listed()).toEqual({ photos: [], videos: [] });
    const { json } = await workshop.call('trainer', 'DELETE', '/api/media/unused', {
      photos: [photo],
      videos: [video],
    });
    expect(json).toEqual({ deleted: 0 });
    // Old, and then sent again: somebody wants it after all.
    await makeOld([photo], [video]);
    expect(await listed()).toEqual({ photos: [photo], videos: [video] });
    await sendPhoto('plum');
    await sendVideo(2);
    expect(await listed()).toEqual({ photos: [], videos: [] });
  });

  test('is a matter for those who write', async () => {
    expect((await workshop.call('technician', 'GET', '/api/media/unused')).status).toBe(403);
    const refused = await workshop.call('apprentice', 'DELETE', '/api/media/unused', { photos: [], videos: [] });
    expect(refused.status).toBe(403);
  });
});

test('the words of the house are kept, told with every draft, and changed by those who write only', async () => {
  const rules = { terms: [{ say: 'bore', insteadOf: ['hole'] }] };
  expect((await workshop.call('trainer', 'PUT', '/api/house', rules)).status).toBe(200);
  expect((await workshop.call('apprentice', 'GET', '/api/house')).json).toEqual({ rules });
  expect((await workshop.call('technician', 'PUT', '/api/house', { terms: [] })).status).toBe(403);
  const wrong = await workshop.call('trainer', 'PUT', '/api/house', { terms: [{ say: 'bore', insteadOf: [] }] });
  expect(wrong.json.fault.where[0].reason).toBe('needs a word to replace');
  const { sent } = await illustrated('worded');
  await workshop.call('trainer', 'POST', '/api/packages', { package: sent, when: 'new' });
  expect((await workshop.call('trainer', 'GET', '/api/procedures/worded-p')).json.house).toEqual(rules);
});
