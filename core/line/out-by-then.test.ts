import { titleOf } from '../language/en/sentence';
import type { Workbook } from '../model/procedure';
import { emptyWorkbook, typed } from '../testing/workbook';
import { outByThen } from './out-by-then';
import { readLine } from './read-line';

/** What a line makes behind the last step, or what it asks. */
function told(line: string, workbook: Workbook): string[] {
  const { parsed, applied } = readLine(line, workbook, workbook.procedure.steps.length - 1);
  if (parsed.doubts.length > 0 || !applied) return parsed.doubts.map(({ kind, text }) => `${kind}: ${text}`);
  const { procedure, series } = applied.workbook;
  return applied.stepIds.map((id) => titleOf(procedure.steps.find((step) => step.id === id)!, series));
}

const behind = (...lines: string[]) => typed(lines, emptyWorkbook());
const out = (workbook: Workbook) => [...outByThen(workbook, workbook.procedure.steps.length - 1)];

test('out is what was taken out whole and not put back', () => {
  expect(out(behind('take off 4 cover nuts', 'take off cover', 'fit cover'))).toEqual(['cover nut']);
  expect(out(behind('take off 4 cover nuts', 'fit cover nuts', 'take off 2 cover nuts'))).toEqual([]);
  expect(out(behind('draw 1 rotor @each shaft'))).toEqual(['rotor']);
  expect(out(behind('draw 1 rotor @shaft 1'))).toEqual([]);
  expect(outByThen(behind('take off cover', 'fit cover'), 0).has('cover')).toBe(true);
});

test('what some answers only take out may still be in', () => {
  const workbook = behind('take off cover');
  const [step] = workbook.procedure.steps;
  const steps = [{ ...step!, when: [{ stepId: 'asked', answerIds: ['yes'] }] }];
  expect(out({ ...workbook, procedure: { ...workbook.procedure, steps } })).toEqual([]);
});

describe('a part that is out by then', () => {
  test('is not taken out again without being asked about', () => {
    const workbook = behind('take off circlip', 'take off 4 clamp bands');
    expect(told('remove the circlip', workbook)).toEqual(['out-already: circlip']);
    expect(told('remove the clamp band on the outer chamber', workbook)).toEqual(['out-already: clamp band']);
    expect(told('remove the "circlip"', workbook)).toEqual(['Take off circlip']);
  });

  test('is taken out of what came out with it', () => {
    expect(told('press the seat out of the seal plate', behind('take off seal plate', 'take off seat'))).toEqual([
      'Draw out seat',
    ]);
  });

  test('is not what a shorter name means, where something is taken out', () => {
    const workbook = behind('take off left plate');
    expect(told('unscrew the plate', workbook)).toEqual(['which-part: plate']);
    expect(told('clean the plate', workbook)).toEqual(['Clean left plate']);
  });

  test('goes in where it is pushed through something; one that is in may go either way', () => {
    expect(told('push the shaft through the center block', behind('draw shaft'))).toEqual(['Press shaft']);
    expect(told('push the shaft through the center block', behind('clean shaft'))).toEqual(['sense: push']);
  });

  test('is moved where it is lifted', () => {
    expect(told('hoist the rotor and lay it on blocks', behind('draw rotor'))).toEqual([
      'Move rotor',
      'Lay down rotor',
    ]);
    expect(told('hoist the rotor and lay it on blocks', behind('clean rotor'))[0]).toBe('Take off rotor');
  });

  test('may be taken out in the same line in which it is put back', () => {
    expect(told('fit the circlip and remove the circlip again', behind('take off circlip'))).not.toContain(
      'out-already: circlip',
    );
  });

  test('is put back where one that is in would only be pushed back', () => {
    const workbook = behind('draw retainers', 'clean plungers');
    expect(told('slide the retainers back in', workbook)).toEqual(['Fit retainers']);
    expect(told('push the plungers back into the block', workbook)).toEqual(['sense: push']);
  });
});
