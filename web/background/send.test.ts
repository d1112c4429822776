import { typed } from '#core/testing/workbook';
import { openFakeBrowser } from '../testing/browser';

const server = openFakeBrowser();
const { sendInBackground } = await import('./send');
const { openDraft, openSeriesName } = await import('../sync/documents');
const { hold } = await import('../sync/engine');
const { device } = await import('../ground/device');

const before = typed(['take off cover']);
const after = { ...before, procedure: { ...before.procedure, title: 'Changed' } };
const LONG_AGO = '2026-01-05T08:00:00.000Z';
const content = { kind: 'problem', stepId: 'any', note: 'dented' } as const;
const paths = () => server.requests.map(({ method, path }) => `${method} ${path}`);

beforeEach(async () => {
  await Promise.all([device.outbox.clear(), device.drafts.clear(), device.series.clear()]);
  await device.outbox.add({ id: 'a', jobId: 'job', at: LONG_AGO, by: 'mara', content });
  const base = { seriesVersion: 1, procedureVersion: 1, workbook: before };
  await device.drafts.put({ procedureId: 'procedure', workbook: after, base, at: LONG_AGO, by: 'lead' });
  server.requests.length = 0;
  server.answer = (_m, path) =>
    path === '/api/me'
      ? { status: 200, json: { person: { id: 'lead', name: 'Lead', role: 'lead' } } }
      : { status: 200, json: { entries: [], refused: [], finishedAt: null, seal: null, people: {} } };
});

test('with no page open, entries and drafts left behind go', async () => {
  await sendInBackground(false);
  expect(paths()).toEqual(['GET /api/me', 'POST /api/jobs/job/entries', 'PATCH /api/procedures/procedure']);
  expect([await device.outbox.count(), await device.drafts.count()]).toEqual([0, 0]);
});

test('with a page open, documents are left to it', async () => {
  await sendInBackground(true);
  expect(paths()).toEqual(['GET /api/me', 'POST /api/jobs/job/entries']);
  expect(await device.drafts.count()).toBe(1);
});

test('a draft that is held open is left to who holds it', async () => {
  const letGo = hold(openDraft('procedure'));
  await sendInBackground(false);
  expect(await device.drafts.count()).toBe(1);
  letGo();
  await sendInBackground(false);
  expect(await device.drafts.count()).toBe(0);
});

test('a series that is open is left to its screen: sent twice, what is taken back would come again', async () => {
  const series = typed(['take off cover']).series;
  const document = { ...series, name: 'Renamed' };
  await device.outbox.clear();
  await device.series.put({ id: series.id, base: { version: 1, document: series }, document });
  server.answer = (_m, path) => ({
    status: 200,
    json: path === '/api/me' ? { person: { id: 'lead', name: 'Lead', role: 'lead' } } : { version: 2, document },
  });
  const letGo = hold(openSeriesName(series.id));
  await sendInBackground(false).catch(() => undefined);
  expect(paths().filter((path) => path.includes('/series/'))).toEqual([]);
  letGo();
  await sendInBackground(false).catch(() => undefined);
  expect(paths().filter((path) => path.includes('/series/'))).toEqual([`PATCH /api/series/${series.id}`]);
});

test.each([
  [401, 'signed-out'],
  [503, 'unreachable'],
])(
  'where the server answers %i it fails, so that the browser tries again, and everything stays',
  async (status, why) => {
    server.answer = () => ({ status, json: { fault: { code: 'any', what: 'any', todo: 'any' } } });
    await expect(sendInBackground(false)).rejects.toThrow(why);
    expect([await device.outbox.count(), await device.drafts.count()]).toEqual([1, 1]);
  },
);
