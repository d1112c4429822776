import { parseLine } from '../../../line/parse-line';
import { parsedBehind } from '../../../line/read-line';
import { typed } from '../../../testing/workbook';

/* What a line leaves out and what stands beside it tells: whose screws, which mallet, both of which hoses, upon what. */

const workbook = typed([
  'take off 6 rear cover screws /socket, 17 mm',
  'take off rear cover',
  'take off rear cover gasket',
  'take off 4 side cover screws /hex key, 6 mm',
  'take off side cover',
  'disconnect suction hose /soft-faced mallet',
  'disconnect discharge hose',
  'take off 8 manifold bolts /socket, 13 mm',
  'take off manifold /hoist',
  'draw rotor @each shaft /feeler gauge',
  'take off rotor nut',
  'take off drain plug',
]);
const { series, procedure } = workbook;
const read = (line: string) => parseLine(line, series);
const said = (line: string) => {
  const { steps, faults, doubts } = read(line);
  expect([line, faults, doubts]).toEqual([line, [], []]);
  return steps.map(({ verb, parts, about, torque, detail }) =>
    [verb, parts.map(({ name }) => name).join(', ') || about, torque && `${torque.figure.value}`, detail]
      .filter(Boolean)
      .join(' | '),
  );
};
const asked = (line: string) => read(line).doubts.map(({ kind }) => kind);

test.each<[string, string, readonly string[]]>([
  ['screws behind their cover', 'take off the rear cover, six screws', ['take-off | rear cover, rear cover screw']],
  [
    'a gasket of what was named',
    'remove the rear cover and throw the gasket away',
    ['take-off | rear cover', 'discard | rear cover gasket'],
  ],
  ['nuts on what they hold', 'undo the nut on the rotor', ['take-off | rotor nut | on the rotor']],
  ['all eight, where one kind is eight', 'start all eight bolts by hand', ['start-by-hand | manifold bolt | by hand']],
  ['both, where there are two', 'disconnect both hoses', ['disconnect | suction hose, discharge hose']],
  ['all that wear', 'renew all covers', ['renew | rear cover, side cover']],
  [
    'fitted with its screws, which are tightened',
    'rear cover on, six screws, crosswise, 10 N·m',
    ['fit | rear cover, rear cover screw', 'torque | rear cover screw | 10 | crosswise'],
  ],
])('%s', (_what, line, expected) => {
  expect(said(line)).toEqual(expected);
});

test.each([
  ['screws of nothing named', 'remove the screws'],
  ['all bolts of several kinds are hardly meant', 'take out all screws'],
  ['more than they are', 'take off the rear cover, seven screws'],
])('asked: %s', (_what, line) => {
  expect(asked(line)).toContain('which-part');
});

test.each([
  ['by another word for the same, of its size', 'loosen the side cover screws with a 6 mm allen key', 'hex key'],
  ['the only mallet there is', 'tap the rotor with the mallet to free it', 'soft-faced mallet'],
])('a tool %s', (_what, line, tool) => {
  expect(read(line)).toMatchObject({ doubts: [], steps: [{ tools: [{ name: tool }] }] });
});

test.each([
  ['said behind', 'replace the rotor if it is scored', ['scored']],
  ['said before', 'if the rotor is scored, replace it', ['scored']],
  ['as need', 'check the rotor, and if it is cracked you need a new one', ['cracked']],
  ['of some only', 'renew every rotor that is more than 0.2 mm worn', ['more than 0.2 mm worn']],
  ['of a figure', 'fit a new rotor if the play is over 1 mm', ['the play is over 1 mm']],
])('a renewal upon a sign is a look: %s', (_what, line, renewIf) => {
  const { steps, doubts } = read(line);
  expect(doubts).toEqual([]);
  expect(steps).toMatchObject([{ verb: 'inspect', parts: [{ name: 'rotor' }], renewIf }]);
});

test('a hint that moves nothing is kept, one that moves a part is asked', () => {
  expect(said("draw the rotor; if it's tight, twist it as you pull")).toEqual([
    "draw | rotor | if it's tight, twist it as you pull",
  ]);
  expect(asked('if the rotor stays behind, pull it out')).toEqual(['condition']);
  expect(asked('add a shim if the play is too large')).toContain('condition');
});

test.each<[string, string, readonly string[]]>([
  ['a setting', 'set the stroke to 50 %', ['adjust | stroke | to 50 %']],
  ['set with a gauge', 'set the gap with the feeler gauge', ['adjust | gap']],
  ['set down is laid', 'set the rear cover down on the bench', ['lay | rear cover | on the bench']],
  ['work beside the pump', 'put a tray under the drain plug', ['attend | put a tray under the drain plug']],
  ['counted', 'count the shims and write it down', ['attend | count the shims and write it down']],
  ['counted along', 'take off the rotor nut and count the turns', ['take-off | rotor nut | count the turns']],
  ['two people', 'two people lift the manifold off', ['take-off | manifold | with two people']],
  ['help that is got', 'get someone to help you lift the manifold off', ['take-off | manifold | with someone']],
  ['a sling round it', 'put a sling round the rotor and take the weight with the hoist', ['hold | rotor']],
  ['tapped loose', 'tap the rear cover until it comes free', ['loosen | rear cover | until it comes free']],
  ['a plug is closed by fitting it', 'close the drain plug', ['fit | drain plug']],
  ['what is worn is renewed', 'replace the worn rotor', ['renew | rotor | worn']],
  [
    'a cover with a new gasket is put back',
    'replace the rear cover with a new gasket',
    ['fit | rear cover, rear cover gasket | new'],
  ],
  ['as far as it goes', 'push the rotor as far forward as it will go', ['move | rotor | as far forward as it will go']],
  ['it runs', 'run it for ten minutes', ['test | run the pump']],
  ['run off into a pan', 'let the oil run into a clean pan', ['drain | oil']],
  ['a bolt is put on by bolting', 'bolt the side cover up', ['fit | side cover']],
  ['everything', 'wash everything in paraffin', ['clean | everything | in paraffin']],
  ['to be done', 'rear cover screws to be loosened first', ['loosen | rear cover screw | first']],
])('read: %s', (_what, line, expected) => {
  expect(said(line)).toEqual(expected);
});

test('face down on a bench a part lies, and is not put into the pump', () => {
  expect(read('put the manifold face down on the bench').steps).toMatchObject([
    { verb: 'lay', faces: { end: 'face', toward: { is: 'down' } } },
  ]);
});

test('a short name is asked about once: a step that is about the part answers it from then on', () => {
  expect(asked('clean the plug')).toEqual(['which-part']);
  const { steps, doubts } = parsedBehind('clean the plug', workbook, procedure.steps.length - 2);
  expect([doubts, steps[0]?.parts]).toMatchObject([[], [{ name: 'drain plug' }]]);
  expect(parsedBehind('fit a new plug', workbook, 0).doubts).toMatchObject([{ kind: 'which-part' }]);
  expect(parsedBehind('clean the hose', workbook, 0).doubts).toMatchObject([{ kind: 'which-part' }]);
});

test('"it" is what was named as one, where several were taken out', () => {
  expect(said('take the six screws out of the rear cover and pull it off')).toEqual([
    'take-off | rear cover screw | out of the rear cover',
    'draw | rear cover',
  ]);
  expect(asked('undo the rear cover screws and pull it off')).toEqual(['pronoun']);
});

test.each([
  ['one pass after the other', 'torque the manifold bolts in three steps, 20/40/60 N·m', 60],
  ['passes that are told', 'torque the manifold bolts to 20, then 40 N·m', 40],
])('a torque of %s is the last of them', (_what, line, figure) => {
  expect(read(line).steps[0]?.torque?.figure.value).toBe(figure);
});

test('two figures with a stroke between them may be passes or a range', () => {
  expect(asked('torque the manifold bolts to 45/50 N·m')).toEqual(['unit']);
});
