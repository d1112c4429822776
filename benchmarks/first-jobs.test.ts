import { readFirstJobs, readSheets, typeJob } from './said/first-jobs';

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

test.each(readSheets())('lines of one kind are understood or ask: $title', (sheet) => {
  const { wrong, right } = typeJob(sheet);
  expect(wrong).toEqual([]);
  expect(right).toBeGreaterThan(5);
});
