import fc from 'fast-check';
import { typed } from '../testing/workbook';

import { mergeThree, sameJson } from './merge';
import { changeStep, deleteStep, insertStep, moveStep } from './steps';

const base = typed(['take off cover', 'draw rotor @each shaft', 'fit rotor', 'fit cover']).procedure;
const [a = '', b = '', c = '', d = ''] = base.steps.map((step) => step.id);

test('edits of different steps both survive', () => {
  const mine = changeStep(base, a, { why: 'mine' });
  const theirs = changeStep(base, d, { why: 'theirs' });
  const { merged, conflicts } = mergeThree(base, mine, theirs);
  expect(conflicts).toEqual([]);
  expect(merged.steps.map((step) => step.why)).toEqual(['mine', undefined, undefined, 'theirs']);
});

test('edits of different fields of one step both survive', () => {
  const { merged, conflicts } = mergeThree(
    base,
    changeStep(base, a, { why: 'x' }),
    changeStep(base, a, { minutes: 4 }),
  );
  expect(conflicts).toEqual([]);
  expect(merged.steps[0]).toMatchObject({ why: 'x', minutes: 4 });
});

test('the same field changed twice is a conflict, and mine is shown', () => {
  const { merged, conflicts } = mergeThree(
    base,
    changeStep(base, a, { why: 'mine' }),
    changeStep(base, a, { why: 'theirs' }),
  );
  expect(conflicts).toEqual([`steps[${a}].why`]);
  expect(merged.steps[0]?.why).toBe('mine');
});

test('a step deleted here and changed there is kept and reported', () => {
  const { merged, conflicts } = mergeThree(base, deleteStep(base, b), changeStep(base, b, { minutes: 9 }));
  expect(conflicts).toEqual([`steps[${b}]`]);
  expect(merged.steps.map((step) => step.id)).toContain(b);
});

test('a step deleted here and untouched there is gone', () => {
  expect(mergeThree(base, deleteStep(base, b), changeStep(base, a, { minutes: 1 })).merged.steps).toHaveLength(3);
});

test('a move here and a new step there both hold', () => {
  const { merged, conflicts } = mergeThree(
    base,
    moveStep(base, d, 0),
    insertStep(base, 2, { ...base.steps[1]!, id: 'copy' }),
  );
  expect(conflicts).toEqual([]);
  expect(merged.steps.map((step) => step.id)).toEqual([d, a, b, 'copy', c]);
});

test('different orders on both sides are a conflict', () => {
  expect(mergeThree(base, moveStep(base, d, 0), moveStep(base, a, 3)).conflicts).toEqual(['steps (order)']);
});

test('a side that changed nothing changes nothing', () => {
  const index = fc.nat(3);
  fc.assert(
    fc.property(index, index, fc.string({ maxLength: 5 }), (from, to, why) => {
      const id = base.steps[from]!.id;
      const edited = changeStep(moveStep(base, id, to), id, { why });
      expect(sameJson(mergeThree(base, edited, base).merged, edited)).toBe(true);
      expect(sameJson(mergeThree(base, base, edited).merged, edited)).toBe(true);
    }),
  );
});
