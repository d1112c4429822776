import { typed } from '../testing/workbook';
import { changeComponent, changeStep, deleteStep, duplicateStep, moveStep } from './edit';
import { benchMinutes } from './procedure';

const { procedure, series } = typed(['take off cover', 'draw rotor @each shaft', 'fit rotor', 'fit cover']);
const order = (p: typeof procedure) => p.steps.map((step) => step.id);
const [a = '', b = '', c = '', d = ''] = order(procedure);

test('a step can be moved either way and takes on the stage it is dropped in', () => {
  expect(order(moveStep(procedure, d, 1))).toEqual([a, d, b, c]);
  expect(order(moveStep(procedure, a, 99))).toEqual([b, c, d, a]);
  expect(moveStep(procedure, a, 3, 'prove').steps[3]).toMatchObject({ id: a, stage: 'prove' });
  expect(moveStep(procedure, 'nobody', 0)).toBe(procedure);
});

test('a copy stands right behind its original', () => {
  expect(order(duplicateStep(procedure, b, 'copy'))).toEqual([a, b, 'copy', c, d]);
});

test('what is emptied is left out of the document; untouched steps keep their identity', () => {
  const said = changeStep(procedure, a, { why: 'It hides the rotors', minutes: 3 });
  expect(said.steps[1]).toBe(procedure.steps[1]);
  expect(benchMinutes(said)).toEqual({ minutes: 3, unsaid: 3 });
  expect(changeStep(said, a, { why: '', minutes: undefined }).steps[0]).toEqual(procedure.steps[0]);
});

test('a deleted step leaves its parts in the series', () => {
  expect(order(deleteStep(procedure, b))).toEqual([a, c, d]);
  expect(changeComponent(series, series.components[0]!.id, { count: 2 }).components[0]?.count).toBe(2);
});
