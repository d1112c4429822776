import { openWorkshop, testPackage, type Workshop, withJob, withRelease } from '../testing/workshop';

let workshop: Workshop;
beforeAll(async () => {
  workshop = await openWorkshop();
});
afterAll(() => workshop.close());

test('the readings of finished jobs are there for those who write, by wrench and person; open jobs do not count', async () => {
  const { releaseId } = await withRelease(workshop);
  const { series, procedures } = testPackage();
  const steps = procedures[0]?.steps ?? [];
  const nut = series.components.find(({ name }) => name === 'cover nut');
  let n = 0;
  const carryOut = async (jobId: string, values: readonly number[], isFinished: boolean) => {
    const contents = steps.flatMap((step): object[] => [
      ...(step.photo ? [{ kind: 'overridden', stepId: step.id, what: 'photo', reason: 'no light here' }] : []),
      ...(step.verb === 'torque'
        ? values.map((value, i) => ({
            ...{ kind: 'torque-read', stepId: step.id, positionId: null, reading: { value, unit: 'N·m' } },
            wrench: { number: 'TW-05', reading: `${jobId}-${i}` },
          }))
        : []),
      { kind: 'step-done', stepId: step.id },
    ]);
    const entries = [...contents, ...(isFinished ? [{ kind: 'finished' }] : [])].map((content) => {
      n += 1;
      return { id: `e-${n}`, at: '2026-01-05T09:00:00.000Z', content };
    });
    const { json } = await workshop.call('technician', 'POST', `/api/jobs/${jobId}/entries`, { entries });
    expect(json.refused).toEqual([]);
  };
  // Read again, the last one stays in the joint.
  await carryOut(await withJob(workshop, releaseId, 'first'), [50, 45.9], true);
  await carryOut(await withJob(workshop, releaseId, 'open'), [45], false);
  const { json } = await workshop.call('trainer', 'GET', `/api/series/${series.id}/readings/${nut?.id}`);
  expect(json.readings).toEqual([
    {
      ...{ job: expect.any(Number), at: '2026-01-05T09:00:00.000Z', by: 'Test technician', wrench: 'TW-05' },
      ...{
        offPercent: expect.closeTo(2, 6),
        tolerancePercent: steps.find(({ torque }) => torque)?.torque?.tolerancePercent,
      },
    },
  ]);
  expect((await workshop.call('technician', 'GET', `/api/series/${series.id}/readings/${nut?.id}`)).status).toBe(403);
});
