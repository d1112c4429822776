import { check } from '#core/findings/check';
import { sayFinding } from '#core/language/en/findings';
import { TYPED_JOBS, workbookOf } from './typed-jobs';

test.each(TYPED_JOBS.map((job) => [job.name, job] as const))('%s: what is right is let stand', (_name, job) => {
  const workbook = workbookOf(job, job.lines);
  expect(workbook.procedure.steps.length).toBeGreaterThanOrEqual(job.lines.length);
  const falsely = check(workbook).filter(({ severity }) => severity !== 'advise');
  expect(falsely.map((finding) => sayFinding(finding, workbook))).toEqual([]);
});

/** Lines that a job may lack without harm at the bench: marks, looks and tests that nothing else says are wanted. */
const NOT_MISSED = /^(mark|inspect|check|test|run|turn|drain|clean|wash|flush|lubricate|loosen|drain)\b/;

test('a line that is left out is noticed, by a stop or a warning', () => {
  const missed: string[] = [];
  let planted = 0;
  for (const job of TYPED_JOBS) {
    for (const [i, line] of job.lines.entries()) {
      if (NOT_MISSED.test(line)) continue;
      planted += 1;
      const faulty = workbookOf(job, job.lines.toSpliced(i, 1));
      if (check(faulty).every(({ severity }) => severity === 'advise')) missed.push(`${job.name}: ${line}`);
    }
  }
  expect(planted).toBeGreaterThan(100);
  expect(missed.length / planted).toBeLessThan(0.04);
});
