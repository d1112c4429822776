import type { Decision, Step, Workbook } from '../model/procedure';
import { componentId, typed, withStep } from '../testing/workbook';
import { lyingFree, replay, routeTo } from './replay';

const yesNo: Decision = {
  question: 'Did it come out?',
  answers: [
    { id: 'yes', text: 'yes' },
    { id: 'no', text: 'no' },
  ],
};

/** Steps from lines, with decisions asked and answers wanted at the places named. */
function branching(lines: string[], asks: number[], wants: Record<number, [number, string]>): Workbook {
  const base = typed(lines);
  const id = (n: number) => base.procedure.steps[n]!.id;
  const asked = asks.reduce((w, n) => withStep(w, n, { decision: yesNo }), base);
  return Object.entries(wants).reduce(
    (w, [n, [asker, answer]]) => withStep(w, Number(n), { when: [{ stepId: id(asker), answerIds: [answer] }] }),
    asked,
  );
}
const ways = (workbook: Workbook) => replay(workbook).frames.map((frame) => frame.runs.length);

test('each answer is a way of its own until the ways agree again', () => {
  const workbook = branching(['take off ball', 'draw seat', 'fit seat', 'fit ball'], [0], {
    1: [0, 'no'],
    2: [0, 'no'],
  });
  const timeline = replay(workbook);
  expect(ways(workbook)).toEqual([1, 1, 1, 1]);
  expect(timeline.frames.map((frame) => frame.onMain)).toEqual([true, false, false, true]);
  expect(timeline.ends).toHaveLength(1);
  expect(lyingFree(timeline, timeline.end)).toEqual([]);
});

test('ways that end differently are kept apart and named by the answer', () => {
  const workbook = branching(['take off ball', 'draw seat', 'fit ball'], [0], { 1: [0, 'no'] });
  const { ends } = replay(workbook);
  expect(ends.map(({ route }) => [...route.values()])).toEqual([['yes'], ['no']]);
});

test('a seat renewed on one way and kept on the other is the same seat once it is fitted', () => {
  const lines = ['take off seat', 'inspect seat', 'renew seat', 'clean ball', 'fit seat', 'inspect ball'];
  const workbook = branching(lines, [1], { 2: [1, 'no'] });
  expect(ways(workbook)).toEqual([1, 1, 1, 2, 2, 1]);
  expect(replay(workbook).ends).toHaveLength(1);
});

test('only the way with the chosen answers is followed when a route is given', () => {
  const workbook = branching(['take off ball', 'draw seat', 'fit ball'], [0], { 1: [0, 'no'] });
  const step = workbook.procedure.steps[1]!;
  const timeline = replay(workbook, undefined, routeTo(workbook.procedure.steps, step));
  expect(timeline.ends).toHaveLength(1);
  expect(lyingFree(timeline, timeline.end).map((unit) => unit.componentId)).toEqual([componentId(workbook, 'seat')]);
});

test('k decisions that come together do not cost 2^k', () => {
  const lines: string[] = [];
  const asks: number[] = [];
  const wants: Record<number, [number, string]> = {};
  for (let k = 0; k < 10; k += 1) {
    const at = lines.length;
    lines.push(
      `take off ball ${'abcdefghij'[k]}`,
      `draw seat ${'abcdefghij'[k]}`,
      `fit seat ${'abcdefghij'[k]}`,
      `fit ball ${'abcdefghij'[k]}`,
    );
    asks.push(at);
    wants[at + 1] = [at, 'no'];
    wants[at + 2] = [at, 'no'];
  }
  const timeline = replay(branching(lines, asks, wants));
  expect(Math.max(...timeline.frames.map((frame) => frame.runs.length))).toBe(1);
  expect(timeline.ends).toHaveLength(1);
  expect(timeline.tooManyPaths).toBe(false);
});

test('an edit behind a decision is replayed on every way as a fresh replay would', () => {
  const lines = [
    'take off ball',
    'draw seat',
    ...Array.from({ length: 80 }, () => 'inspect ball'),
    'fit seat',
    'fit ball',
  ];
  const workbook = branching(lines, [0], { 1: [0, 'no'], 82: [0, 'no'] });
  const before = replay(workbook);
  const edited = withStep(workbook, 83, { verb: 'inspect' as Step['verb'] });
  const again = replay(edited, before);
  const fresh = replay(edited);
  expect(again.frames.map(({ runs }) => runs)).toEqual(fresh.frames.map(({ runs }) => runs));
  expect(again.ends.map(({ state }) => [...state.places])).toEqual(fresh.ends.map(({ state }) => [...state.places]));
  expect(again.frames.slice(0, 64).every((frame, i) => frame === before.frames[i])).toBe(true);
});
