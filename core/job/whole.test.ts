import { replay } from '../bench/replay';
import { lyingFree, stateAfter } from '../bench/state';
import { sayStep } from '../language/en/sentence';
import type { Step, Workbook } from '../model/procedure';
import { branching } from '../testing/findings';
import { typed } from '../testing/workbook';
import { wholeChain } from './whole';

describe('the whole chain, as it is carried out', () => {
  const down = typed(['isolate the drive', 'take off cover', 'draw rotor @each shaft']);
  const up = typed(['fit rotor', 'fit cover', 'restore the drive'], {
    ...down,
    procedure: { ...down.procedure, steps: [] },
  });
  const chain: Workbook = { series: up.series, procedure: up.procedure, before: [down.procedure] };

  test('is all steps in order, and ends as the modules do', () => {
    const whole = wholeChain(chain);
    expect(whole.procedure.steps.map((step) => step.verb)).toEqual([
      'isolate',
      'take-off',
      'draw',
      'fit',
      'fit',
      'restore',
    ]);
    expect(whole.before).toBeUndefined();
    expect(lyingFree(replay(whole), stateAfter(replay(whole), whole.procedure.steps.length))).toEqual([]);
  });
  test('of a procedure that takes nothing over is the procedure itself', () => {
    expect(wholeChain(down)).toBe(down);
  });
  test('keeps steps of the same id apart, with what hangs on their answers', () => {
    const module = branching(['mark ball', 'draw seat', 'fit seat'], [1, 2]);
    const whole = wholeChain({ ...module, before: [module.procedure] });
    const ids = whole.procedure.steps.map((step) => step.id);
    expect(new Set(ids).size).toBe(6);
    expect(whole.procedure.steps[4]?.when?.[0]?.stepId).toBe(ids[3]);
    expect(whole.procedure.steps[1]?.when?.[0]?.stepId).toBe(ids[0]);
  });
});

describe('a block', () => {
  const lines = ['draw rotor @each shaft', 'inspect seal @each shaft', 'draw seal @each shaft'];
  const base = typed(lines);
  const [first, asking, hanging] = base.procedure.steps.map((step) => ({ ...step, blockId: 'b' }));
  const answers = ['good', 'worn'].map((id) => ({ id, text: id }));
  const workbook: Workbook = {
    ...base,
    procedure: {
      ...base.procedure,
      blocks: [{ id: 'b', positionIds: ['s2', 's1'] }],
      steps: [
        first!,
        { ...asking!, decision: { question: 'How is it?', answers } },
        { ...hanging!, when: [{ stepId: asking!.id, answerIds: ['worn'] }] },
      ],
    },
  };
  test('is carried out at one place after the other, each with its own question', () => {
    const { steps, blocks } = wholeChain(workbook).procedure;
    expect(blocks).toBeUndefined();
    expect(steps.map(({ verb, positionIds }) => [verb, ...positionIds])).toEqual([
      ['draw', 's2'],
      ['inspect', 's2'],
      ['draw', 's2'],
      ['draw', 's1'],
      ['inspect', 's1'],
      ['draw', 's1'],
    ]);
    expect(new Set(steps.map(({ id }) => id)).size).toBe(6);
    expect(steps[2]?.when?.[0]?.stepId).toBe(steps[1]?.id);
    expect(steps[5]?.when?.[0]?.stepId).toBe(steps[4]?.id);
    expect(steps.some(({ blockId }) => blockId)).toBe(false);
  });
  test('leaves a step behind it that hangs on its question to what was answered at each place', () => {
    const after: Step = { ...hanging!, id: 'after', when: [{ stepId: asking!.id, answerIds: ['good'] }] };
    const { blockId: _out, ...outside } = after;
    const { steps } = wholeChain({
      ...workbook,
      procedure: { ...workbook.procedure, steps: [...workbook.procedure.steps, outside] },
    }).procedure;
    expect(steps.slice(6).map(({ positionIds, when }) => [...positionIds, when?.[0]?.stepId])).toEqual([
      ['s2', steps[1]?.id],
      ['s1', steps[4]?.id],
    ]);
  });
  test('may be told as in a mirror from the second place on', () => {
    const blocks = workbook.procedure.blocks!.map((block) => ({ ...block, mirrored: true as const }));
    const { steps } = wholeChain({ ...workbook, procedure: { ...workbook.procedure, blocks } }).procedure;
    expect(steps.map(({ mirrored }) => mirrored ?? false)).toEqual([false, false, false, true, true, true]);
    expect(sayStep(steps[3]!, workbook.series)).toBe('Draw out the rotor at shaft 1, as a mirror image.');
  });
});

test('the chain starts from the parts that its first module starts from', () => {
  const down = typed(['fit rotor @each shaft']);
  const first = { ...down.procedure, startsFrom: { is: 'parts' as const } };
  const second = { ...typed(['draw rotor @each shaft'], { ...down, procedure: { ...down.procedure, steps: [] } }) };
  const whole = wholeChain({ ...second, before: [first] });
  expect(whole.procedure.startsFrom).toEqual({ is: 'parts' });
  expect(lyingFree(replay(whole), stateAfter(replay(whole), 0))).toHaveLength(2);
});
