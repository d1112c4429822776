import { replay, type Timeline } from '#core/bench/replay';
import { changeStep } from '#core/edits/steps';
import { check } from '#core/findings/check';
import { foldOf } from '#core/fold/fold';
import type { Step, Workbook } from '#core/model/procedure';
import { Series } from '#core/model/series';
import { longProcedure } from './clean-procedures';

/**
 * How long an edit takes to be reflected (replay, findings and fold), for procedures of growing size. Times depend on
 * the machine; what is compared are the ratios of one run. `npm run bench` prints them.
 */
const ROUNDS = 40;

function reflect(workbook: Workbook, previous?: Timeline): Timeline {
  const timeline = replay(workbook, previous);
  check(workbook, timeline);
  foldOf(timeline);
  return timeline;
}

function measure(work: () => void): { median: number; p95: number } {
  for (let i = 0; i < 30; i += 1) work();
  const times = Array.from({ length: ROUNDS }, () => {
    const started = performance.now();
    work();
    return performance.now() - started;
  }).sort((a, b) => a - b);
  return { median: times[ROUNDS >> 1] ?? 0, p95: times[Math.floor(ROUNDS * 0.95)] ?? 0 };
}

// The base of the ratios is timed warm.
measure(() => reflect(longProcedure(500, 200)));
let base: number | undefined;
console.log('steps  units   full ms (p95)     edit at n/2 ms (p95)   edit/full   full per step, against 50 steps');
for (const [steps, units] of [
  [50, 20],
  [500, 20],
  [500, 200],
  [500, 600],
  [2000, 20],
  [2000, 600],
] as const) {
  const workbook = longProcedure(steps, units);
  const timeline = reflect(workbook);
  const middle = workbook.procedure.steps[steps >> 1]?.id ?? '';
  let n = 0;
  const full = measure(() => reflect(workbook));
  const edit = measure(() => {
    n += 1;
    reflect({ ...workbook, procedure: changeStep(workbook.procedure, middle, { why: `edit ${n}` }) }, timeline);
  });
  const perStep = full.median / steps;
  base ??= perStep;
  const cell = (value: number) => value.toFixed(2).padStart(7);
  console.log(
    `${String(steps).padStart(5)}  ${String(timeline.units.size).padStart(5)}  ${cell(full.median)} (${cell(full.p95)})   ${cell(edit.median)} (${cell(edit.p95)})        ${(edit.median / full.median).toFixed(2)}        ${(perStep / base).toFixed(2)}`,
  );
}

/** Decisions each of which leads to a seat drawn and fitted again on one answer. */
function decisions(count: number): Workbook {
  const { series } = longProcedure(count * 4, count * 2);
  const steps = Array.from({ length: count }, (_, i): Step[] => {
    const step = (id: string, verb: Step['verb'], component: number): Step => ({
      id: `${id}${i}`,
      stage: 'take-down',
      verb,
      targets: [{ componentId: `c${component % series.components.length}` }],
      positionIds: [],
      toolIds: [],
      applications: [],
      cautions: [],
    });
    const answers = [
      { id: 'yes', text: 'yes' },
      { id: 'no', text: 'no' },
    ];
    const when = [{ stepId: `ball${i}`, answerIds: ['no'] }];
    return [
      { ...step('ball', 'take-off', 2 * i), decision: { question: 'Did it come out?', answers } },
      { ...step('seat', 'draw', 2 * i + 1), when },
      { ...step('seatBack', 'fit', 2 * i + 1), when },
      step('ballBack', 'fit', 2 * i),
    ];
  }).flat();
  return { series, procedure: { id: 'p', seriesId: 's', title: 'Decisions', steps } };
}

console.log('decisions   merged ms   every way by itself ms   ways   merged/naive');
for (const count of [2, 6, 10]) {
  const workbook = decisions(count);
  const ways = 2 ** count;
  const merged = measure(() => replay(workbook)).median;
  const started = performance.now();
  for (let way = 0; way < ways; way += 1) {
    const route = new Map(Array.from({ length: count }, (_, i) => [`ball${i}`, way & (1 << i) ? 'no' : 'yes']));
    replay(workbook, undefined, route);
  }
  const naive = performance.now() - started;
  console.log(
    `${String(count).padStart(9)}   ${merged.toFixed(2).padStart(9)}   ${naive.toFixed(1).padStart(22)}   ${String(ways).padStart(4)}   ${(merged / naive).toFixed(4)}`,
  );
}

/** Questions whose answers are left open: what one answer takes off stays off to the end. */
function leftOpen(count: number): Workbook {
  const workbook = decisions(count);
  const steps = workbook.procedure.steps.filter(({ id }) => !id.startsWith('seatBack'));
  return { ...workbook, procedure: { ...workbook.procedure, steps } };
}

/** At each of many places three answers, each of which goes on otherwise. */
function atPlaces(count: number): Workbook {
  const positions = Array.from({ length: count }, (_, i) => ({ id: `v${i}`, name: `valve ${i + 1}` }));
  const part = (id: string) => ({ id, name: id, kind: 'other', count: 4, positionSetId: 'valves' });
  const series = Series.parse({
    id: 's',
    name: 'Bench',
    code: 'B',
    pumpType: 'other',
    positionSets: [{ id: 'valves', name: 'valve', positions }],
    components: [part('cage'), part('seat'), part('ball')],
  });
  const step = (id: string, verb: Step['verb'], componentId: string, answerIds?: string[]): Step => ({
    id,
    stage: 'take-down',
    verb,
    targets: [{ componentId }],
    positionIds: [],
    toolIds: [],
    applications: [],
    cautions: [],
    ...(answerIds && { when: [{ stepId: 'ask', answerIds }] }),
  });
  const answers = ['whole', 'stayed', 'worn'].map((id) => ({ id, text: id }));
  const steps: Step[] = [
    { ...step('ask', 'take-off', 'cage'), decision: { question: 'What came?', answers, eachOf: 'valves' } },
    step('ball', 'take-off', 'ball', ['stayed']),
    step('seat', 'draw', 'seat', ['stayed', 'worn']),
    step('new', 'renew', 'seat', ['worn']),
    step('seatBack', 'fit', 'seat'),
    step('ballBack', 'fit', 'ball'),
    step('cageBack', 'fit', 'cage'),
  ];
  return { series, procedure: { id: 'p', seriesId: 's', title: 'Places', steps } };
}

console.log('left open                        replay, findings and fold ms (p95)   ways   against the row above');
let above: number | undefined;
for (const [what, workbook, ways] of [
  ['two questions', leftOpen(2), 2 ** 2],
  ['six questions', leftOpen(6), 2 ** 6],
  ['two places with three answers', atPlaces(2), 3 ** 2],
  ['six places with three answers', atPlaces(6), 3 ** 6],
  ['twelve places with three answers', atPlaces(12), 3 ** 12],
] as const) {
  const { median, p95 } = measure(() => reflect(workbook));
  console.log(
    `${what.padEnd(32)} ${median.toFixed(2).padStart(8)} (${p95.toFixed(2).padStart(7)})                  ${String(ways).padStart(8)}   ${above ? (median / above).toFixed(2) : ''}`,
  );
  above = median;
}
