import { sayStep } from '../language/en/sentence';
import { Procedure } from '../model/procedure';
import { Series } from '../model/series';
import { emptyWorkbook, typed, withStep } from '../testing/workbook';
import { CopiedSteps, copyingSteps, pastingSteps } from './copying';
import { applyEdits } from './edit';

const from = withStep(
  typed([
    'take off 6 cover bolts /socket, 10 mm',
    'draw rotor @each shaft /hook tool ^it sticks',
    'fit rotor @each shaft +silicone grease >groove up',
    'torque cover bolts =9 N·m /torque wrench, 2-25 N·m',
  ]),
  3,
  { toolCounts: {}, detail: 'cover' },
);
const ids = () => {
  let n = 0;
  return () => `new${n++}`;
};
const told = ({ series, procedure }: { series: Series; procedure: Procedure }) =>
  procedure.steps.map((step) => sayStep(step, series));

test('a run of steps is put into another series, with the parts, tools, grease and places it names', () => {
  const [first, , , last] = from.procedure.steps;
  const copied = CopiedSteps.parse(JSON.parse(JSON.stringify(copyingSteps(from, last!.id, first!.id))));
  const empty = { ...emptyWorkbook(), series: { ...emptyWorkbook().series, positionSets: [] } };
  const { edits, stepIds } = pastingSteps(empty, copied, -1, ids());
  const after = applyEdits(empty, edits);
  expect(told(after)).toEqual(told(from));
  expect(stepIds).toHaveLength(4);
  expect(Series.safeParse(after.series).success && Procedure.safeParse(after.procedure).success).toBe(true);
  expect(after.series.components.find(({ name }) => name === 'rotor')?.positionSetId).toBe(
    after.series.positionSets[0]?.id,
  );
  // Pasted once more, everything is found by its name.
  const again = pastingSteps(after, copied, 3, () => `more${Math.random()}`.replace('.', ''));
  expect(again.edits.map(({ kind }) => kind)).toEqual(['insert', 'insert', 'insert', 'insert']);
});

test('within a procedure a copy names the same parts, and a condition on what is not copied stays where it can', () => {
  const asked = withStep(from, 0, {
    decision: {
      question: 'Is it loose?',
      answers: [
        { id: 'yes', text: 'yes' },
        { id: 'no', text: 'no' },
      ],
    },
  });
  const [first, second] = asked.procedure.steps;
  const workbook = withStep(asked, 1, { when: [{ stepId: first!.id, answerIds: ['yes'] }] });
  const copied = copyingSteps(workbook, second!.id, second!.id);
  const here = applyEdits(workbook, pastingSteps(workbook, copied!, 1, ids()).edits);
  expect(here.procedure.steps[2]).toMatchObject({ targets: second!.targets, when: [{ stepId: first!.id }] });
  const elsewhere = applyEdits(emptyWorkbook(), pastingSteps(emptyWorkbook(), copied!, -1, ids()).edits);
  expect(elsewhere.procedure.steps[0]?.when).toBeUndefined();
});

test('words that read like an id stay words', () => {
  const [, , , last] = from.procedure.steps;
  const copied = copyingSteps(from, last!.id, last!.id)!;
  const renamedParts = { ...copied, components: copied.components.map((part) => ({ ...part })) };
  const after = applyEdits(emptyWorkbook(), pastingSteps(emptyWorkbook(), renamedParts, -1, ids()).edits);
  expect(after.procedure.steps[0]?.detail).toBe('cover');
});
