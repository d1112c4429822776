import { cellName } from '../language/en/cells';
import { typed, withComponent } from '../testing/workbook';
import { replay } from './replay';
import { stateAfter } from './state';

const names = (lines: string[], matched = false) => {
  const typedLines = typed(lines);
  const workbook = matched ? withComponent(typedLines, 'rotor', { matched: true }) : typedLines;
  const timeline = replay(workbook);
  return timeline.cells.map((cell) => `${cell.number} ${cellName(timeline, cell)}`);
};

test('cells are numbered in the order of removal and say what lies in them', () => {
  expect(names(['take off 8 nuts', 'take off cover', 'draw rotor @each shaft'])).toEqual([
    '1 8 nuts',
    '2 cover',
    '3 2 rotors',
  ]);
});

test('matched parts lie apart, each with its place', () => {
  expect(names(['draw rotor @each shaft'], true)).toEqual(['1 rotor of shaft 1', '2 rotor of shaft 2']);
});

test('parts of one kind laid out by different steps lie in different cells', () => {
  expect(names(['draw seal @shaft 1', 'draw seal @shaft 2'])).toEqual(['1 seal', '2 seal']);
  expect(names(['take off 6 bolts', 'take off 2 bolts'])).toEqual(['1 6 bolts']);
});

test('on every way the same part lies in the same cell', () => {
  const base = typed(['mark ball', 'draw seat', 'take off seat', 'take off cover']);
  const [ask, draw, take] = base.procedure.steps;
  const answers = [
    { id: 'a', text: 'stuck' },
    { id: 'b', text: 'loose' },
  ];
  const steps = base.procedure.steps.map((step) => {
    if (step === ask) return { ...step, decision: { question: 'Is it stuck?', answers } };
    if (step === draw) return { ...step, when: [{ stepId: ask!.id, answerIds: ['a'] }] };
    return step === take ? { ...step, when: [{ stepId: ask!.id, answerIds: ['b'] }] } : step;
  });
  const timeline = replay({ ...base, procedure: { ...base.procedure, steps } });
  expect(timeline.cells.map((cell) => cellName(timeline, cell))).toEqual(['seat', 'cover']);
});

test('any moment is shown as it would be after carrying out the steps up to it, however many there are', () => {
  const lines = Array.from({ length: 70 }, (_, i) => (i % 2 === 0 ? 'take off cover' : 'fit cover'));
  const timeline = replay(typed(lines));
  const out = (n: number) => [...stateAfter(timeline, n).places.values()].filter((place) => place === 'cloth').length;
  // The verbs sort themselves into their stages: all takings first, then all fittings.
  const takings = timeline.frames.filter((frame) => frame.step.verb === 'take-off').length;
  expect([0, 1, takings, takings + 1, 70].map(out)).toEqual([0, 1, 1, 0, 0]);
});
