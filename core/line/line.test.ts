import { applyEdits, applyWithInverse } from '../edits/edit';
import { sayStep, titleOf } from '../language/en/sentence';
import { emptyWorkbook, typed } from '../testing/workbook';
import { applyLine } from './apply-line';
import { completeLine } from './complete-line';
import { parseLine } from './parse-line';
import { splitLine } from './segments';

const series = typed([
  'take off 8 cover nuts /socket, 17 mm',
  'draw 1 rotor @each shaft /hook tool',
  'draw stationary rings @each shaft',
]).series;

/** The one step that a line says. */
const stepOf = (line: string, of = series) => {
  const { steps, faults, doubts } = parseLine(line, of);
  expect([steps.length, faults, doubts]).toEqual([1, [], []]);
  return steps[0]!;
};

describe('a line says a step', () => {
  test('verb, parts, tool, position and caution', () => {
    expect(stepOf('draw stationary rings /hook tool @each shaft !Do not scratch the pocket')).toMatchObject({
      verb: 'draw',
      parts: [{ name: 'stationary ring' }],
      tools: [{ name: 'hook tool' }],
      positionIds: ['s1', 's2'],
      cautions: [{ signal: 'CAUTION', text: 'Do not scratch the pocket' }],
    });
  });

  test('the longest verb wins: "take off" is not "take", "lift off" is a take-off', () => {
    expect(stepOf('take off the flange').verb).toBe('take-off');
    expect(stepOf('Lift off flange').verb).toBe('take-off');
    expect(parseLine('fitting', series).steps).toEqual([]);
  });

  test('numbers, lists and articles', () => {
    expect(stepOf('take off 8 cover nuts, washers and the gasket').parts).toMatchObject([
      { name: 'cover nut', count: 8 },
      { name: 'washers' },
      { name: 'gasket' },
    ]);
  });

  test('where to, torque, minutes and photo', () => {
    const line = 'press stationary rings into the seal pocket =33 ft-lb ~4 min ?both pins in their notches';
    expect(stepOf(line)).toMatchObject({
      into: 'seal pocket',
      torque: { figure: { value: 33, unit: 'lbf·ft' } },
      minutes: 4,
      photo: 'both pins in their notches',
    });
  });

  test('one, two and three exclamation marks are CAUTION, WARNING and DANGER', () => {
    const signals = ['!a b', '!!a b', '!!!a b'].map((mark) => stepOf(`lift flange ${mark}`).cautions[0]?.signal);
    expect(signals).toEqual(['CAUTION', 'WARNING', 'DANGER']);
  });

  test('a slash inside a size is no tool', () => {
    expect(stepOf('loosen cover nuts /socket, 1/2 in').tools).toEqual([{ name: 'socket', size: '1/2 in' }]);
    expect(splitLine('loosen nuts =45 N·m').map((segment) => segment.sign)).toEqual(['said', '=']);
  });

  test('behind a sign the next one may stand apart; in plain words a plus joins', () => {
    expect(splitLine('fit seal / driver * evenly + grease').map(({ sign }) => sign)).toEqual(['said', '/', '*', '+']);
    expect(splitLine('fit seal + spring').map(({ sign }) => sign)).toEqual(['said']);
    expect(splitLine('torque M8 * 20 bolts').map(({ sign }) => sign)).toEqual(['said']);
  });

  test('a photo by itself shows how the parts sit', () => {
    expect(stepOf('take off cover nuts ?').photo).toBe('');
    const applied = applyLine(emptyWorkbook(), parseLine('take off cover ?', series), -1, () => `x${Math.random()}`);
    expect(applied?.workbook.procedure.steps[0]?.photo).toEqual({});
  });

  test('verbs about no part keep the words', () => {
    expect(stepOf('drain the gear oil /drain pan')).toMatchObject({ verb: 'drain', about: 'the gear oil', parts: [] });
  });
});

describe('a line that cannot be understood says why', () => {
  test.each([
    ['caress the rotor', { kind: 'no-verb', word: 'caress' }],
    ['draw /hook tool', { kind: 'no-part', verb: 'draw' }],
    ['draw rotor @bore 7', { kind: 'unknown-position', text: 'bore 7' }],
    ['torque cover nuts =45', { kind: 'bad-torque', text: '45', reason: 'no-unit' }],
    ['torque cover nuts =218 pounds', { kind: 'bad-torque', text: '218 pounds', reason: 'other-dimension' }],
    ['draw rotor ~soon', { kind: 'bad-minutes', text: 'soon' }],
  ])('%s', (typedLine, fault) => {
    const line = parseLine(typedLine, series);
    expect(line.faults).toContainEqual(fault);
    expect(applyLine({ ...emptyWorkbook(), series }, line, -1, () => 'x')).toBeUndefined();
  });
});

describe('applying a line', () => {
  test('parts and tools named for the first time are created once, in the singular', () => {
    const workbook = typed([
      'take off 8 cover nuts /socket, 17 mm',
      'loosen cover nuts /socket, 17 mm',
      'fit cover nut',
    ]);
    expect(workbook.series.components.map((c) => [c.name, c.count, c.kind])).toEqual([['cover nut', 8, 'nut']]);
    expect(workbook.series.tools).toMatchObject([{ name: 'socket', size: '17 mm' }]);
    expect(workbook.procedure.steps.map((step) => step.toolIds.length)).toEqual([1, 1, 0]);
  });

  test('fewer than all is remembered on the step, not on the part', () => {
    const workbook = typed(['take off 8 cover nuts', 'start by hand 6 cover nuts']);
    expect(workbook.series.components[0]?.count).toBe(8);
    expect(workbook.procedure.steps[1]?.targets[0]?.count).toBe(6);
  });

  test('a part first named at a position has that position set', () => {
    expect(typed(['draw rotor @shaft 1']).series.components[0]?.positionSetId).toBe('shafts');
  });

  test('a step typed while standing early still falls into its own stage', () => {
    const workbook = typed(['isolate pump', 'take off cover', 'renew cover', 'fit cover']);
    const parsed = parseLine('drain the oil', workbook.series);
    const applied = applyLine(workbook, parsed, 3, () => 'late');
    expect(applied?.workbook.procedure.steps.map((step) => step.stage)).toEqual([
      'make-safe',
      'take-down',
      'renew',
      'put-back',
      'put-back',
    ]);
    const first = applyLine(workbook, parseLine('lock out the drive', workbook.series), -1, () => 'early');
    expect(first?.index).toBe(0);
  });

  test('a twenty-step teardown typed without a mouse reads as instructions', () => {
    const workbook = typed([
      'draw stationary rings /hook tool @each shaft',
      'torque 8 cover nuts =45 N·m /torque wrench, 10-60 N·m',
    ]);
    expect(workbook.procedure.steps.map((step) => sayStep(step, workbook.series))).toEqual([
      'Draw out the stationary ring at each shaft with hook tool.',
      'Torque the eight cover nuts to 45 N·m with torque wrench, 10-60 N·m.',
    ]);
  });
});

describe('completion', () => {
  const inserts = (line: string) => completeLine(line, line.length, series).map((completion) => completion.insert);
  test('of verbs, of known parts, of tools and of positions', () => {
    expect(inserts('dra')).toEqual(['drain ', 'draw ']);
    expect(inserts('take off cov')).toEqual(['cover nuts']);
    expect(inserts('draw stat')).toEqual(['stationary rings']);
    expect(inserts('draw rotors /ho')).toEqual(['hook tool']);
    expect(inserts('draw rotors @each')).toEqual(['each shaft']);
    expect(inserts('draw rotors @sh')).toEqual(['shaft 1', 'shaft 2', 'each shaft']);
  });
  test('nothing is offered for what is typed in full, nor where words are free', () => {
    expect(inserts('draw rotors')).toEqual([]);
    expect(inserts('drain gear')).toEqual([]);
    expect(inserts('draw rotors !ro')).toEqual([]);
  });
  test('it replaces only the word at hand', () => {
    const line = 'take off 8 cov';
    expect(completeLine(line, line.length, series)[0]).toMatchObject({ from: 11, to: 14 });
  });
});

describe('what is put on and which way it faces', () => {
  const said = (line: string) => parseLine(line, emptyWorkbook().series);
  test('are said with + and >', () => {
    const { applied, faces } = stepOf(
      'fit lip seal +silicone grease, lip only +tape >lip to the pressure ~3',
      emptyWorkbook().series,
    );
    expect(applied).toEqual([{ name: 'silicone grease', where: 'lip only' }, { name: 'tape' }]);
    expect(faces).toEqual({ end: 'lip', toward: { is: 'pressure' } });
  });
  test('a facing that names one side only is told; a plus between parts is still "and"', () => {
    expect(said('fit lip seal >lip').faults).toEqual([{ kind: 'bad-faces', text: 'lip' }]);
    expect(said('fit nut + washer').steps[0]?.parts.map(({ name }) => name)).toEqual(['nut', 'washer']);
    expect(said('fit nut > washer').steps[0]?.faces).toBeUndefined();
  });
  test('a consumable named for the first time is made, and known by its name the next time', () => {
    const workbook = typed([
      'take off seal',
      'fit seal +silicone grease, thin film >lip to the pressure',
      'grease nut +Silicone grease',
    ]);
    expect(workbook.series.consumables).toHaveLength(1);
    const [grease] = workbook.series.consumables;
    expect(workbook.procedure.steps[1]).toMatchObject({
      applications: [{ consumableId: grease?.id, where: 'thin film' }],
      faces: { end: 'lip', toward: { is: 'pressure' } },
    });
    expect(completeLine('fit seal +sil', 13, workbook.series)).toMatchObject([
      { kind: 'consumable', insert: 'silicone grease' },
    ]);
  });
});

test('what a look is for, and what to clean with, is no part of the name; a direction may be said without "to"', () => {
  const said = (line: string) => parseLine(line, typed([]).series);
  const step = (line: string) => stepOf(line, typed([]).series);
  expect(step('check the vanes for wear')).toMatchObject({ parts: [{ name: 'vanes' }], looks: ['wear'] });
  expect(step('flush the head with water')).toMatchObject({ parts: [{ name: 'head' }], detail: 'with water' });
  expect(step('fit ring >groove up')).toMatchObject({ faces: { end: 'groove', toward: { is: 'up' } } });
  expect(said('fit ring >groove').faults).toMatchObject([{ kind: 'bad-faces' }]);
});

describe('what stands behind the name of a part', () => {
  const { series } = emptyWorkbook();
  test.each([
    ['screw in gland nut finger tight', 'gland nut', { detail: 'finger tight' }],
    ['press seal squarely and evenly', 'seal', { detail: 'squarely and evenly' }],
    ['lower cover into place', 'cover', { detail: 'into place' }],
    ['check rotor @each shaft for cracks', 'rotor', { detail: 'for cracks' }],
    ['check rotor for cracks @each shaft', 'rotor', { looks: ['cracks'] }],
    ['clean plug with a wire brush', 'plug', { tools: [{ name: 'wire brush' }] }],
  ])('%s names %s, and the rest', (line, name, rest) => {
    const said = stepOf(line, series);
    expect(said).toMatchObject({ parts: [{ name }], ...rest });
  });
  test('where nothing is left to be named, it asks', () => {
    expect(parseLine('fit home', series).faults).toEqual([{ kind: 'no-part', verb: 'fit' }]);
  });
});

test('a facing said of a part before it has a name is said of that part once it has', () => {
  const { procedure, series } = typed(['take off washer >hollow side to the disc', 'take off disc']);
  const disc = series.components.find(({ name }) => name === 'disc');
  expect(procedure.steps[0]?.faces?.toward).toMatchObject({ is: 'part', componentId: disc?.id });
});

test('"away from" is understood', () => {
  expect(stepOf('fit seal >lip away from the pressure', emptyWorkbook().series).faces).toEqual({
    end: 'lip',
    toward: { is: 'pressure', away: true },
  });
});

describe('a part named in the plural without a number', () => {
  const said = typed(['take off plungers', 'inspect the plungers']);

  test('is told as several, and stays open until somebody says how many', () => {
    expect(said.series.components[0]).toMatchObject({ name: 'plunger', several: true });
    expect(titleOf(said.procedure.steps[0]!, said.series)).toBe('Take off plungers');
    const counted = applyWithInverse(said, [
      { kind: 'change-component', componentId: said.series.components[0]!.id, fields: { count: 3 } },
    ]);
    expect(counted.workbook.series.components[0]).not.toHaveProperty('several');
    expect(applyEdits(counted.workbook, counted.inverse).series.components[0]).toMatchObject({ several: true });
  });

  test('has as many as the first line says that counts them', () => {
    const { series } = typed(['take off plungers', 'fit the 3 plungers']);
    expect(series.components[0]).toMatchObject({ count: 3 });
    expect(series.components[0]).not.toHaveProperty('several');
  });

  test('of one at each place they are one at each', () => {
    const placed = typed(['draw plugs @each shaft']).series;
    expect(placed.components[0]).not.toHaveProperty('several');
  });
});
