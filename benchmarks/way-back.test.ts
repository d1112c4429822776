import { WRITTEN_JOBS } from './jobs';
import { workbookOf } from './jobs/written-job';
import { draftedAgain } from './way-back';

test('most of a drafted way back stands as trainers wrote it, and little is missing', () => {
  const all = WRITTEN_JOBS.map((job) => draftedAgain(workbookOf(job)));
  const drafted = all.flatMap((one) => one.drafted);
  const right = drafted.filter(({ changes }) => changes.length === 0);
  expect(drafted.length).toBeGreaterThan(150);
  expect(right.length / drafted.length).toBeGreaterThanOrEqual(0.9);
  expect(all.flatMap(({ missing }) => missing).length).toBeLessThanOrEqual(4);
  expect(drafted.flatMap(({ changes }) => changes)).not.toContain('not-wanted');
});
