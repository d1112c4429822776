import { lyingFree, stateAfter } from '#core/bench/state';
import { branching } from '#core/testing/findings';
import { typed, withStep } from '#core/testing/workbook';
import { computed, timelineTo } from './timeline';
import { timelineOn } from './ways';

const workbook = branching(['mark ball', 'draw seat', 'fit seat'], [1, 2]);
const [ask] = workbook.procedure.steps;
const out = (timeline: ReturnType<typeof timelineTo>, count: number) =>
  lyingFree(timeline, stateAfter(timeline, count)).length;

test('a step on the main way shows the main timeline, one on another way that way', () => {
  expect(timelineTo(workbook, 0)).toBe(computed(workbook).timeline);
  const other = timelineTo(workbook, 1);
  expect(other).not.toBe(computed(workbook).timeline);
  expect(out(other, 2)).toBe(1);
  expect(out(computed(workbook).timeline, 2)).toBe(0);
});

test('the timeline of a way is computed once for each version of the workbook', () => {
  const answers = new Map([[ask!.id, 'no']]);
  expect(timelineOn(workbook, answers)).toBe(timelineOn(workbook, new Map(answers)));
  const edited = withStep(workbook, 0, { why: 'It may stick' });
  expect(timelineOn(edited, answers)).not.toBe(timelineOn(workbook, answers));
});

test('without answers it is the main way', () => {
  const plain = typed(['take off cover', 'fit cover']);
  expect(timelineOn(plain, new Map())).toBe(computed(plain).timeline);
});

test('an edit goes on from what was computed last', () => {
  const long = typed(Array.from({ length: 130 }, (_, i) => `take off part ${String.fromCharCode(97 + (i % 26))}x${i}`));
  const before = computed(long).timeline;
  const after = computed(withStep(long, 129, { why: 'the last' })).timeline;
  expect(after.frames[0]).toBe(before.frames[0]);
  expect(after.structure).toBe(before.structure);
});
