import { draftPutBack } from '#core/drafting/way-back';
import { typed } from '#core/testing/workbook';
import { WRITTEN_JOBS } from './jobs';
import { workbookOf } from './jobs/written-job';
import { draftedAgain, keystrokes } from './way-back';

/** How much of a way back that is drafted stands as a trainer wrote it, over the jobs of all families. */
let drafted = 0;
let right = 0;
let missing = 0;
for (const job of WRITTEN_JOBS) {
  const { drafted: steps, missing: left } = draftedAgain(workbookOf(job));
  const unchanged = steps.filter(({ changes }) => changes.length === 0).length;
  drafted += steps.length;
  right += unchanged;
  missing += left.length;
  console.log(`${job.name}: ${unchanged} of ${steps.length} drafted steps need no change, ${left.length} missing`);
}
const counts = WRITTEN_JOBS.map(keystrokes);
const sum = (of: 'keys' | 'letters') => counts.reduce((total, count) => total + count[of], 0);
console.log(
  `Keys for the whole jobs: ${((100 * sum('keys')) / sum('letters')).toFixed(0)} % of the letters of the same as plain text (${counts.map(({ keys, letters }) => ((100 * keys) / letters).toFixed(0)).join(', ')} % each)`,
);
const share = ((100 * right) / drafted).toFixed(1);
console.log(`Way back, all jobs: ${share} % of ${drafted} drafted steps need no change, ${missing} missing`);

/** How long drafting takes as a teardown grows: each row against the one before, as a ratio of one run. */
let before: number | undefined;
for (const lines of [80, 160, 320, 640]) {
  const teardown = typed(
    Array.from({ length: lines }, (_, i) => (i % 2 ? `draw part p${i}x` : `take off 4 screws s${i}x`)),
  );
  draftPutBack(teardown);
  const started = performance.now();
  draftPutBack(teardown);
  const took = performance.now() - started;
  const ratio = before === undefined ? '' : `, ${(took / before).toFixed(1)} times that of half as many`;
  console.log(`Way back of ${lines} lines: ${took.toFixed(0)} ms${ratio}`);
  before = took;
}
