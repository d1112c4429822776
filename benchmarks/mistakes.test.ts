import { check } from '#core/findings/check';
import { sayFinding } from '#core/language/en/findings';
import { WRITTEN_JOBS } from './jobs';
import { FILLING_MISTAKES } from './mistakes/filling-in';
import { judge, type Mistake, type Planted, readJob } from './mistakes/mistake';
import { RIGHT_WAYS } from './mistakes/right-ways';
import { TYPING_MISTAKES } from './mistakes/typing';

/** The same table as `npm run bench`, so that no change makes the checker miss more, or warn falsely, without being noticed. */
const jobs = WRITTEN_JOBS.map(readJob);
const MISTAKES = [...TYPING_MISTAKES, ...FILLING_MISTAKES];
const byKind = (list: readonly Mistake[]) => list.map((one) => [one.kind, one] as const);
const everywhere = ({ plant }: Mistake) =>
  jobs.flatMap((job) => plant(job).map((planted) => ({ before: job.workbook, planted })));
const warnings = ({ workbook }: Pick<Planted, 'workbook'>) =>
  check(workbook)
    .filter(({ severity }) => severity !== 'advise')
    .map((finding) => sayFinding(finding, workbook));

test.each(jobs.map((job) => [job.job.name, job] as const))('%s is let stand as it is', (_name, { workbook }) => {
  expect(warnings({ workbook })).toEqual([]);
  expect(check(workbook).length).toBeLessThanOrEqual(1);
});

test('there is a whole job of every family, and mistakes of many kinds', () => {
  expect(jobs.length).toBeGreaterThanOrEqual(10);
  for (const { job } of jobs) expect(job.lines.length).toBeGreaterThanOrEqual(25);
  expect(MISTAKES.length).toBeGreaterThan(100);
});

test.each(byKind(MISTAKES))('%s: found at the right part or step', (_kind, mistake) => {
  const planted = everywhere(mistake);
  expect(planted.length).toBeGreaterThan(0);
  const missed = planted.filter((one) => !judge(one.before, one.planted).named).map((one) => one.planted.what);
  // One of the few that there are may be what nobody can know.
  expect(missed.length).toBeLessThanOrEqual(Math.max(1, planted.length * 0.02));
});

test.each(byKind(RIGHT_WAYS))('%s is as right as before', (_kind, rightWay) => {
  const written = everywhere(rightWay);
  expect(written.length).toBeGreaterThan(0);
  expect(written.flatMap((one) => warnings(one.planted))).toEqual([]);
});
