import { applyLine } from '../../../line/apply-line';
import { parseLine } from '../../../line/parse-line';
import { readLine, takeOffer } from '../../../line/read-line';
import { typed } from '../../../testing/workbook';
import { sayStep } from '../sentence';
import { torqueAt } from './names/figures';
import { namesOf } from './names/known-names';
import { Sentence } from './names/sentence';
import { sizeKey } from './names/tool-doubts';
import { wordsOf } from './words/words';

const workbook = typed([
  'take off 8 cover nuts /socket, 17 mm',
  'take off front cover',
  'draw rotor @each shaft /hook tool',
  'take off seal case',
  'draw low-pressure seal',
  'fit seal case +silicone grease',
]);
const { series } = workbook;
const read = (line: string) => parseLine(line, series);
const only = (line: string) => {
  const { steps, faults, doubts } = read(line);
  expect([faults, doubts]).toEqual([[], []]);
  expect(steps).toHaveLength(1);
  return steps[0]!;
};
const ids = () => {
  let n = 0;
  return () => `n${n++}`;
};
const doubts = (line: string) => read(line).doubts.map(({ kind, offers }) => [kind, ...offers]);

test.each([
  ['a way behind what is named decides: off', 'take the front cover off', { verb: 'take-off' }],
  ['a push out is no refit', 'push the seal case out', { verb: 'draw' }],
  ['a push in is one', 'push the seal case in', { verb: 'press' }],
  ['a push down moves and no more', 'push the rotors down', { verb: 'move', detail: 'down' }],
  ['"back on" puts back', 'put the front cover back on', { verb: 'fit' }],
  ['what is laid on a bench is not put into the pump', 'lay the front cover on a flat surface', { verb: 'lay' }],
  ['on a cloth it is put aside', 'set the rotors on a clean cloth', { verb: 'put-aside' }],
  ['in a vice it is held', 'put the seal case in the vice', { verb: 'hold' }],
  ['replaced where it was, it is no new one', 'replace the rotors where they came from', { verb: 'fit' }],
  ['a nut is turned on, a shaft is turned', 'turn the cover nuts on to the next mark', { verb: 'torque' }],
  [
    'a way in front of the name is no preposition',
    'pry out low pressure seal',
    { verb: 'pry', parts: [{ name: 'low-pressure seal' }] },
  ],
  [
    'a tool with its size in front',
    'undo the cover nuts with a 17 mm socket',
    { tools: [{ name: 'socket', size: '17 mm' }] },
  ],
  ['several of a tool', 'pry the front cover off with two pry bars', { tools: [{ name: 'pry bar', count: 2 }] }],
  ['numbers in words', 'loosen eight cover nuts', { parts: [{ count: 8 }] }],
  ['some of how many', 'remove two of the eight cover nuts', { parts: [{ count: 2, total: 8 }] }],
  ['which of several', 'remove the remaining six cover nuts', { parts: [{ count: 6 }], detail: 'the remaining' }],
  [
    'a figure in words',
    'torque the cover nuts to forty-five newton metres',
    { torque: { figure: { value: 45, unit: 'N·m' } } },
  ],
  [
    'a figure without its verb',
    'cover nuts to 45 N·m',
    { verb: 'torque', torque: { figure: { value: 45, unit: 'N·m' } } },
  ],
  ['places in front', 'at each shaft draw the rotor', { verb: 'draw', positionIds: ['s1', 's2'] }],
  ['places behind', 'draw the rotor from shaft 2', { verb: 'draw', positionIds: ['s2'] }],
  [
    'which way an end looks',
    'fit the low-pressure seal with the lip facing the seal case',
    { faces: { end: 'lip', toward: { is: 'part' } } },
  ],
  ['what to look for', 'check the rotors for cuts, nicks or damage', { looks: ['cuts', 'nicks', 'damage'] }],
  [
    'what is put on, and where',
    'put silicone grease on the lip of the low-pressure seal',
    { verb: 'lubricate', applied: [{ name: 'silicone grease', where: 'the lip' }] },
  ],
  [
    'how much of it',
    'coat the rotor with a thin film of silicone grease',
    { applied: [{ name: 'silicone grease', amount: 'a thin film' }] },
  ],
  ['where to', 'press the low-pressure seal into the seal case', { verb: 'press', into: 'seal case' }],
  ['how long', 'wait for a quarter of an hour', { verb: 'wait', minutes: 15 }],
  ['until when', 'press the seal case in until it bottoms', { detail: 'until it bottoms' }],
  ['a reason', 'hold the rotor so that it cannot turn', { verb: 'hold', why: 'so that it cannot turn' }],
  [
    'a caution said along',
    'draw the rotor, do not cock it',
    { cautions: [{ signal: 'CAUTION', text: 'Do not cock it' }] },
  ],
  ['what is said before the verb', 'using the hook tool, draw the rotors', { tools: [{ name: 'hook tool' }] }],
  [
    'dirt comes off a part',
    'clean the old sealant off the seal case',
    { verb: 'clean', parts: [{ name: 'seal case' }] },
  ],
  [
    'fillers say nothing',
    'OK, next you want to take off the front cover',
    { verb: 'take-off', parts: [{ name: 'front cover' }] },
  ],
  ['run and start are tests of a machine', 'run the pump', { verb: 'test', about: 'run the pump' }],
])('%s', (_name, line, said) => {
  expect(only(line)).toMatchObject(said);
});

test('two actions are two steps, and "it" is what the one before was about', () => {
  const { steps } = read('Take the front cover off and lay it on the bench. Then pull the rotors.');
  expect(steps.map(({ verb, parts }) => [verb, ...parts.map(({ name }) => name)])).toEqual([
    ['take-off', 'front cover'],
    ['lay', 'front cover'],
    ['draw', 'rotor'],
  ]);
  expect(read('pull it off').doubts.map(({ kind }) => kind)).toEqual(['pronoun']);
  expect(readLine('clean it', workbook, 3).parsed.steps[0]?.parts).toMatchObject([{ name: 'seal case' }]);
});

test('a caution, a reason or a remark that stands alone is said of the step in hand', () => {
  for (const [line, field] of [
    ['Be careful not to scratch the bore', 'cautions'],
    ['because it must not turn', 'why'],
    ['make sure it sits flush', 'detail'],
  ] as const) {
    const applied = applyLine(workbook, read(line), 2, () => 'x');
    expect(applied?.workbook.procedure.steps).toHaveLength(workbook.procedure.steps.length);
    expect(JSON.stringify(applied?.workbook.procedure.steps[2]?.[field])).toContain(line);
  }
  expect(
    applyLine({ ...workbook, procedure: { ...workbook.procedure, steps: [] } }, read('be careful'), -1, () => 'x'),
  ).toBeUndefined();
});

test.each([
  ['a part that could be another', 'remove the nuts', [['which-part', 'cover nuts', '"nuts"']]],
  ['a slip of the finger', 'draw the rottor', [['near-part', 'rotor', '"rottor"']]],
  ['more than there are', 'undo 10 cover nuts', [['count', '8 cover nuts', '10 "cover nut"']]],
  ['no unit', 'tighten the cover nuts to 45', [['unit', '45 N·m', '45 lbf·ft', '45 lbf·in']]],
  ['no figure', 'tighten the cover nuts to specification', [['figure', '*to specification']]],
  ['renew or refit', 'replace the front cover', [['sense', 'renew', 'refit']]],
  ['off or on', 'slide the rotor', [['sense']]],
  ['a condition', 'if the rotor sticks, pull it out', [['condition', '*if the rotor sticks, pull it out']]],
  ['a repeat', 'repeat for the other side', [['repeat', '*repeat for the other side']]],
  ['a tool under another name', 'draw the rotor with a socket wrench', [['tool', 'socket, 17 mm']]],
])('%s is asked', (_name, line, asked) => {
  expect(doubts(line)).toEqual(asked);
  expect(applyLine(workbook, read(line), 0, () => 'x')).toBeUndefined();
});

test('what is said before the first action belongs to it', () => {
  const [step] = read('Careful, it is hot. Remove the front cover.').steps;
  expect(step?.cautions).toEqual([{ signal: 'CAUTION', text: 'Careful, it is hot' }]);
});

test('in which state a part is said to be stands beside the step', () => {
  expect(only('fit the old low-pressure seal').detail).toBe('old');
  expect(only('fit a new low-pressure seal').detail).toBe('new');
});

test('signs by themselves are said of the step in hand; where there is none, nothing is added', () => {
  const line = read('=45 N·m /hook tool ~5 ?nuts marked');
  const applied = applyLine(workbook, line, 0, () => 'x');
  const hook = series.tools.find(({ name }) => name === 'hook tool')?.id;
  const before = workbook.procedure.steps[0]!;
  expect(applied?.workbook.procedure.steps[0]).toEqual({
    ...before,
    toolIds: [...before.toolIds, hook],
    torque: { figure: { value: 45, unit: 'N·m' }, tolerancePercent: 4 },
    minutes: 5,
    photo: { mustShow: 'nuts marked' },
  });
  expect(
    applyLine({ ...workbook, procedure: { ...workbook.procedure, steps: [] } }, line, -1, () => 'x'),
  ).toBeUndefined();
});

test('a line that says nothing is told so', () => {
  for (const line of ['then', 'OK, so', ',']) expect(read(line).faults).toEqual([{ kind: 'no-verb', word: '' }]);
});

test('only a single step is offered another place', () => {
  const elsewhere = (line: string) => applyLine(workbook, read(line), 5, ids())?.elsewhere?.stage;
  expect(elsewhere('isolate the motor')).toBe('make-safe');
  expect(elsewhere('isolate the motor and close the inlet valve')).toBeUndefined();
});

test('a number behind which a unit is missing is no count of tools', () => {
  expect(doubts('loosen cover nuts /22 socket')).toEqual([['unit', '22 mm socket', '22 in socket']]);
});

test('an offer taken makes the line say one thing; quotes mean a name just so', () => {
  const line = 'remove the nuts';
  const [doubt] = read(line).doubts;
  expect(takeOffer(line, doubt!, doubt!.offers[0]!)).toBe('remove the cover nuts');
  expect(only('remove the cover nuts').parts).toMatchObject([{ name: 'cover nut' }]);
  expect(only('remove the "nuts"').parts).toMatchObject([{ name: 'nuts', quoted: true }]);
  const more = applyLine(workbook, read('undo 10 "cover nut"'), 0, () => 'x');
  expect(more?.workbook.series.components.find(({ name }) => name === 'cover nut')?.count).toBe(10);
});

test('what is new is told', () => {
  expect(readLine('remove the drain plug with a ring spanner', workbook, 0).fresh).toEqual({
    parts: ['drain plug'],
    tools: ['ring spanner'],
    consumables: [],
  });
});

test('no word is lost: what is found nowhere is asked about', () => {
  for (const line of ['draw the rotor merrily hence', 'undo the cover nuts wherefore'])
    expect(read(line).faults.length + read(line).doubts.length).toBeGreaterThan(0);
});

test('the sentence of a step says how many of a tool, and what is done to no part', () => {
  const said = (line: string) => {
    const applied = applyLine(workbook, read(line), 0, ids());
    const step = applied?.workbook.procedure.steps.find(({ id }) => id === applied.stepId);
    return step && sayStep(step, applied!.workbook.series);
  };
  expect(said('pry the front cover off with two pry bars')).toBe('Pry off the front cover with two pry bars.');
  expect(said('clean the threads with a wire brush')).toBe('Clean the threads with wire brush.');
});

test('figures: ranges, tolerances, and the same in another unit', () => {
  const figure = (text: string) => torqueAt(new Sentence(text, wordsOf(text), namesOf(series)), 0)?.figure;
  expect(figure('60-65 N·m')).toEqual({ value: 62.5, unit: 'N·m', tolerancePercent: 4 });
  expect(figure('60 to 65 N·m')).toMatchObject({ value: 62.5 });
  expect(figure('between 10 and 12 Nm')).toMatchObject({ value: 11, tolerancePercent: 9.09 });
  expect(figure('60±5 N·m')).toEqual({ value: 60, unit: 'N·m', tolerancePercent: 8.33 });
  expect(figure('30 N·m plus or minus ten percent')).toEqual({ value: 30, unit: 'N·m', tolerancePercent: 10 });
  expect(figure('531 in-lb, 44 ft-lb')).toEqual({ value: 531, unit: 'lbf·in', also: { value: 44, unit: 'lbf·ft' } });
  expect(figure('one hundred and seventy-five foot-pounds')).toEqual({ value: 175, unit: 'lbf·ft' });
  expect(figure('5 mm')).toBeUndefined();
});

test.each(['rottor', 'rtoor', 'roto', 'rotar'])('"%s" is a rotor that was typed in a hurry', (slip) => {
  expect(doubts(`draw ${slip}`)).toEqual([['near-part', 'rotor', `"${slip}"`]]);
});

test('a size however it is spelled is one size', () => {
  expect(new Set(['6mm', '6 mm', '6 millimetres'].map(sizeKey)).size).toBe(1);
  expect(sizeKey('1/4 inch')).toBe(sizeKey('1/4 in'));
});

test.each([
  ['one says that one is doing it', "I'm loosening the front cover", { verb: 'loosen' }],
  ['it is said to be done', 'the front cover is then taken off', { verb: 'take-off' }],
  ['it has to be done', 'the low-pressure seal must be drawn', { verb: 'draw' }],
  ['it comes off', 'the front cover comes off next', { verb: 'take-off' }],
  ['it comes off, the other way about', 'off comes the front cover', { verb: 'take-off' }],
  ['it goes in', 'the seal case goes in dry', { verb: 'fit', detail: 'dry' }],
  ['it slides out by itself', 'the rotor slides out of its bore', { verb: 'draw' }],
  ['its name comes first', 'seal case - push out', { verb: 'draw' }],
  [
    'the tool is fetched first',
    'take a 17 mm socket and undo the cover nuts',
    { verb: 'take-off', tools: [{ size: '17 mm' }] },
  ],
  ['one took it', 'then we took the front cover off', { verb: 'take-off' }],
])('told and not ordered: %s', (_what, line, expected) => {
  expect(only(line)).toMatchObject(expected);
});

test('what is told goes on behind "and" in the same way', () => {
  const verbs = (line: string) => read(line).steps.map(({ verb, parts }) => [verb, parts[0]?.name]);
  expect(verbs('the seal case is pulled out and cleaned')).toEqual([
    ['draw', 'seal case'],
    ['clean', 'seal case'],
  ]);
  expect(verbs("we're taking the front cover off and drawing the rotor")).toEqual([
    ['take-off', 'front cover'],
    ['draw', 'rotor'],
  ]);
});

test('how something is, or what one will find, is nothing to do', () => {
  for (const line of ['the seal case is held by two pins', 'you will feel the rotor stop', "you shouldn't see any oil"])
    expect(read(line)).toMatchObject({ steps: [], faults: [], doubts: [] });
});

test('a place that is none of those there are is asked about', () => {
  expect(doubts('draw the rotor from shaft 7')).toEqual([['place', 'shaft 1', 'shaft 2']]);
});
