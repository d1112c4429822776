import { typed } from '../testing/workbook';
import { check, releaseStops } from './check';

const said = (lines: string[]) => releaseStops(typed(lines)).map((finding) => finding.sentence);

test('an empty procedure cannot be released', () => {
  expect(releaseStops(typed([]))).toMatchObject([{ id: 'empty', severity: 'stop' }]);
});

test('a part left over is named, with the step that took it off', () => {
  expect(said(['take off cover', 'draw rotor @each shaft', 'fit cover'])).toEqual([
    'The rotors stay on the cloth: step 2 takes them off and nothing puts them back.',
  ]);
});

test('one shaft forgotten is named by its position', () => {
  expect(said(['draw rotor @each shaft', 'fit rotor @shaft 1'])).toEqual([
    'The rotor of shaft 2 stays on the cloth: step 1 takes it off and nothing puts it back.',
  ]);
});

test('two of eight nuts left are counted', () => {
  expect(said(['take off 8 cover nuts', 'fit 6 cover nuts'])).toEqual([
    'The two cover nuts stay on the cloth: step 1 takes them off and nothing puts them back.',
  ]);
});

test('a renewed part that never goes in leaves the pump without one', () => {
  expect(releaseStops(typed(['take off gasket', 'renew gasket']))).toMatchObject([
    { id: 'left-in-tray', sentence: 'New gasket stays in the kit tray: nothing fits it.' },
  ]);
});

test('a whole teardown and rebuild has no stop', () => {
  expect(said(['take off cover', 'draw rotor @each shaft', 'renew rotor', 'fit rotor', 'fit cover'])).toEqual([]);
});

test('a part not there and a torque without a figure are warned of, with the step', () => {
  const workbook = typed(['take off cover', 'take off cover', 'fit cover', 'torque 8 cover nuts']);
  expect(check(workbook).map((finding) => [finding.id, finding.severity, finding.stepId])).toEqual([
    ['not-there', 'warn', workbook.procedure.steps[1]?.id],
    ['no-figure', 'warn', workbook.procedure.steps[3]?.id],
  ]);
});
