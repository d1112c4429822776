import { typed, withStep } from '../testing/workbook';
import { methodIn, methodTaken, stepBy, stepIn } from './setting';

const FIELD = {
  id: 'van',
  name: 'in the hand',
  setting: 'field' as const,
  verb: 'draw' as const,
  toolIds: ['strap'],
  detail: 'Hold it in a wet rag.',
  cautions: [{ signal: 'CAUTION' as const, text: 'It slips.' }],
};
const OTHER = { id: 'other', name: 'with heat', verb: 'pry' as const, toolIds: [], cautions: [] };
const step = withStep(typed(['take off plunger /vice']), 0, {
  methods: [OTHER, FIELD],
  detail: 'Clamp it in the vice.',
  text: 'Clamp the plunger in the vice and take it off.',
}).procedure.steps[0]!;

test('in the field the method marked for it is the step; other methods stay on offer', () => {
  expect(methodIn(step, 'field')).toBe(FIELD);
  const there = stepIn(step, 'field');
  expect(there).toMatchObject({ id: step.id, verb: 'draw', toolIds: ['strap'], detail: 'Hold it in a wet rag.' });
  expect(there.cautions).toEqual(FIELD.cautions);
  expect(there.methods).toEqual([OTHER]);
  // The sentence was written for the vice.
  expect(there.text).toBeUndefined();
});

test('in the workshop, and where no method is marked, the step is as written', () => {
  expect(stepIn(step, 'workshop')).toBe(step);
});

test('what is chosen goes before what the setting says, the usual way included', () => {
  expect(methodTaken(step, 'field', undefined)).toBe(FIELD);
  expect(methodTaken(step, 'field', 'other')).toBe(OTHER);
  expect(methodTaken(step, 'field', null)).toBeUndefined();
  expect(stepBy(step, OTHER)).toMatchObject({ verb: 'pry', toolIds: [], methods: [FIELD] });
  // The method says nothing of how, so that is as in the step.
  expect(stepBy(step, OTHER).detail).toBe('Clamp it in the vice.');
  expect(stepBy(step, undefined)).toBe(step);
});
