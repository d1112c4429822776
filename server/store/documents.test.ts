import { packageOf } from '#core/package/package';
import { typed } from '#core/testing/workbook';
import {
  openWorkshop,
  type Parsed,
  releaseAsItIs,
  testPackage,
  type Workshop,
  withJob,
  withRelease,
} from '../testing/workshop';

let workshop: Workshop;
let procedureId: string;
let releaseId: string;
beforeAll(async () => {
  workshop = await openWorkshop();
  ({ procedureId, releaseId } = await withRelease(workshop));
});
afterAll(() => workshop.close());

const open = async (): Promise<Parsed> =>
  (await workshop.call('trainer', 'GET', `/api/procedures/${procedureId}`)).json;
const save = async (change: object): Promise<Parsed> => {
  const now = await open();
  return workshop.call('trainer', 'PATCH', `/api/procedures/${procedureId}`, {
    seriesVersion: now.series.version,
    procedureVersion: now.procedure.version,
    edits: [],
    ...change,
  });
};

describe('saving a draft', () => {
  test('edits of the present version make the next one', async () => {
    const before = await open();
    const [first] = before.procedure.document.steps;
    const saved = await save({
      edits: [{ kind: 'change', stepId: first.id, fields: { why: 'So nobody starts it' } }],
    });
    expect(saved.status).toBe(200);
    expect(saved.json).toEqual({
      procedureVersion: before.procedure.version + 1,
      seriesVersion: before.series.version,
    });
    expect((await open()).procedure.document.steps[0].why).toBe('So nobody starts it');
  });

  test('edits that leave the series alone are taken whatever became of it, and the answer brings it', async () => {
    const before = await open();
    const renamed = [{ kind: 'change-series', fields: { note: 'Written for another procedure' } }];
    await save({ edits: renamed });
    const [first] = before.procedure.document.steps;
    const edits = [{ kind: 'change', stepId: first.id, fields: { why: 'So that nobody starts it' } }];
    const saved = await save({ seriesVersion: before.series.version, edits });
    expect(saved.json).toMatchObject({
      seriesVersion: before.series.version + 1,
      series: { version: before.series.version + 1, document: { note: 'Written for another procedure' } },
    });
    expect((await save({ edits })).json).not.toHaveProperty('series');
    expect((await save({ seriesVersion: before.series.version, edits: renamed })).status).toBe(409);
  });

  test('a stale version is refused with what is there now, and nothing is changed', async () => {
    const before = await open();
    const stale = await save({
      procedureVersion: before.procedure.version - 1,
      edits: [{ kind: 'change-procedure', fields: { title: 'Old news' } }],
    });
    expect(stale.status).toBe(409);
    expect(stale.json.fault).toMatchObject({
      code: 'stale',
      detail: { procedure: { version: before.procedure.version } },
    });
    expect((await open()).procedure.document.title).toBe(before.procedure.document.title);
  });

  test('a part named for the first time is saved with the step that names it, or neither is', async () => {
    const part = { id: 'lock-plate', name: 'lock plate', kind: 'other', count: 1 };
    const step = { id: 'fresh', stage: 'look', verb: 'inspect', targets: [{ componentId: 'lock-plate' }] };
    const half = await save({ edits: [{ kind: 'insert', index: 3, step }] });
    expect(half.status).toBe(400);
    expect(half.json.fault.where[0].reason).toContain('no component "lock-plate"');
    const whole = await save({
      edits: [
        { kind: 'add', list: 'components', item: part },
        { kind: 'insert', index: 3, step },
      ],
    });
    expect(whole.status).toBe(200);
    expect((await open()).procedure.document.steps[3].id).toBe('fresh');
  });

  test('a component that another procedure uses cannot be taken away', async () => {
    const { json } = await workshop.call('trainer', 'POST', '/api/procedures', { seriesId: 'series', title: 'Other' });
    const now = await open();
    const removal = await workshop.call('trainer', 'PATCH', `/api/procedures/${json.id}`, {
      seriesVersion: now.series.version,
      procedureVersion: 1,
      edits: [{ kind: 'drop', list: 'components', id: now.series.document.components[0].id }],
    });
    expect(removal.json.fault).toMatchObject({ code: 'in-use', what: '"Test" still uses what would be gone.' });
    expect(removal.json.fault?.where).toEqual([{ path: 'Test', reason: expect.stringMatching(/^step 2/) }]);
  });

  test.each([
    ['a verb nobody knows', { kind: 'change', fields: { verb: 'wiggle' } }, 'procedure.steps[0].verb'],
    ['another id', { kind: 'change-procedure', fields: { id: 'else' } }, 'id'],
    ['another series', { kind: 'change-procedure', fields: { seriesId: 'else' } }, 'id'],
    ['a step that is not there', { kind: 'change', stepId: 'gone', fields: { verb: 'draw' } }, 'edits[0]'],
    ['an edit nobody knows', { kind: 'polish' }, 'edits[0].kind'],
    ['a field nobody knows', { kind: 'change-procedure', fields: { colour: 'red' } }, 'procedure.(file)'],
  ])('%s is refused by its path', async (_name, edit, path) => {
    const stepId = (await open()).procedure.document.steps[0].id;
    const refused = await save({ edits: [edit.kind === 'change' ? { stepId, ...edit } : edit] });
    expect(refused.status).toBe(400);
    expect(refused.json.fault.where[0].path).toBe(path);
  });

  test('no edit reaches the prototype of things', async () => {
    const fields = JSON.parse('{"__proto__":{"polluted":true}}');
    await save({ edits: [{ kind: 'change-procedure', fields }] });
    expect(({} as Parsed).polluted).toBeUndefined();
  });
});

describe('releases', () => {
  test('a release is frozen: editing goes on in the draft', async () => {
    await save({ edits: [{ kind: 'change-procedure', fields: { title: 'Renamed' } }] });
    const release: Parsed = (await workshop.call('technician', 'GET', `/api/releases/${releaseId}`)).json;
    expect(release.number).toBe(1);
    expect(release.workbook.procedure.title).toBe('Test');
    const shelf: Parsed = (await workshop.call('technician', 'GET', '/api/shelf')).json;
    const row = shelf.series[0].procedures.find((p: Parsed) => p.id === procedureId);
    expect(row).toMatchObject({ title: 'Renamed', changedSinceRelease: true, release: { number: 1 } });
  });

  test('the next release is the next number', async () => {
    const released = await releaseAsItIs(workshop, procedureId, { note: 'Second' });
    expect(released.json).toMatchObject({ number: 2, note: 'Second' });
  });

  test('an empty procedure is refused', async () => {
    const { json } = await workshop.call('trainer', 'POST', '/api/procedures', { seriesId: 'series', title: 'Empty' });
    const refused = await releaseAsItIs(workshop, json.id);
    expect(refused).toMatchObject({
      status: 409,
      json: { fault: { code: 'stopped', what: 'The procedure has no steps.' } },
    });
  });

  test('a cloth that does not end empty is refused, naming what is left', async () => {
    const { procedure } = await open();
    const fitting = procedure.document.steps.findIndex(
      (step: Parsed) => step.verb === 'fit' && step.positionIds.length === 2,
    );
    await save({ edits: [{ kind: 'remove', stepId: procedure.document.steps[fitting].id }] });
    const refused = await releaseAsItIs(workshop, procedureId);
    expect(refused.json.fault?.what).toBe('New rotors stay in the kit tray: nothing fits them.');
  });

  test('a draft that changed after it was looked at is not released', async () => {
    expect((await releaseAsItIs(workshop, procedureId, { version: 1 })).json.fault?.code).toBe('stale');
  });

  test('what was looked at is what is released: a series changed for another procedure in between is told', async () => {
    const before = await open();
    await save({ edits: [{ kind: 'change-series', fields: { note: 'said by somebody else meanwhile' } }] });
    const refused = await releaseAsItIs(workshop, procedureId, { seriesVersion: before.series.version });
    expect(refused).toMatchObject({ status: 409, json: { fault: { code: 'stale' } } });
  });

  test('nothing new is not released again, and a change of the series alone is something new', async () => {
    await workshop.call('trainer', 'POST', '/api/packages', { package: testPackage(), when: 'replace' });
    expect((await releaseAsItIs(workshop, procedureId, { note: 'as sent' })).status).toBe(201);
    expect((await releaseAsItIs(workshop, procedureId)).json.fault?.code).toBe('nothing-new');
    const componentId = (await open()).series.document.components[0].id;
    await save({ edits: [{ kind: 'change-component', componentId, fields: { massKg: 4 } }] });
    expect((await releaseAsItIs(workshop, procedureId)).status).toBe(201);
  });

  test('a question that is gone is told, not left to the technician', async () => {
    const { procedure } = await open();
    const fields = { when: [{ stepId: 'gone', answerIds: ['yes'] }] };
    const refused = await save({ edits: [{ kind: 'change', stepId: procedure.document.steps[2].id, fields }] });
    expect(refused.status).toBe(400);
    expect(refused.json.fault.where[0].path).toMatch(/steps\[2\]\.when\[0\]/);
  });

  test('a released procedure cannot be deleted, a draft can', async () => {
    expect(await workshop.call('trainer', 'DELETE', `/api/procedures/${procedureId}`)).toMatchObject({
      status: 409,
      json: { fault: { code: 'released' } },
    });
    const { json } = await workshop.call('trainer', 'POST', '/api/procedures', {
      seriesId: 'series',
      title: 'Short-lived',
    });
    expect((await workshop.call('trainer', 'DELETE', `/api/procedures/${json.id}`)).status).toBe(200);
    expect((await workshop.call('trainer', 'GET', `/api/procedures/${json.id}`)).status).toBe(404);
  });
});

describe('modules', () => {
  const SAFE = ['isolate the drive', 'bleed the casing'];
  const down = typed([...SAFE, 'take off cover', 'draw rotor @each shaft']);
  const up = typed(['fit rotor', 'fit cover', 'restore the drive'], {
    ...down,
    procedure: { ...down.procedure, steps: [] },
  });
  const sent = packageOf({ ...up.series, id: 'modular', code: 'M-1' }, [
    { ...down.procedure, id: 'mod-down', seriesId: 'modular', title: 'Tear down', handsOn: true },
    { ...up.procedure, id: 'mod-up', seriesId: 'modular', title: 'Put together', takesOver: 'mod-down' },
  ]);

  test('a module opens with those before it, is released with them, and keeps them when they change', async () => {
    await workshop.call('trainer', 'POST', '/api/packages', { package: sent, when: 'new' });
    const opened = (await workshop.call('trainer', 'GET', '/api/procedures/mod-up')).json;
    expect(opened.before.map((module: Parsed) => module.title)).toEqual(['Tear down']);
    const released = await releaseAsItIs(workshop, 'mod-up');
    expect(released.status).toBe(201);
    const frozen = (await workshop.call('trainer', 'GET', `/api/releases/${released.json.id}`)).json;
    expect(frozen.workbook.before[0].steps).toHaveLength(4);

    // A job on the last module carries out the whole chain.
    await withJob(workshop, released.json.id, 'chain-job');
    const job = (await workshop.call('technician', 'GET', '/api/jobs/chain-job')).json;
    const verbs = job.release.workbook.procedure.steps.map((step: Parsed) => step.verb);
    expect(verbs).toEqual(['isolate', 'release-pressure', 'take-off', 'draw', 'fit', 'fit', 'restore']);
    const listed = (await workshop.call('technician', 'GET', '/api/jobs')).json.jobs as Parsed[];
    expect(listed.find(({ id }) => id === 'chain-job').steps).toBe(7);
  });

  test('on its own the second module would act on nothing, and the shelf knows the difference', async () => {
    const shelf = (await workshop.call('trainer', 'GET', '/api/shelf')).json.series as Parsed[];
    const modular = shelf.find((series) => series.id === 'modular');
    expect(modular.procedures.map((procedure: Parsed) => procedure.stops)).toEqual([0, 0]);
    await workshop.call('trainer', 'PATCH', '/api/procedures/mod-down', {
      seriesVersion: 1,
      procedureVersion: 1,
      edits: [{ kind: 'change-procedure', fields: { handsOn: null } }],
    });
    await workshop.running.services.checking.settled();
    const after = (await workshop.call('trainer', 'GET', '/api/shelf')).json.series as Parsed[];
    const titles = after.find((series) => series.id === 'modular').procedures;
    expect(titles.find((procedure: Parsed) => procedure.title === 'Tear down').stops).toBe(2);
  });

  test('the mat of a draft is printed for everybody, on paper that exists', async () => {
    const mat = await workshop.call('technician', 'GET', '/api/procedures/mod-down/cloth?paper=A3');
    expect([mat.status, mat.headers.get('content-type')]).toEqual([200, 'application/pdf']);
    const none = await workshop.call('technician', 'GET', '/api/procedures/mod-down/cloth?paper=A9');
    expect([none.status, none.json.fault.where[0].path]).toEqual([400, 'paper']);
  });
});

describe('packages', () => {
  test('what is exported is imported again the same, as a copy or in place', async () => {
    const exported: Parsed = (await workshop.call('apprentice', 'GET', '/api/series/series/package')).json;
    expect(exported.format).toBe('fukusa/2');
    const clash = await workshop.call('trainer', 'POST', '/api/packages', { package: exported, when: 'new' });
    expect(clash.json.fault?.code).toBe('series-exists');
    const copy = await workshop.call('trainer', 'POST', '/api/packages', { package: exported, when: 'copy' });
    const again: Parsed = (await workshop.call('trainer', 'GET', `/api/series/${copy.json.id}/package`)).json;
    expect(again.series.components).toEqual(exported.series.components);
    expect(again.procedures.map((p: Parsed) => p.steps)).toEqual(exported.procedures.map((p: Parsed) => p.steps));
    const replaced = await workshop.call('trainer', 'POST', '/api/packages', { package: exported, when: 'replace' });
    expect(replaced.status).toBe(201);
  });

  test('a bad file names every fault and changes nothing', async () => {
    const before: Parsed = (await workshop.call('trainer', 'GET', '/api/shelf')).json;
    const bad: Parsed = structuredClone(testPackage());
    bad.series.id = 'bad-series';
    bad.procedures[0].seriesId = 'bad-series';
    bad.procedures[0].steps[1].targets[0].componentId = 'ghost';
    bad.procedures[0].steps[6].toolIds = ['ghost-tool'];
    const refused = await workshop.call('trainer', 'POST', '/api/packages', { package: bad, when: 'new' });
    expect(refused.json.fault?.where?.map((fault: { path: string }) => fault.path)).toEqual([
      'procedures[0].steps[1].targets[0].componentId',
      'procedures[0].steps[6].toolIds[0]',
    ]);
    expect((await workshop.call('trainer', 'GET', '/api/shelf')).json).toEqual(before);
  });
});
