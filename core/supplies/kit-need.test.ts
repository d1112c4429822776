import { replay } from '../bench/replay';
import { newPieces } from '../bench/state';
import type { Workbook } from '../model/procedure';
import { componentId, typed } from '../testing/workbook';
import { kitAlternatives, kitsNeeded, piecesInKits, piecesNeeded } from './kit-need';

/** Two seats at each of two shafts, renewed; a kit holds three. */
function seats(kits: number): Workbook {
  const workbook = typed(['take off 2 seats @each shaft', 'renew seats', 'fit seats']);
  return {
    series: {
      ...workbook.series,
      kits: [{ id: 'k', name: 'seat kit', contents: [{ componentId: componentId(workbook, 'seat'), count: 3 }] }],
    },
    procedure: { ...workbook.procedure, kits: [{ kitId: 'k', count: kits }] },
  };
}

test('one kit serves a number of sets, so four seats need two kits of three', () => {
  const workbook = seats(1);
  const timeline = replay(workbook);
  expect([...piecesNeeded(newPieces(timeline)).values()]).toEqual([4]);
  expect([...piecesInKits(workbook.series, workbook.procedure.kits ?? []).values()]).toEqual([3]);
  expect(kitsNeeded(workbook.series, workbook.procedure.kits ?? [], 'k', newPieces(timeline))).toBe(2);
});

test('a kit nobody renews from is not needed', () => {
  const { series, procedure } = seats(1);
  const looked = {
    series,
    procedure: { ...procedure, steps: procedure.steps.filter((step) => step.verb !== 'renew') },
  };
  expect(kitsNeeded(series, looked.procedure.kits ?? [], 'k', newPieces(replay(looked)))).toBe(0);
});

test('kits picked by two questions are laid out in each combination of their answers', () => {
  const base = seats(1);
  const asks = (id: string) => ({
    question: id,
    answers: ['a', 'b'].map((answer) => ({ id: `${id}-${answer}`, text: answer })),
  });
  const steps = base.procedure.steps.map((step, i) => (i < 2 ? { ...step, decision: asks(`q${i}`) } : step));
  const [one, two] = steps.map(({ id }) => id);
  const kits = [
    { kitId: 'k', count: 1, when: [{ stepId: one ?? '', answerIds: ['q0-a'] }] },
    { kitId: 'k', count: 1, when: [{ stepId: two ?? '', answerIds: ['q1-a'] }] },
    { kitId: 'k', count: 1, when: [{ stepId: two ?? '', answerIds: ['q1-b'] }] },
  ];
  const alternatives = kitAlternatives({ ...base.procedure, steps, kits });
  expect(alternatives.map(({ answers, kits: laidOut }) => [answers.length, laidOut.length])).toEqual([
    [2, 2],
    [2, 2],
    [2, 1],
    [2, 1],
  ]);
  expect(kitAlternatives(base.procedure)).toMatchObject([{ answers: [], kits: [{ kitId: 'k' }] }]);
});
