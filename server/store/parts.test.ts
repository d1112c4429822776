import { withComponent, withStep } from '#core/testing/workbook';
import { openWorkshop, releaseAsItIs, testPackage, type Workshop, withJob } from '../testing/workshop';

let workshop: Workshop;
beforeAll(async () => {
  workshop = await openWorkshop();
});
afterAll(() => workshop.close());

test('what open jobs have to renew and no kit holds is listed for the office, until the job is finished or it is sound', async () => {
  const sent = testPackage();
  const [procedure] = sent.procedures;
  if (!procedure) throw new Error('no procedure');
  const looks = [
    {
      ...{ id: 'threads', at: 'the threads', sound: 'clean' },
      faults: [{ id: 'pulled', sign: 'a thread pulled', follows: 'renew' as const }],
    },
  ];
  const looked = withStep({ series: sent.series, procedure }, 1, { looks });
  const workbook = withComponent(looked, 'cover nut', { partNumber: 'CN-8' });
  await workshop.call('trainer', 'POST', '/api/packages', {
    package: { ...sent, series: workbook.series, procedures: [workbook.procedure] },
    when: 'new',
  });
  const release = await releaseAsItIs(workshop, workbook.procedure.id);
  const jobId = await withJob(workshop, String(release.json.id), 'needs-parts');
  const stepIds = workbook.procedure.steps.map(({ id }) => id);
  let n = 0;
  const enter = async (...contents: object[]) => {
    const entries = contents.map((content) => {
      n += 1;
      return { id: `part-${n}`, at: '2026-01-05T08:30:00.000Z', content };
    });
    const { json } = await workshop.call('technician', 'POST', `/api/jobs/${jobId}/entries`, { entries });
    expect(json.refused).toEqual([]);
  };
  const parts = async () => (await workshop.call('lead', 'GET', '/api/parts')).json.parts;
  expect(await parts()).toEqual([]);
  const look = (faultId: string | null) => ({
    ...{ kind: 'looked', stepId: stepIds[1], lookId: 'threads', positionId: null, faultId },
  });
  await enter({ kind: 'step-done', stepId: stepIds[0], confirmed: true }, look('pulled'));
  expect(await parts()).toMatchObject([
    {
      ...{ job: { id: jobId, workOrder: 'WO-1' }, pumpSerial: 'S-1', partNumber: 'CN-8', count: 1 },
      ...{ why: 'the threads, a thread pulled', step: { number: 6 } },
    },
  ]);
  await enter(look(null));
  expect(await parts()).toEqual([]);
});
