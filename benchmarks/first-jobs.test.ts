import { readFirstJobs, typeJob } from './said/first-jobs';

const jobs = readFirstJobs();

test('there are jobs enough', () => {
  expect(jobs.length).toBeGreaterThanOrEqual(30);
  expect(jobs.flatMap(({ lines }) => lines).length).toBeGreaterThanOrEqual(800);
});

test.each(jobs)('typed into an empty series, each line is understood or asks: $title', (job) => {
  const { wrong, parts, right } = typeJob(job);
  expect(wrong).toEqual([]);
  expect(parts).toBe(job.parts);
  expect(right).toBeGreaterThan(0);
});
