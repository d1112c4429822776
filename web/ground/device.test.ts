import 'fake-indexeddb/auto';
import { typed } from '#core/testing/workbook';

const { default: Dexie } = await import('dexie');

test('what an older version left on the device is brought up to the documents of today', async () => {
  const { series, procedure } = typed(['take off seal', 'fit seal']);
  const old = {
    series,
    procedure: { ...procedure, steps: procedure.steps.map((step) => ({ ...step, faces: { toward: 'the pressure' } })) },
  };
  const before = new Dexie('fukusa');
  before.version(1).stores({ jobs: 'id', outbox: '++order, id, jobId', drafts: 'procedureId', people: 'key' });
  await before.table('drafts').add({ procedureId: 'p', workbook: old, base: { workbook: old }, at: '' });
  await before.table('jobs').add({ id: 'j', release: { id: 'r', number: 1, workbook: old }, entries: [] });
  await before.table('outbox').add({ id: 'e', jobId: 'j', at: '', by: 'mara', content: { kind: 'paused' } });
  before.close();

  const { device } = await import('./device');
  const directions = (steps: typeof procedure.steps | undefined) => steps?.map(({ faces }) => faces?.toward.is);
  const draft = await device.drafts.get('p');
  expect(directions(draft?.workbook.procedure.steps)).toEqual(['pressure', 'pressure']);
  expect(directions(draft?.base.workbook.procedure.steps)).toEqual(['pressure', 'pressure']);
  expect(directions((await device.jobs.get('j'))?.release.workbook.procedure.steps)).toEqual(['pressure', 'pressure']);
  expect(await device.outbox.toArray()).toMatchObject([{ id: 'e', content: { kind: 'paused' } }]);
});
