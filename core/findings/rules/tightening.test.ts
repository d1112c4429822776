import { sayFinding } from '../../language/en/findings';
import { at } from '../../testing/findings';
import { typed, withComponent, withStep } from '../../testing/workbook';
import { check } from '../check';
import type { RuleId } from '../finding';

const told = (lines: readonly string[], id: RuleId) => at(typed(lines), id);
const TORQUE = 'torque 8 bolts =44 N·m /torque wrench, 10-60 N·m';

describe('two figures for one fastener', () => {
  test('a rise to the figure in rounds is no second figure', () => {
    expect(told(['torque 8 bolts =20 N·m', 'torque bolts =44 N·m'], 'second-figure')).toEqual([]);
    expect(told(['torque 8 bolts =22 N·m', 'torque bolts =36 N·m', 'torque bolts =44 N·m'], 'second-figure')).toEqual(
      [],
    );
  });
  test('a figure a little higher is one of a sister series, unless it is called a pass', () => {
    expect(told(['torque 8 bolts =44 N·m', 'torque bolts =55 N·m'], 'second-figure')).toEqual([2]);
    const called = withStep(typed(['torque 8 bolts =44 N·m', 'torque bolts =55 N·m']), 1, { detail: 'Final pass.' });
    expect(at(called, 'second-figure')).toEqual([]);
    const passes = withStep(typed(['torque 8 bolts =44 N·m', 'torque bolts =55 N·m']), 0, {
      detail: 'In three passes.',
    });
    expect(at(passes, 'second-figure')).toEqual([2]);
  });
  test('two places, or two halves of a group, end at one figure', () => {
    expect(told(['torque cap @shaft 1 =40 N·m', 'torque cap @shaft 2 =43 N·m'], 'second-figure')).toEqual([2]);
    expect(told(['torque cap @shaft 1 =40 N·m', 'torque cap @shaft 2 =40 N·m'], 'second-figure')).toEqual([]);
    const rounds = ['torque cap @shaft 1 =20 N·m', 'torque cap @shaft 1 =40 N·m'];
    expect(told([...rounds, ...rounds.map((line) => line.replace('1', '2'))], 'second-figure')).toEqual([]);
  });
});

describe('the wrench', () => {
  test('belongs to every torque in a procedure that lists its tools', () => {
    expect(told(['take off 8 bolts /socket, 17 mm', 'torque bolts =44 N·m'], 'no-wrench')).toEqual([2]);
    expect(told(['take off 8 bolts', 'torque bolts =44 N·m'], 'no-wrench')).toEqual([]);
  });
  test('reads the unit of the figure, or the figure is given in its unit as well', () => {
    const pounds = TORQUE.replace('=44 N·m', '=33 lbf·ft');
    expect(told([pounds], 'odd-unit')).toEqual([1]);
    const also = withStep(typed([pounds]), 0, ({ torque }) => ({
      torque: { ...torque, also: { value: 44.7, unit: 'N·m' } } as typeof torque,
    }));
    expect(at(also, 'odd-unit')).toEqual([]);
  });
  test('of another size on the way back is told, also of a line; a second key to hold against is not', () => {
    const down = ['disconnect tube /spanner, 25 mm'];
    expect(told([...down, 'connect tube /spanner, 25 mm', 'torque tube =70 N·m /spanner, 27 mm'], 'key-size')).toEqual([
      3,
    ]);
    expect(told([...down, 'connect tube /spanner, 25 mm /spanner, 27 mm'], 'key-size')).toEqual([]);
  });
});

describe('the calibration of a wrench', () => {
  const dated = (...days: (string | undefined)[]) => {
    const workbook = typed([TORQUE, TORQUE.replace('bolts', 'nuts')]);
    const [tool, ...others] = workbook.series.tools;
    const assets = days.map((calibratedUntil, i) => ({
      number: `TW-${i}`,
      ...(calibratedUntil !== undefined && { calibratedUntil }),
    }));
    return {
      ...workbook,
      series: { ...workbook.series, tools: [{ ...(tool as (typeof others)[0]), assets }, ...others] },
    };
  };
  const on = (workbook: ReturnType<typeof dated>, today?: string) =>
    check(workbook, undefined, today).filter(({ id }) => id === 'wrench-range');
  test('is told from the day after its last one, once for each wrench and by its latest piece', () => {
    const workbook = dated('2026-03-31', '2026-06-30');
    expect(on(workbook, '2026-06-30')).toEqual([]);
    const [finding, ...more] = on(workbook, '2026-07-01');
    expect(more).toEqual([]);
    expect(finding && sayFinding(finding, workbook)).toBe(
      'Step 1, "Torque bolts": the calibration of the torque wrench, 10-60 N·m expired on 30 Jun 2026.',
    );
  });
  test('is not told without a day, of wrenches without dates, and while one piece has no date', () => {
    expect(on(dated('2020-01-01'))).toEqual([]);
    expect(on(dated(), '2026-07-01')).toEqual([]);
    expect(on(dated('2020-01-01', undefined), '2026-07-01')).toEqual([]);
  });
});

describe('a part that only its tools show to be screwed in', () => {
  const down = 'unscrew valve cartridge /spanner, 24 mm';
  test('is left loose when it goes back by hand and nothing tightens it', () => {
    expect(told([down, 'screw in valve cartridge'], 'loose-at-end')).toEqual([2]);
    expect(told([down, 'screw in valve cartridge /spanner, 24 mm'], 'loose-at-end')).toEqual([]);
    expect(told(['unscrew valve cartridge', 'screw in valve cartridge'], 'loose-at-end')).toEqual([]);
  });
});

test('a first pass is followed by another, in a step of its own or in its words', () => {
  const first = (detail: string) => at(withStep(typed([TORQUE]), 0, { detail }), 'pass-missing');
  expect(first('First pass.')).toEqual([1]);
  expect(first('First pass to 20 N·m, then to the figure.')).toEqual([]);
  expect(first('Crosswise.')).toEqual([]);
});

test('a left-hand thread is turned the other way', () => {
  const nut = (line: string, detail: string, leftHand?: true) =>
    at(
      withComponent(withStep(typed([line]), 0, { detail }), 'impeller nut', leftHand ? { leftHand } : {}),
      'text-differs',
    );
  expect(nut('loosen impeller nut', 'Turn it clockwise.')).toEqual([1]);
  expect(nut('loosen impeller nut', 'Turn it clockwise.', true)).toEqual([]);
  expect(nut('torque impeller nut =90 N·m', 'Turn it clockwise.')).toEqual([]);
});
