import { check } from '#core/findings/check';
import { WRITTEN_JOBS } from './jobs';
import { FILLING_MISTAKES } from './mistakes/filling-in';
import { judge, readJob } from './mistakes/mistake';
import { TYPING_MISTAKES } from './mistakes/typing';

/**
 * What trainers do wrong, planted one at a time in whole jobs of every family: how much is stopped or warned at, how
 * much of it names the right part or step, and what is warned of falsely on the jobs as they are.
 */
const jobs = WRITTEN_JOBS.map(readJob);
const share = (n: number, of: number) => (of > 0 ? `${((100 * n) / of).toFixed(1)} %` : '-').padStart(8);
const byJob = jobs.map(() => ({ planted: 0, noticed: 0, named: 0 }));
console.log('mistake                                          made  noticed  named');
for (const { kind, plant } of [...TYPING_MISTAKES, ...FILLING_MISTAKES]) {
  const count = { planted: 0, noticed: 0, named: 0 };
  const missed: string[] = [];
  jobs.forEach((job, i) => {
    for (const planted of plant(job)) {
      const { noticed, named } = judge(job.workbook, planted);
      for (const counted of [count, byJob[i] ?? count]) {
        counted.planted += 1;
        if (noticed) counted.noticed += 1;
        if (named) counted.named += 1;
      }
      if (!named) missed.push(`${i + 1} ${planted.what}`);
    }
  });
  console.log(
    `${kind.padEnd(46)} ${String(count.planted).padStart(6)} ${share(count.noticed, count.planted)} ${share(count.named, count.planted)}`,
  );
  if (process.argv.includes('--missed')) for (const what of missed) console.log(`      ${what}`);
}
const all = { planted: 0, noticed: 0, named: 0 };
jobs.forEach(({ job, workbook }, i) => {
  const count = byJob[i] ?? all;
  all.planted += count.planted;
  all.noticed += count.noticed;
  all.named += count.named;
  const found = check(workbook).filter(({ accepted }) => !accepted);
  const falseWarnings = found.filter(({ severity }) => severity !== 'advise').length;
  console.log(
    `${job.name.padEnd(60)} ${String(count.planted).padStart(5)} ${share(count.noticed, count.planted)} ${share(count.named, count.planted)}   false warnings ${falseWarnings}, advice ${found.length - falseWarnings}`,
  );
});
console.log(`all ${all.planted}, noticed ${share(all.noticed, all.planted)}, named ${share(all.named, all.planted)}`);
