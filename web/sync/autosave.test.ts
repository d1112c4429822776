import { changeStep } from '#core/edits/steps';
import type { Workbook } from '#core/model/procedure';
import { typed } from '#core/testing/workbook';
import { openFakeBrowser, until } from '../testing/browser';

const server = openFakeBrowser();
const { beginAutosave, leftSeries, mergeOfBoth, resolveStale, save, takeTheirs, useAutosave, watchEdits } =
  await import('./autosave');
const { useAuthor } = await import('../state/author-store');
const { device } = await import('../ground/device');

const base = typed(['take off cover', 'draw rotor @each shaft', 'fit rotor', 'fit cover']);
const [first = '', second = ''] = base.procedure.steps.map((step) => step.id);
const asOpen = (workbook: Workbook, seriesVersion: number, procedureVersion: number) => ({
  series: { version: seriesVersion, document: workbook.series, changedAt: '2026-01-05T08:00:00.000Z', changedBy: null },
  procedure: {
    version: procedureVersion,
    document: workbook.procedure,
    changedAt: '2026-01-05T08:00:00.000Z',
    changedBy: null,
  },
  before: workbook.before ?? [],
  house: { terms: [] },
});
const say = (stepId: string, why: string) => useAuthor.getState().changeStep(stepId, { why });
const withWhy = (workbook: Workbook, stepId: string, why: string): Workbook => ({
  ...workbook,
  procedure: changeStep(workbook.procedure, stepId, { why }),
});
const kind = () => useAutosave.getState().state.kind;
/** What the server answers to edits it has taken. */
const saved = (seriesVersion: number, procedureVersion: number, more: object = {}) => ({
  status: 200,
  json: { seriesVersion, procedureVersion, ...more },
});
const stale = (theirs: ReturnType<typeof asOpen>) => ({
  status: 409,
  json: { fault: { code: 'stale', what: 'changed', todo: 'choose', detail: theirs } },
});

let stop: () => void;
beforeEach(async () => {
  server.requests.length = 0;
  await device.drafts.clear();
  useAutosave.setState(useAutosave.getInitialState());
  await beginAutosave(asOpen(base, 1, 1), []);
  stop = watchEdits(base.procedure.id);
});
afterEach(() => stop());

test('edits are sent as they were made, with the version they were made on', async () => {
  server.answer = () => saved(1, 2);
  say(first, 'It hides the rotors');
  expect(kind()).toBe('unsaved');
  await until(() => kind() === 'saved');
  expect(server.requests).toEqual([
    {
      method: 'PATCH',
      path: '/api/procedures/procedure',
      body: {
        seriesVersion: 1,
        procedureVersion: 1,
        edits: [{ kind: 'change', stepId: first, fields: { why: 'It hides the rotors', drafted: null } }],
      },
    },
  ]);
  expect(await device.drafts.count()).toBe(0);
});

test('what is typed while a save is under way goes with the next one', async () => {
  server.answer = (_method, _path, body) => {
    if (server.requests.length === 1) say(second, 'later');
    return saved(1, body.procedureVersion + 1);
  };
  say(first, 'early');
  await save();
  await until(() => server.requests.length === 2 && kind() === 'saved');
  expect(server.requests[1]?.body).toMatchObject({
    procedureVersion: 2,
    edits: [{ kind: 'change', stepId: second, fields: { why: 'later' } }],
  });
});

test('what is typed while the device forgets its copy is saved as well', async () => {
  server.answer = (_method, _path, body) => saved(1, body.procedureVersion + 1);
  const forget = device.drafts.delete.bind(device.drafts);
  device.drafts.delete = (id) => {
    device.drafts.delete = forget;
    say(second, 'in between');
    return forget(id);
  };
  say(first, 'early');
  await save();
  expect(kind()).toBe('unsaved');
  await until(() => kind() === 'saved');
  expect(server.requests[1]?.body).toMatchObject({ edits: [{ kind: 'change', stepId: second }] });
});

test('without a server the draft stays on the device, and a later visit takes it up again', async () => {
  server.answer = () => {
    throw new TypeError('no network');
  };
  say(first, 'kept');
  await until(() => kind() === 'waiting');
  expect(await device.drafts.get('procedure')).toMatchObject({ base: { procedureVersion: 1 } });
  stop();

  server.answer = () => saved(1, 2);
  await beginAutosave(asOpen(base, 1, 1), []);
  stop = watchEdits(base.procedure.id);
  expect(useAuthor.getState().workbook.procedure.steps[0]?.why).toBe('kept');
  await until(async () => kind() === 'saved' && (await device.drafts.count()) === 0);
});

test('another module to take over from brings its steps when the draft is saved', async () => {
  const module = { ...base.procedure, id: 'before', title: 'Tear down' };
  server.answer = () => saved(1, 2, { before: [module] });
  useAuthor.getState().apply([{ kind: 'change-procedure', fields: { takesOver: 'before' } }]);
  await until(() => useAuthor.getState().workbook.before?.length === 1);
  await until(() => kind() === 'saved');
  expect(server.requests).toHaveLength(1);
});

test('a stale draft is not sent again until one version is chosen', async () => {
  const theirs = asOpen(withWhy(base, first, 'theirs'), 1, 2);
  server.answer = () => stale(theirs);
  say(first, 'mine');
  await until(() => kind() === 'stale');
  say(second, 'more of mine');
  await save();
  expect(server.requests).toHaveLength(1);
  expect(mergeOfBoth(theirs).conflicts).toEqual([`procedure.steps[${first}].why`]);

  server.answer = (_m, _p, body) => saved(1, body.procedureVersion + 1);
  await resolveStale(theirs, useAuthor.getState().workbook);
  expect(server.requests[1]?.body).toMatchObject({ procedureVersion: 2 });
  expect(kind()).toBe('saved');
});

test('taking the other version puts it on the screen and forgets the draft here', async () => {
  const theirs = asOpen(withWhy(base, first, 'theirs'), 1, 2);
  server.answer = () => stale(theirs);
  say(first, 'mine');
  await until(() => kind() === 'stale');
  await takeTheirs(theirs);
  expect(useAuthor.getState().workbook.procedure.steps[0]?.why).toBe('theirs');
  expect(await device.drafts.count()).toBe(0);
  useAuthor.getState().undo();
  expect(useAuthor.getState().workbook.procedure.steps[0]?.why).toBe('mine');
});

test('a series changed for another procedure is taken over without a question', async () => {
  const grown = { ...base.series, note: 'said elsewhere' };
  server.answer = (_m, _p, body) =>
    body.seriesVersion === 1 ? stale(asOpen({ ...base, series: grown }, 2, 1)) : saved(3, 2);
  useAuthor.getState().addLine('take off lock plate');
  await until(() => kind() === 'saved');
  const { series } = useAuthor.getState().workbook;
  expect(series.note).toBe('said elsewhere');
  expect(series.components.map((component) => component.name)).toContain('lock plate');
  expect(server.requests[1]?.body.seriesVersion).toBe(2);
});

test('what was changed of the series elsewhere comes with the answer to steps that leave it alone', async () => {
  const document = { ...base.series, note: 'said elsewhere' };
  server.answer = (_m, _p, body) =>
    saved(2, body.procedureVersion + 1, body.seriesVersion === 1 ? { series: { version: 2, document } } : {});
  say(first, 'mine');
  await until(() => useAuthor.getState().workbook.series.note === 'said elsewhere');
  await until(() => kind() === 'saved');
  expect(useAuthor.getState().workbook.procedure.steps[0]?.why).toBe('mine');
  say(second, 'more of mine');
  await save();
  expect(server.requests).toHaveLength(2);
  expect(server.requests[1]?.body).toMatchObject({ seriesVersion: 2, procedureVersion: 2 });
});

test('what both changed of the series is asked about when it is saved, not lost with the answer to a step', async () => {
  const document = { ...base.series, note: 'said elsewhere' };
  server.answer = () => {
    if (server.requests.length > 1) return stale(asOpen({ ...base, series: document }, 2, 2));
    useAuthor.getState().apply([{ kind: 'change-series', fields: { note: 'mine' } }]);
    return saved(2, 2, { series: { version: 2, document } });
  };
  say(first, 'mine');
  await until(() => kind() === 'stale');
  expect(server.requests[1]?.body).toMatchObject({ seriesVersion: 1, procedureVersion: 2 });
  expect(useAuthor.getState().workbook.series.note).toBe('mine');
});

test('a refusal is kept to be told, and what was typed stays', async () => {
  server.answer = () => ({ status: 400, json: { fault: { code: 'bad-input', what: 'wrong', todo: 'mend' } } });
  say(first, 'too much');
  await until(() => kind() === 'refused');
  expect(useAuthor.getState().workbook.procedure.steps[0]?.why).toBe('too much');
  expect(await device.drafts.count()).toBe(1);
});

test('what was changed of the series and is not sent yet is in the draft opened after it', async () => {
  stop();
  server.answer = () => saved(2, 1);
  const changed = { ...base.series, name: 'Other name' };
  await device.series.put({ id: base.series.id, base: { version: 1, document: base.series }, document: changed });
  const left = await leftSeries();
  // Sent while the server was asked for the series, which it gave as it was before.
  await device.series.clear();
  await beginAutosave(asOpen(base, 1, 1), left);
  expect(useAuthor.getState().workbook.series.name).toBe('Other name');
  await until(() => server.requests.length === 1 && kind() === 'saved');
  expect(server.requests[0]?.body).toMatchObject({
    edits: [{ kind: 'change-series', fields: { name: 'Other name' } }],
  });
});
