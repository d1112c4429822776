import type { BenchState, Notice } from '../bench/bench-state';
import type { Route } from '../bench/paths';
import type { Timeline } from '../bench/replay';
import type { Unit } from '../bench/units';
import { componentPhrase, titleOf } from '../language/en/sentence';
import type { Step, Workbook } from '../model/procedure';
import type { Family, Finding, Severity } from './finding';

/** What a rule looks at. */
export interface CheckContext {
  readonly workbook: Workbook;
  readonly timeline: Timeline;
}

/** One thing that can go wrong. Each rule stands in a module of its own, named by its id. */
export interface Rule {
  readonly id: string;
  readonly family: Family;
  /** Unless a single finding is graver, because the series says for sure what is otherwise only presumed. */
  readonly severity: Severity;
  /** What it looks for, as the catalogue in `docs/` says it. */
  readonly looksFor: string;
  /** Why it matters at the bench. */
  readonly reason: string;
  find(context: CheckContext): readonly FoundHere[];
}

/** What a rule finds; id, reason and, where it is not said here, severity are the rule's own. */
export type FoundHere = Pick<Finding, 'stepId' | 'componentIds' | 'unitIds' | 'sentence' | 'fix'> & {
  readonly severity?: Severity;
};

export function runRule(rule: Rule, context: CheckContext): Finding[] {
  const { id, severity, reason } = rule;
  return rule.find(context).map((found) => ({ id, severity, reason, ...found }));
}

/** 'Step 9, "Draw out rotors"', to open a sentence with. */
export function nameStep({ workbook }: CheckContext, step: Step): string {
  return `Step ${workbook.procedure.steps.indexOf(step) + 1}, "${titleOf(step, workbook.series)}"`;
}

export function targetIds(step: Step): string[] {
  return step.targets.map((target) => target.componentId);
}

/** "cover nuts", "rotor", for all there is of a component. */
export function nameAll({ timeline }: CheckContext, componentId: string): string {
  const component = timeline.structure.components.get(componentId);
  return component ? componentPhrase(component, piecesOf(timeline, componentId), false) : 'part';
}

/** The word that agrees with `nameAll`: `agree(context, id, 'is', 'are')`. */
export function agree({ timeline }: CheckContext, componentId: string, one: string, several: string): string {
  return piecesOf(timeline, componentId) > 1 ? several : one;
}

function piecesOf({ structure }: Timeline, componentId: string): number {
  const units = structure.byComponent.get(componentId) ?? [];
  return new Set(units.map((unit) => unit.pieceId)).size;
}

type NoticeOf<K extends Notice['kind']> = Extract<Notice, { kind: K }>;

export interface Noticed<K extends Notice['kind']> {
  readonly step: Step;
  readonly index: number;
  readonly notice: NoticeOf<K>;
  /** ' when "yes"', on some ways only; empty where it happens whatever the answers. */
  readonly when: string;
}

/** What the bench noticed of one kind, once for each step whatever the number of ways. */
export function noticed<K extends Notice['kind']>({ timeline, workbook }: CheckContext, kind: K): Noticed<K>[] {
  return timeline.frames.flatMap(({ step, runs }, index) => {
    if (!runs.some(({ notices }) => notices.some((notice) => notice.kind === kind))) return [];
    const seen = new Map<string, { notice: NoticeOf<K>; routes: Route[] }>();
    for (const { notices, route } of runs) {
      for (const notice of notices) {
        if (notice.kind !== kind) continue;
        const key = JSON.stringify(notice);
        const known = seen.get(key);
        if (known) known.routes.push(route);
        else seen.set(key, { notice: notice as NoticeOf<K>, routes: [route] });
      }
    }
    return [...seen.values()].map(({ notice, routes }) => ({
      step,
      index,
      notice,
      when: routes.length < runs.length ? sayRoute(workbook, routes[0]) : '',
    }));
  });
}

/** The answers of a way: ' when "yes"'. */
export function sayRoute({ procedure }: Workbook, route: Route | undefined): string {
  const answers = [...(route ?? [])].flatMap(([stepId, answerId]) => {
    const step = procedure.steps.find((candidate) => candidate.id === stepId);
    const answer = step?.decision?.answers.find((candidate) => candidate.id === answerId);
    return answer ? [`"${answer.text}"`] : [];
  });
  return answers.length > 0 ? ` when ${answers.join(' and ')}` : '';
}

/** Units that are somewhere at the end, by component, with the way they are there on when it is not every way. */
export function atTheEnd(
  { timeline, workbook }: CheckContext,
  there: (state: BenchState) => readonly Unit[],
): { componentId: string; units: Unit[]; when: string }[] {
  const byComponent = new Map<string, { units: Map<string, Unit>; routes: Route[] }>();
  for (const { state, route } of timeline.ends) {
    for (const unit of there(state)) {
      const known = byComponent.get(unit.componentId) ?? { units: new Map<string, Unit>(), routes: [] as Route[] };
      known.units.set(unit.id, unit);
      if (known.routes.at(-1) !== route) known.routes.push(route);
      byComponent.set(unit.componentId, known);
    }
  }
  return [...byComponent].map(([componentId, { units, routes }]) => ({
    componentId,
    units: [...units.values()],
    when: routes.length < timeline.ends.length ? sayRoute(workbook, routes[0]) : '',
  }));
}
