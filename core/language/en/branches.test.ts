import { typed, withStep } from '../../testing/workbook';
import { aidNames, conditionOf, methodLine, poseLine } from './branches';

const base = typed(['take off ball /hook', 'draw seat', 'take off manifold']);
const ask = base.procedure.steps[0]!.id;
const workbook = withStep(
  withStep(base, 0, {
    decision: {
      question: 'Out?',
      answers: [
        { id: 'y', text: 'yes' },
        { id: 'n', text: 'no' },
        { id: 'p', text: 'in pieces' },
      ],
    },
  }),
  1,
  { when: [{ stepId: ask, answerIds: ['n', 'p'] }] },
);
const [, seat, manifold] = workbook.procedure.steps;

test('a step says on which answers it hangs', () => {
  expect(conditionOf(seat!, workbook)).toBe('when step 1 is answered "no" or "in pieces"');
  const atEach = withStep(workbook, 0, ({ decision }) => ({ decision: { ...decision!, eachOf: 'shafts' } }));
  expect(conditionOf(seat!, atEach)).toBe('where step 1 is answered "no" or "in pieces"');
  expect(conditionOf(manifold!, workbook)).toBeUndefined();
  expect(conditionOf({ ...seat!, when: [{ stepId: 'gone', answerIds: ['y'] }] }, workbook)).toContain('is gone');
});

test('methods, aids and poses are told in a few words', () => {
  const hook = workbook.series.tools[0]!.id;
  const method = { id: 'm', name: 'turn the crank', verb: 'separate' as const, toolIds: [hook], cautions: [] };
  expect(methodLine(method, workbook)).toBe('turn the crank: Separate with hook');
  expect(methodLine({ ...method, toolIds: [], detail: 'Until a gap shows' }, workbook)).toBe(
    'turn the crank: Separate. Until a gap shows',
  );
  expect(aidNames([hook], workbook)).toBe('hook');
  const pose = { componentId: manifold!.targets[0]!.componentId, lies: 'face-down' as const };
  expect(poseLine({ ...manifold!, pose }, workbook)).toBe('the manifold lies face down');
});
