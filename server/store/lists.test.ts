import { foldJob } from '#core/job/job';
import { openWorkshop, type Parsed, testPackage, type Workshop, withJob, withRelease } from '../testing/workshop';
import { readJob } from './jobs';

let workshop: Workshop;
let releaseId: string;
let stepIds: string[];
beforeAll(async () => {
  workshop = await openWorkshop();
  ({ releaseId, stepIds } = await withRelease(workshop));
  for (let i = 0; i < 60; i += 1) await withJob(workshop, releaseId, `job-${i}`);
});
afterAll(() => workshop.close());

const list = async (query: string) => (await workshop.call('apprentice', 'GET', `/api/jobs${query}`)).json;
const numbers = (jobs: Parsed[]) => jobs.map(({ number }) => number);

test('a list comes a page at a time, and its pages make the whole without gaps or doubles', async () => {
  const first = await list('');
  expect(first.jobs).toHaveLength(50);
  const second = await list(`?after=${first.next}`);
  expect(second.next).toBeNull();
  const all = numbers([...first.jobs, ...second.jobs]);
  expect(all).toEqual([...all].sort((a, b) => b - a));
  expect(new Set(all).size).toBe(60);
});

test.each(['number', 'changed', 'customer'])('pages hold in the order by %s, where many are alike', async (order) => {
  const first = await list(`?order=${order}`);
  const second = await list(`?order=${order}&after=${first.next}`);
  expect(new Set(numbers([...first.jobs, ...second.jobs])).size).toBe(60);
});

test('what a list shows is kept with the job when an entry comes, and is what its entries say', async () => {
  const note = { kind: 'problem', stepId: stepIds[1], note: 'a deep score' };
  const contents = [{ kind: 'step-done', stepId: stepIds[0] }, note, { kind: 'paused' }];
  const entries = contents.map((content, i) => ({ id: `shown-${i}`, at: '2026-01-05T09:00:00.000Z', content }));
  await workshop.call('technician', 'POST', '/api/jobs/job-7/entries', { entries });
  const row = (await list('?order=changed')).jobs[0];
  const job = await readJob(workshop.running.services.db, 'job-7');
  const state = foldJob(job.release.workbook, job.startedBy, job.entries);
  expect(row).toMatchObject({
    id: 'job-7',
    phase: state.phase,
    done: state.cursor,
    problems: 1,
    steps: job.release.workbook.procedure.steps.length,
    holder: { id: state.holder, name: 'Test technician' },
  });
});

test('every word of a search has to be somewhere in the line, whatever its case; signs of patterns are letters', async () => {
  expect((await list('?search=test%20S-1')).jobs).toHaveLength(50);
  expect((await list('?search=TEST%20nowhere')).jobs).toEqual([]);
  expect((await list('?search=%25')).jobs).toEqual([]);
  const [newest] = (await list('')).jobs;
  expect(numbers((await list(`?search=${newest.number}`)).jobs)).toEqual([newest.number]);
});

test('a place in the list that is none is refused plainly', async () => {
  const { status, json } = await workshop.call('lead', 'GET', '/api/jobs?after=nonsense');
  expect(status).toBe(400);
  expect(json.fault.where).toEqual([{ path: 'after', reason: expect.stringContaining('no place in this list') }]);
});

test('the shelf is searched by series and by procedure, and comes a page at a time', async () => {
  for (let i = 0; i < 25; i += 1) {
    await workshop.call('trainer', 'POST', '/api/series', {
      name: `Row ${i}`,
      code: `R-${i}`,
      pumpType: 'gear',
      positionSets: [],
    });
  }
  const shelf = async (query: string) => (await workshop.call('trainer', 'GET', `/api/shelf${query}`)).json;
  const first = await shelf('');
  const second = await shelf(`?after=${first.next}`);
  expect([first.series.length, second.series.length, first.count, second.next]).toEqual([20, 6, 26, null]);
  expect((await shelf('?search=row%2024')).series.map(({ code }: Parsed) => code)).toEqual(['R-24']);
  const [procedure] = testPackage().procedures;
  const [found] = (await shelf(`?search=${encodeURIComponent(procedure?.title ?? '')}`)).series;
  expect(found.procedures[0]).toMatchObject({ release: { number: 1 }, changedSinceRelease: false });
});
