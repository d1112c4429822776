import { parseLine } from '../../../line/parse-line';
import { positionSetById } from '../../../model/lookup';
import { typed } from '../../../testing/workbook';

/* Lines as they are spoken at the bench: several verbs before one part, asides, numbers of places, what is not to happen. */

const { series } = typed([
  'take off 8 cover nuts /socket, 17 mm',
  'take off front cover',
  'draw rotor @each shaft',
  'take off lock washer',
  'draw cover O-ring',
  'take off adjusting screw',
  'fit front cover +silicone grease',
]);
const read = (line: string) => parseLine(line, series);
const steps = (line: string) => {
  const { steps: made, faults, doubts } = read(line);
  expect([line, faults, doubts]).toEqual([line, [], []]);
  return made.map(({ verb, parts, about, detail }) =>
    [verb, parts.map(({ name }) => name).join(', ') || (about ?? ''), detail ?? ''].join(' | '),
  );
};
const asked = (line: string) => {
  const { faults, doubts } = read(line);
  return [...faults, ...doubts].map(({ kind }) => kind);
};

test.each<[string, string, readonly string[]]>([
  [
    'several verbs, then what they are all done to',
    'remove, clean and inspect the front cover',
    ['take-off | front cover | ', 'clean | front cover | ', 'inspect | front cover | '],
  ],
  ['a phrase of two verbs is one', 'clean and dry the front cover', ['clean | front cover | dry']],
  ['what is wise is done', 'it helps to wet the front cover', ['lubricate | front cover | ']],
  [
    'how one goes along is nothing that is put on',
    'take off the cover nuts, work your way round from the middle',
    ['take-off | cover nut | work your way round from the middle'],
  ],
  ['oil is let out', 'let the oil out', ['drain | oil | ']],
  ['the pressure is dropped', 'drop the pressure', ['release-pressure |  | ']],
  ['somewhere is aside', 'put the rotor somewhere clean', ['put-aside | rotor | somewhere clean']],
  ['what must not turn is held', 'stop the rotor from turning with a bar', ['hold | rotor | ']],
  ['the whole pump is no part', 'clean the pump thoroughly', ['clean | pump | thoroughly']],
  ['a state told, and an order', 'the rotor looks worn, replace it', ['renew | rotor | the rotor looks worn']],
  [
    'what is said of it is what "it" means',
    'the rotor must be clean, inspect it',
    ['inspect | rotor | the rotor must be clean'],
  ],
  [
    'back to where it was is a turn',
    'set the adjusting screw back to its mark',
    ['turn | the adjusting screw | back, to its mark'],
  ],
  ['poured in at a place', 'pour some water in at the top', ['fill |  | in at the top']],
  ['poured on a part', 'pour some water on the rotor', ['lubricate | rotor | ']],
  ['run up to pressure', 'run up to pressure', ['test | run up | to pressure']],
])('spoken: %s', (_what, line, expected) => {
  expect(steps(line)).toEqual(expected);
});

test('all but some are as many as the series has, less those', () => {
  expect(read('take off all but two of the cover nuts').steps[0]?.parts[0]).toMatchObject({ count: 6, total: 8 });
  expect(asked('take off all but nine of the cover nuts')).toContain('count');
});

test('a part with a number is the one at the place of that number', () => {
  const places = (line: string) => {
    const [step] = read(line).steps;
    const set = positionSetById(series, step?.positionSetId);
    return step?.positionIds.map((id) => set?.positions.find((place) => place.id === id)?.name);
  };
  expect(places('draw rotor 2')).toEqual(['shaft 2']);
  expect(places('draw rotors 1 and 2')).toEqual(['shaft 1', 'shaft 2']);
  expect(places('draw the rotors one at a time')).toEqual([]);
});

test.each<[string, string, string]>([
  ['pushed through from one side, it may come out or go in', 'push the rotor through from the left', 'sense'],
  ['what is done next within a remark', 'count how many turns it is, then back it off', 'no-verb'],
  ['what is thrown away within a remark', 'inspect the rotor, anything worn chuck it', 'unread'],
  ['an end of another part', 'fit the front cover, washer dished side in', 'facing'],
])('asked: %s', (_what, line, kind) => {
  expect(asked(line)).toContain(kind);
});

describe('what is put on', () => {
  const { series: stocked } = typed(['fit front cover +silicone grease +thread-locker', 'take off front cover']);
  const applied = (line: string) =>
    parseLine(line, stocked).steps.flatMap((step) => step.applied.map(({ name }) => name));
  const doubts = (line: string) => parseLine(line, stocked).doubts.map(({ text, offers }) => [text, ...offers]);

  test('how much of it is no part of its name', () => {
    expect(applied('put a little silicone grease on the front cover')).toEqual(['silicone grease']);
    expect(applied('put a thin film of silicone grease on the front cover')).toEqual(['silicone grease']);
  });
  test('a name that differs by a hyphen, or by a word before it, is asked about', () => {
    expect(doubts('put threadlocker on the front cover')).toEqual([
      ['threadlocker', 'thread-locker', '"threadlocker"'],
    ]);
    expect(doubts('put blue threadlocker on the front cover')).toEqual([
      ['blue threadlocker', 'thread-locker', '"blue threadlocker"'],
    ]);
    expect(doubts('put some grease on the front cover')).toEqual([]);
  });
});

test('the screws of one part are not those of another', () => {
  const { series: valves } = typed(['take off 12 cover screws', 'take off outer cover', 'take off air valve']);
  const read = parseLine('take off the air valve and its screws', valves);
  expect(read.doubts.map(({ kind, text }) => [kind, text])).toEqual([['which-part', 'screws']]);
  const own = parseLine('take off the outer cover and its screws', valves);
  expect(own.steps.flatMap(({ parts }) => parts.map(({ name }) => name))).toContain('cover screw');
});

test('what is good for the hands is a caution', () => {
  const { note, steps: made } = read('wash your hands after handling the old product');
  expect([made.length, note?.cautions.length]).toEqual([0, 1]);
});
