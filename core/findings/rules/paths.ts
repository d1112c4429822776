import { FIELD_NAMES, FIELDS, type FieldName } from '../../bench/fields';
import { NO_WAY, type Ways } from '../../bench/ways';
import { draftedFields } from '../../edits/steps';
import { answersOn, atStep, type CheckContext, changeStep, noticed, type Rule, stepOf, targetIds } from '../rule';

/** What differs in the end between the ways through, of all that makes a pump another one. */
function differing({ timeline }: CheckContext): { name: FieldName; key: string; ways: Ways }[] {
  const { facts } = timeline.end;
  const { questions, within } = timeline;
  return FIELD_NAMES.flatMap((name) => {
    const { endsDifferent } = FIELDS[name] as { endsDifferent: (value: unknown) => unknown };
    return facts.touched(name).flatMap((key) => {
      const all = facts.variants(name, key);
      if (all.length < 2) return [];
      const variants = all.flatMap(({ ways, value }) => {
        const there = questions.both(ways, within);
        return there === NO_WAY ? [] : [{ ways: there, value: JSON.stringify(endsDifferent(value) ?? null) }];
      });
      const [first] = variants;
      const other = variants.find(({ value }) => value !== first?.value);
      return other ? [{ name, key, ways: other.ways }] : [];
    });
  });
}

export const pathsDisagree: Rule<'paths-disagree'> = {
  id: 'paths-disagree',
  family: 'paths',
  severity: 'warn',
  find: (context) => {
    const { timeline } = context;
    const { pieces } = timeline.structure;
    const byQuestion = new Map<string, { parts: Set<string>; ways: Ways }>();
    for (const { name, key, ways } of differing(context)) {
      const on = answersOn(timeline, ways, timeline.within) ?? [];
      // Where a method alone makes the difference, that is said of the method.
      if (on.length > 0 && on.every(({ method }) => method)) continue;
      const stepId = on.find(({ method }) => !method)?.stepId ?? '';
      const known = byQuestion.get(stepId) ?? { parts: new Set<string>(), ways };
      const part = FIELDS[name].of === 'piece' ? pieces.get(key)?.componentId : undefined;
      if (part) known.parts.add(part);
      byQuestion.set(stepId, known);
    }
    return [...byQuestion].map(([stepId, { parts, ways }]) => ({
      ...(stepOf(context, stepId) && { stepId }),
      ...(answersOn(timeline, ways, timeline.within) && { on: answersOn(timeline, ways, timeline.within) ?? [] }),
      componentIds: [...parts],
      facts: { parts: [...parts] },
    }));
  },
};

export const methodsDisagree: Rule<'methods-disagree'> = {
  id: 'methods-disagree',
  family: 'paths',
  severity: 'warn',
  find: (context) =>
    noticed(context, 'methods-disagree').map(({ step, notice: { methodId, componentIds } }) => ({
      ...atStep(step, undefined),
      componentIds: componentIds.length > 0 ? componentIds : targetIds(step),
      facts: { methodId },
    })),
};

export const tooManyWays: Rule<'too-many-ways'> = {
  id: 'too-many-ways',
  family: 'paths',
  severity: 'advise',
  find: ({ timeline }) => (timeline.end.tooManyWays ? [{ componentIds: [], facts: {} }] : []),
};

export const deadPath: Rule<'dead-path'> = {
  id: 'dead-path',
  family: 'paths',
  severity: 'stop',
  find: ({ timeline, workbook }) => {
    const { steps } = workbook.procedure;
    const unreached = timeline.frames.filter(({ ways }) => ways === NO_WAY);
    const asked = new Set([
      ...steps.flatMap(({ when = [] }) => when.map(({ stepId }) => stepId)),
      ...(workbook.procedure.kits ?? []).flatMap(({ when = [] }) => when.map(({ stepId }) => stepId)),
    ]);
    const idle = steps.filter((step) => step.decision && !asked.has(step.id));
    return [
      ...unreached.map(({ step }) => ({
        stepId: step.id,
        componentIds: targetIds(step),
        facts: { why: 'unreached' as const },
      })),
      ...idle.map((step) => ({
        stepId: step.id,
        componentIds: [],
        severity: 'warn' as const,
        facts: { why: 'idle' as const },
      })),
    ];
  },
  fix: ({ stepId, facts: { why } }, context) => {
    const step = stepOf(context, stepId);
    if (!step || why !== 'unreached') return undefined;
    return { words: { does: 'do-always' }, edits: [changeStep(step, { when: undefined })] };
  },
};

export const unconfirmed: Rule<'unconfirmed'> = {
  id: 'unconfirmed',
  family: 'drafting',
  severity: 'warn',
  find: ({ workbook }) => {
    const drafted = workbook.procedure.steps.filter((step) => draftedFields(step).length > 0);
    const [first] = drafted;
    return first ? [{ stepId: first.id, componentIds: [], facts: { count: drafted.length } }] : [];
  },
  fix: (_finding, { workbook }) => ({
    words: { does: 'confirm-all' },
    edits: workbook.procedure.steps
      .filter((step) => draftedFields(step).length > 0)
      .map((step) => changeStep(step, { drafted: undefined })),
  }),
};
