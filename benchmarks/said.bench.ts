import { newComponent } from '#core/edits/steps';
import { readLine } from '#core/line/read-line';
import type { Workbook } from '#core/model/procedure';
import { Series } from '#core/model/series';
import { composedLines } from './said/composed/compose';
import { type Judged, judgeComposed } from './said/composed/judge';
import { readNoOrders } from './said/composed/no-orders';
import { judgeLine, readCorpus, type SaidLine } from './said/corpus';
import { readFirstJobs, typeJob } from './said/first-jobs';
import { toldOtherwise } from './said/told-otherwise';

/** Kept in the words of the line; a step that differs in nothing else does the right thing to the right part. */
const SAID_ALONG = /^(?:how|why|into|about) /;

/** How lines are understood that trainers say: those the grammar was worked on with, and those kept apart. */
function report(name: string, lines: readonly SaidLine[]): void {
  const outcomes = lines.map(judgeLine);
  const share = (count: number) => `${((100 * count) / lines.length).toFixed(1)} %`;
  const whole = outcomes.filter((one) => one.is === 'whole').length;
  const rightly = outcomes.filter((one) => one.is === 'asked' && one.rightly).length;
  const asked = outcomes.filter((one) => one.is === 'asked' && !one.rightly).length;
  const wrong = outcomes.filter((one) => one.is === 'wrong');
  const inWords = wrong.filter(({ how }) => how.every((difference) => SAID_ALONG.test(difference)));
  console.log(`${name}: ${lines.length} lines`);
  console.log(
    `  wholly right ${share(whole)}, rightly asked ${share(rightly)}, asked ${share(asked)}, otherwise ${share(wrong.length)}`,
  );
  console.log(`  of these ${share(inWords.length)} differ only in words that are said along, such as how`);
}

const corpus = readCorpus();
report(
  'Lines as trainers say them, worked on',
  corpus.filter(({ apart }) => !apart),
);
report(
  'Lines as trainers say them, kept apart',
  corpus.filter(({ apart }) => apart),
);

const { same, asked, otherwise } = toldOtherwise(corpus);
const ofAll = (count: number) => `${((100 * count) / (same + asked + otherwise)).toFixed(1)} %`;
console.log(
  `The same told in other words, ${same + asked + otherwise} lines: the same ${ofAll(same)}, asked ${ofAll(asked)}, otherwise ${ofAll(otherwise)}`,
);

function reportComposed(name: string, isKnown: boolean): void {
  const judged = composedLines(3000, 2026).map((composed) => judgeComposed(composed, isKnown));
  const ofAll = (is: Judged['is']) =>
    `${((100 * judged.filter((one) => one.is === is).length) / judged.length).toFixed(1)} %`;
  console.log(
    `${name}, ${judged.length}: right ${ofAll('whole')}, asked ${ofAll('asked')}, otherwise ${ofAll('wrong')}`,
  );
}
reportComposed('Lines put together from orders and what is told along', true);
reportComposed('The same where the series knows none of the parts and tools', false);

const noOrders = readNoOrders(3000, 2026);
const done = noOrders.filter((one) => one.done.length > 0).length;
console.log(
  `Lines that order nothing or say too little, ${noOrders.length}: done all the same ${((100 * done) / noOrders.length).toFixed(1)} %`,
);

/** Whole jobs typed into a series that knows nothing. */
function reportFirstJobs(): void {
  const typed = readFirstJobs().map(typeJob);
  const sum = (count: (job: (typeof typed)[number]) => number) => typed.reduce((all, job) => all + count(job), 0);
  const [right, asked, wrong] = [sum((job) => job.right), sum((job) => job.asked), sum((job) => job.wrong.length)];
  const ofAll = (count: number) => `${((100 * count) / (right + asked + wrong)).toFixed(1)} %`;
  console.log(
    `Jobs typed into an empty series, ${typed.length} with ${right + asked + wrong} lines: right ${ofAll(right)}, asked ${ofAll(asked)}, otherwise ${ofAll(wrong)}`,
  );
}
reportFirstJobs();

/** How long a keystroke takes in a series of 2,000 parts: each beginning of a line is read once. */
function keystrokes(): void {
  const WORDS = ['cover', 'valve', 'seal', 'pump', 'rod', 'ring', 'plate'];
  const components = Array.from({ length: 2000 }, (_, i) =>
    newComponent(`part-${i}`, `${WORDS[i % 7]} ${WORDS[(i + 1) % 7]} ${String.fromCharCode(97 + (i % 26))}${i}`),
  );
  const empty = Series.parse({ id: 'series', name: 'Large', code: 'L-1', pumpType: 'other', positionSets: [] });
  const workbook: Workbook = {
    series: { ...empty, components },
    procedure: { id: 'procedure', seriesId: 'series', title: 'Large', steps: [] },
  };
  const line =
    'undo the eight cover valve a0 with a 17 mm socket and lift the whole stator off, be careful not to scratch it';
  readLine(line, workbook, -1);
  const times = Array.from({ length: line.length }, (_, i) => {
    const started = performance.now();
    readLine(line.slice(0, i + 1), workbook, -1);
    return performance.now() - started;
  }).sort((a, b) => a - b);
  const at = (share: number) => (times[Math.floor((times.length - 1) * share)] ?? 0).toFixed(1);
  console.log(`A keystroke in a series of 2,000 parts: median ${at(0.5)} ms, p95 ${at(0.95)} ms of a frame of 16 ms`);
}

keystrokes();
