import type { Notice, NoticeKind, NoticeOf } from '../bench/notices';
import { type Frame, movesOf, type Timeline } from '../bench/replay';
import { NO_WAY, type Ways } from '../bench/ways';
import { draftStep } from '../drafting/draft-step';
import type { Edit } from '../edits/edit';
import type { Step, Workbook } from '../model/procedure';
import type { Component, Series, Tool } from '../model/series';
import type { Verb } from '../model/verbs';
import type { Answered, FactsOf, Family, Finding, FindingOf, Fix, RuleId, Severity } from './finding';

/** What a rule looks at. */
export interface CheckContext {
  readonly workbook: Workbook;
  readonly timeline: Timeline;
  /** ISO date; undefined where nobody works by the procedure today, so that nothing runs out. */
  readonly today?: string | undefined;
}

/** What a rule finds; id and, where it is not said here, severity are the rule's own. */
export type Found<R extends RuleId> = Omit<FindingOf<R>, 'id' | 'severity' | 'accepted'> & {
  readonly severity?: Severity;
};

/** One thing that can go wrong. */
export interface Rule<R extends RuleId = RuleId> {
  readonly id: R;
  readonly family: Family;
  /** Unless a single finding is graver, because the series says for sure what is otherwise only presumed. */
  readonly severity: Severity;
  find(context: CheckContext): readonly Found<R>[];
  /** What would put it right, worked out when somebody asks for it. */
  fix?(finding: FindingOf<R>, context: CheckContext): Fix | undefined;
}

/** Rules of different facts in one list: each only ever sees findings of its own. */
export type AnyRule = { [R in RuleId]: Rule<R> }[RuleId];

export function runRule(rule: AnyRule, context: CheckContext): Finding[] {
  const { id, severity } = rule;
  return (rule as Rule).find(context).map((found) => ({ id, severity, ...found }) as Finding);
}

export function targetIds(step: Step): string[] {
  return step.targets.map((target) => target.componentId);
}

export function componentOf({ timeline }: CheckContext, id: string): Component | undefined {
  return timeline.structure.components.get(id);
}

export function targetsOf(context: CheckContext, step: Step): Component[] {
  return step.targets.flatMap(({ componentId }) => componentOf(context, componentId) ?? []);
}

export interface Noticed<K extends NoticeKind> {
  readonly step: Step;
  readonly index: number;
  readonly notice: NoticeOf<K>;
  /** The answers it takes, where it does not happen on every way. */
  readonly on: readonly Answered[] | undefined;
}

const sorted = new WeakMap<Timeline, Map<NoticeKind, Noticed<NoticeKind>[]>>();

/** What the bench noticed of one kind, once for each step whatever the number of ways. */
export function noticed<K extends NoticeKind>({ timeline }: CheckContext, kind: K): Noticed<K>[] {
  const there = sorted.get(timeline) ?? sortNotices(timeline);
  sorted.set(timeline, there);
  return (there.get(kind) ?? []) as unknown as Noticed<K>[];
}

function sortNotices(timeline: Timeline): Map<NoticeKind, Noticed<NoticeKind>[]> {
  const { questions } = timeline;
  const byKind = new Map<NoticeKind, Noticed<NoticeKind>[]>();
  timeline.frames.forEach(({ step, runs, ways: all }, index) => {
    const seen = new Map<string, { notice: Notice; ways: Ways }>();
    for (const { notices, ways } of runs) {
      for (const notice of notices) {
        const key = JSON.stringify(notice);
        const known = seen.get(key);
        seen.set(key, { notice, ways: known ? questions.either(known.ways, ways) : ways });
      }
    }
    for (const { notice, ways } of seen.values()) {
      const list = byKind.get(notice.kind) ?? [];
      list.push({ step, index, notice, on: answersOn(timeline, ways, all) } as Noticed<NoticeKind>);
      byKind.set(notice.kind, list);
    }
  });
  return byKind;
}

/** The answers that lead to some ways, unless they are all there are. */
export function answersOn({ questions }: Timeline, ways: Ways, all: Ways): readonly Answered[] | undefined {
  if (ways === all || questions.without(all, ways) === NO_WAY) return undefined;
  return [...(questions.sample(ways) ?? [])].map(([key, answerId]): Answered => {
    if (key.startsWith('method:')) return { stepId: key.slice('method:'.length), answerId, method: true };
    const [stepId = '', positionId] = key.split('@');
    return { stepId, answerId, ...(positionId !== undefined && { positionId }) };
  });
}

/** A finding about a step that the bench noticed. */
export function atStep(step: Step, on: readonly Answered[] | undefined) {
  return { stepId: step.id, ...(on && on.length > 0 && { on }) };
}

/** The fields of a notice that name a part, the part it is about first. */
const PART_FIELDS = ['componentId', 'fastenerId', 'lockId', 'heldId', 'overId', 'housingId'] as const;

/** Rules whose facts are what the bench notices under the same name. */
type AsNoticed = {
  [K in NoticeKind & RuleId]: Omit<NoticeOf<K>, 'kind'> extends FactsOf[K] ? K : never;
}[NoticeKind & RuleId];

/** What the bench noticed, told as it is: the facts of the finding are those of the notice. */
export function asNoticed<K extends AsNoticed>(context: CheckContext, kind: K): Found<K>[] {
  return noticed(context, kind).map(({ step, on, notice }) => {
    const { kind: _rule, ...facts } = notice as { readonly [field: string]: unknown };
    const componentIds = PART_FIELDS.flatMap((field) => facts[field] ?? []);
    return { ...atStep(step, on), componentIds, facts } as unknown as Found<K>;
  });
}

/** Whether a step takes a part off, on whichever way. */
export function comesOff(timeline: Timeline, frame: Frame, componentId: string): boolean {
  return moves(timeline, frame, componentId, 'out');
}

export function goesHome(timeline: Timeline, frame: Frame, componentId: string): boolean {
  return moves(timeline, frame, componentId, 'home');
}

function moves({ units }: Timeline, frame: Frame, componentId: string, how: 'out' | 'home'): boolean {
  return movesOf(frame).some(({ act, unitId }) => act === how && units.get(unitId)?.componentId === componentId);
}

/** A drafted step for a part right before the one a finding is about, at the same places and on the same answers. */
export function draftedBefore(
  context: CheckContext,
  stepId: string | undefined,
  verb: Verb,
  componentId: string,
  fields: Partial<Step> = {},
): Edit[] {
  const step = stepOf(context, stepId);
  if (!step) return [];
  const drafted = draftStep(context.workbook, verb, componentId, {
    stage: step.stage,
    targets: [{ componentId }],
    positionIds: step.positionIds,
    ...(step.when && { when: step.when }),
    ...fields,
  });
  return [{ kind: 'insert', index: indexOf(context, stepId), step: drafted }];
}

/** What is read from the words of a step, computed once for each version of the step and its series. */
export function remembered<T>(compute: (step: Step, series: Series) => T): (step: Step, series: Series) => T {
  const known = new WeakMap<Step, { series: Series; value: T }>();
  return (step, series) => {
    const there = known.get(step);
    if (there?.series === series) return there.value;
    const value = compute(step, series);
    known.set(step, { series, value });
    return value;
  };
}

/** Every tool a step takes in hand, with those of its other methods. */
export const toolsOf = remembered((step, { tools }): readonly Tool[] => {
  const ids = new Set([...step.toolIds, ...(step.methods ?? []).flatMap(({ toolIds }) => toolIds)]);
  return ids.size === 0 ? [] : tools.filter(({ id }) => ids.has(id));
});

export function changeStep(step: Step, fields: Partial<Step>) {
  return { kind: 'change' as const, stepId: step.id, fields };
}

export function stepOf({ workbook }: CheckContext, stepId: string | undefined): Step | undefined {
  return workbook.procedure.steps.find(({ id }) => id === stepId);
}

export function indexOf({ workbook }: CheckContext, stepId: string | undefined): number {
  return workbook.procedure.steps.findIndex(({ id }) => id === stepId);
}
