import { applyLine } from '#core/line/apply-line';
import { parseLine } from '#core/line/parse-line';
import { pluralName } from '#core/model/names';
import { type Verb, verbOf } from '#core/model/verbs';
import { readCorpus } from '../corpus';
import { typedWorkbook } from '../read-step';
import { Chance } from './chance';
import { isOne, type Part, sortOf } from './parts-named';

/*
 * What trainers say while they work that orders nothing, or not enough to be done: whatever comes of it, nothing may be
 * taken off, put back or renewed without a question. {o} is a part, {p} another one, {f} fasteners, {m} more fasteners
 * than there are.
 */
export const NO_ORDERS: Readonly<Record<string, readonly string[]>> = {
  'a figure without a unit': [
    'torque {f} to 24',
    'tighten {f} to 40',
    'do {f} up to 18',
    'torque {f}, 24, crosswise',
    'tighten {f} at 12.5 with a torque wrench',
    'set {f} to 60',
    'torque {f} to 24 pounds',
    'tighten {f} to 100 in a cross pattern',
  ],
  'more than there are': [
    'remove {m}',
    'take off all {m}',
    'loosen {m}',
    'put {m} back',
    'torque all {m} to 24 N·m',
    'undo {m} evenly',
    '{m} off',
  ],
  'what shall not be done': [
    "don't remove {o}",
    'do not take {o} off yet',
    'never pry {o} out',
    'leave {o} in place',
    'you must not remove {o}',
    'there is no need to remove {o}',
    "you don't have to remove {o}",
    '{o} stays in',
    '{o} must not be removed',
    "{o} doesn't come off",
    "we won't be removing {o}",
    "I wouldn't take {o} off",
    'avoid removing {o}',
    '{o} does not need to be removed',
    'keep {o} on',
    "{o} can't be removed",
    'please do not remove {o}',
    'instead of removing {o}',
    'try not to pull {o}',
    'nobody removes {o}',
    'make sure {o} is not removed',
    "{o} needn't be removed",
    'forget about removing {o}',
    'skip {o}',
  ],
  'how it is': [
    '{o} is held by four bolts',
    'you can see {o} now',
    '{o} is under tension',
    'this is {o}',
    '{o} was removed last year',
    'somebody already took {o} off',
    'I removed {o} yesterday for the video',
    'behind {p} you find {o}',
    '{o} comes in two sizes',
    'remember how {o} was fitted',
    'removing {o} takes a bit of force',
    'taking {o} off is easy',
    '{o} holds {p} in place',
    'the customer had removed {o}',
    'most people forget {o}',
    'that is why {o} fails',
    '{p} keeps {o} in place',
    'when removing {o}',
    'once you have removed {o}',
    'now that {o} is off',
    'it is easier with {o} off',
    'with {o} removed',
    'we will remove {o} later',
    'you need a puller to remove {o}',
    'it takes two people to lift {o}',
    'there, {o} is out',
    'good, {o} is back in',
    'you should see {o} come loose',
    'the oil comes out when you remove {o}',
    'the manual says to remove {o}',
    'so much for {o}',
    'no wait, {o} first',
  ],
  questions: [
    'did you remove {o}?',
    'is {o} off?',
    'how do we get {o} out?',
    'should {o} be replaced?',
    'have you checked {o}?',
    'where does {o} go?',
  ],
  'upon a condition': [
    'if {o} is worn, replace it',
    'replace {o} only if worn',
    'if you have to, take {o} off',
    'should {o} be damaged, replace it',
    'when {o} is scored, renew it',
    'you may have to remove {o}',
    'on some pumps you have to remove {o}',
    'some people remove {o} first',
    'you could also take {o} off',
    'either remove {o} or {p}',
    '{o} may come off with {p}',
    'remove {o} or {p}',
    '{o} or {p} comes off',
    'maybe remove {o}',
    'I am not sure if {o} comes off',
    'unless {o} is new, replace it',
  ],
  'what says too little': [
    'see page 12 for {o}',
    '{o} as shown in figure 3',
    'same for {o}',
    'repeat for {o}',
    'now {o}',
    'then there is {o}',
    'frobnicate {o} with a rag',
    'deal with {o}',
    '{o}, easy',
    'reverse the steps for {o}',
    'do {o}',
  ],
};

export interface NoOrder {
  readonly kind: string;
  readonly line: string;
  /** What was done all the same. */
  readonly done: readonly Verb[];
}

/** So many lines that order nothing, each with the steps that were made of it, the same ones for the same seed. */
export function readNoOrders(count: number, seed: number): NoOrder[] {
  const all = [...new Set(readCorpus().map((said) => said.series))];
  const chance = new Chance(seed);
  return Array.from({ length: count }, () => {
    const series = chance.pick(all);
    const [kind, said] = chance.pick(Object.entries(NO_ORDERS));
    const parts = series.components.filter(
      (part) => isOne(part) && /^(?:cover|rotor|bearing)$/.test(sortOf(part) ?? ''),
    );
    const fasteners = series.components.filter(
      (part) => sortOf(part) === 'fastener' && part.count > 1 && part.positionSetId === undefined,
    );
    const [one, other, several] = [chance.pick(parts), chance.pick(parts), chance.pick(fasteners)];
    if (!one || !several || one === other) return undefined;
    const line = filled(chance.pick(said), one, other, several);
    return { kind, line, done: doneUpon(line, series) };
  }).flatMap((read) => read ?? []);
}

function filled(said: string, one: Part, other: Part | undefined, several: Part): string {
  return said
    .replace('{o}', `the ${one.name}`)
    .replace('{p}', `the ${other?.name}`)
    .replace('{f}', `the ${pluralName(several.name)}`)
    .replace('{m}', `the ${several.count + 2} ${pluralName(several.name)}`);
}

function doneUpon(line: string, series: Parameters<typeof parseLine>[1]): Verb[] {
  const parsed = parseLine(line, series);
  if (parsed.faults.length > 0 || parsed.doubts.length > 0) return [];
  const { workbook, after } = typedWorkbook(series);
  let n = 0;
  const applied = applyLine(workbook, parsed, after, () => `new-${++n}`);
  const made = applied?.workbook.procedure.steps.filter(({ id }) => applied.stepIds.includes(id)) ?? [];
  return made.flatMap(({ verb }) => (verbOf(verb).effect !== 'stays' || CHANGES.includes(verb) ? [verb] : []));
}

/** What leaves a part where it is, and changes it. */
const CHANGES: readonly Verb[] = ['torque', 'loosen', 'adjust', 'heat', 'discard', 'cut', 'bend', 'press'];
