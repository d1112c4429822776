import { UNSAID_MINUTES } from '../model/lookup';
import type { Step, Workbook } from '../model/procedure';
import type { Series } from '../model/series';
import { stepBy } from '../model/setting';
import { facingsSaid } from '../orientation/facings-said';
import { countIn, type Line, linesIn, saysLiquid, standsInHoles } from '../reading/words';
import type { Surroundings } from './acting';
import type { Carried } from './carried';
import { type Explored, explore, merged, type Variant } from './facts';
import { FIELD_NAMES, FIELDS } from './fields';
import type { Move, Notice } from './notices';
import {
  type Asked,
  atBlockPlace,
  methodKey,
  methodsThatDiffer,
  type Pass,
  passesOf,
  type StepRun,
  stepsAsked,
} from './passes';
import { type Outcome, perform } from './perform';
import type { Structure } from './structure';
import { NO_WAY, type Questions, type Route, type Ways } from './ways';

/** A step carried out on ways that all end alike. */
export interface Run {
  readonly ways: Ways;
  readonly moves: readonly Move[];
  readonly notices: readonly Notice[];
}

export interface Frame {
  readonly step: Step;
  /** The ways on which the step is carried out. */
  readonly ways: Ways;
  /** What it does on them; the main way is in the first. */
  readonly runs: readonly Run[];
  /** Whether the main way carries it out. */
  readonly onMain: boolean;
  /** What it moves on the main way, or on the first way that carries it out. */
  readonly moves: readonly Move[];
}

/** On which ways each step was carried out and how long it takes; those of the modules before stand first. */
export interface History {
  readonly before: number;
  readonly steps: { readonly ways: Ways; readonly minutes: number }[];
}

/** Carries out steps one after the other on all the ways asked for, and keeps what is carried on. */
export class Replayer {
  private readonly around: Surroundings;
  private readonly asked: Asked;
  private readonly series: Series;

  constructor(
    { procedure, before = [] }: Workbook,
    private readonly structure: Structure,
    readonly carried: Carried,
    readonly history: History,
    private readonly within: Ways,
    private readonly main: Route,
  ) {
    const steps = [...before.flatMap((module) => module.steps), ...procedure.steps];
    this.series = structure.series;
    this.around = surroundings(structure, carried, history, steps, facingsSaid(procedure.steps));
    const asked = [...before, procedure].flatMap((module) => stepsAsked(module, structure.series));
    const stepsById = new Map(asked.map((step) => [step.id, step]));
    const { questions } = carried.facts;
    this.asked = { questions, series: structure.series, places: structure.places, stepsById, asked: carried.asked };
  }

  private get questions(): Questions {
    return this.carried.facts.questions;
  }

  /** Carries out a run of steps; `index` is where its first step stands, before zero for those of earlier modules. */
  run(all: readonly Step[], run: StepRun, index: number): Frame[] {
    const { questions, carried, within, main, history, asked, structure, series } = this;
    const own = all.slice(run.from, run.to);
    const runs: Run[][] = own.map(() => []);
    const ways: Ways[] = own.map(() => NO_WAY);
    const places = run.positionIds ?? [null];
    for (const place of places) {
      own.forEach((step, i) => {
        const here = place === null ? step : atBlockPlace(step, place, series, structure.places);
        // Times are counted along the first pass through a block.
        if (place === places[0]) history.steps.push({ ways: NO_WAY, minutes: step.minutes ?? UNSAID_MINUTES });
        for (const pass of here ? passesOf(here, asked) : []) {
          const done = questions.both(pass.ways, within);
          ways[i] = questions.either(ways[i] ?? NO_WAY, done);
          const at = history.steps.length - 1 - (place === places[0] ? 0 : own.length - 1 - i);
          history.steps[at] = { ways: ways[i] ?? NO_WAY, minutes: step.minutes ?? UNSAID_MINUTES };
          if (done !== NO_WAY) runs[i]?.push(...this.carryOut({ step: pass.step, ways: done }, index + i));
        }
        if (step.decision) carried.asked.set(step.id, ways[i] ?? NO_WAY);
        this.tidy(step, runs[i] ?? []);
      });
    }
    return own.map((step, i): Frame => {
      const ofStep = runs[i] ?? [];
      const isMain = (candidate: Run) => questions.holds(candidate.ways, main);
      const mains = ofStep.filter(isMain);
      const shown = mains.length > 0 ? mains : ofStep.slice(0, run.positionIds ? ofStep.length : 1);
      return {
        step,
        ways: ways[i] ?? NO_WAY,
        runs: [...mains, ...ofStep.filter((candidate) => !isMain(candidate))],
        onMain: questions.holds(ways[i] ?? NO_WAY, main),
        moves: shown.flatMap(({ moves }) => moves),
      };
    });
  }

  /** What a step acts on or moves may be home and tight again. */
  private tidy(step: Step, runs: readonly Run[]): void {
    const { byComponent, units } = this.structure;
    for (const { componentId } of step.targets)
      for (const { id } of byComponent.get(componentId) ?? []) this.carried.tidy(id);
    for (const { moves } of runs)
      for (const { unitId } of moves) {
        const unit = units.get(unitId);
        if (unit && !step.targets.some(({ componentId }) => componentId === unit.componentId))
          this.carried.tidy(unit.pieceId);
      }
  }

  /** One pass of a step, by each of its methods that does anything else. */
  private carryOut({ step, ways }: Pass, index: number): Run[] {
    const { questions, carried } = this;
    const methods = methodsThatDiffer(step);
    if (methods.length === 0) return this.carryOutBy(step, ways, index);
    const key = methodKey(step.id);
    const own = this.carryOutBy(step, questions.both(ways, questions.where(key, [''])), index);
    const others = methods.flatMap((method) => {
      const chosen = questions.both(ways, questions.where(key, [method.id]));
      const runsBy = this.carryOutBy(stepBy(step, method), chosen, index);
      return runsBy.map((run) => ({ method, run }));
    });
    const result = [...own];
    for (const { method, run } of others) {
      const componentIds = leftOtherwise(carried, key, method.id, step);
      const more = run.notices.filter((notice) => !own.some(({ notices }) => notices.some((n) => sameJson(n, notice))));
      const disagrees: Notice[] = componentIds ? [{ kind: 'methods-disagree', methodId: method.id, componentIds }] : [];
      result.push({ ...run, notices: [...more, ...disagrees] });
    }
    return result;
  }

  private carryOutBy(step: Step, ways: Ways, index: number): Run[] {
    const { questions, carried, around } = this;
    const { outcomes, complete }: Explored<Outcome> = explore(
      carried.facts,
      ways,
      (now) => perform(now, around, step, index),
      true,
    );
    if (!complete) carried.tooManyWays = true;
    return merged(outcomes, questions, (outcome) => JSON.stringify(outcome)).map(({ ways: alike, value }) => ({
      ways: alike,
      ...value,
    }));
  }
}

export function sameJson(a: unknown, b: unknown): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

/** The parts that a method leaves in another state than the step itself does; undefined when it leaves none. */
function leftOtherwise({ facts }: Carried, key: string, methodId: string, step: Step): string[] | undefined {
  const { questions, structure } = facts;
  const [own, other] = [questions.where(key, ['']), questions.where(key, [methodId])];
  const parts = new Set(step.targets.map(({ componentId }) => componentId));
  const ids = new Set<string>();
  let differs = false;
  for (const name of FIELD_NAMES) {
    const { endsDifferent, of } = FIELDS[name] as { endsDifferent: (value: unknown) => unknown; of: string };
    for (const factKey of facts.touched(name)) {
      const componentId = of === 'piece' ? structure.pieces.get(factKey)?.componentId : undefined;
      if (of === 'piece' && !parts.has(componentId ?? '')) continue;
      const values = (ways: Ways) =>
        facts
          .variants(name, factKey)
          .flatMap((variant) => (questions.both(variant.ways, ways) === NO_WAY ? [] : [endsDifferent(variant.value)]));
      if (sameJson(new Set(values(own)).size, new Set(values(other)).size) && sameJson(values(own), values(other)))
        continue;
      differs = true;
      if (componentId) ids.add(componentId);
    }
  }
  return differs ? [...ids] : undefined;
}

function surroundings(
  structure: Structure,
  carried: Carried,
  history: History,
  steps: readonly Step[],
  facings: ReadonlyMap<string, readonly Step[]>,
): Surroundings {
  const lines = new Set(linesSaid(steps));
  const aidHoles = new Map(
    structure.series.tools.flatMap(({ id, name, size }) =>
      standsInHoles(name) ? [[id, countIn(`${name} ${size ?? ''}`)] as const] : [],
    ),
  );
  const { cells, away, takenFirst, isolations, drains, aids, loose } = carried;
  return {
    structure,
    cells,
    away,
    takenFirst,
    isolations,
    drains,
    aids,
    loose,
    aidHoles,
    lines,
    holdsLiquid: () =>
      steps.some(({ about }) => saysLiquid(about)) || structure.series.components.some(({ name }) => saysLiquid(name)),
    minutesSince: (index, now) => minutesBetween(history, index, now.ways, carried.facts.questions),
    facingElsewhere: (componentId, except) =>
      facings.get(componentId)?.find((step) => step.id !== except.id)?.faces ?? null,
  };
}

/** The lines that steps close or release, so that each has to be without pressure before anything is opened. */
export function linesSaid(steps: readonly Step[]): Line[] {
  const said = steps.flatMap(({ verb, about }) =>
    verb === 'release-pressure' || verb === 'close-valve' || verb === 'isolate' ? linesIn(about) : [],
  );
  return [...new Set(said)].sort();
}

/** Sums apart by less than this are told apart no further once there are many. */
const MOST_SUMS = 48;

/** Minutes from the step at `index` to now, for the ways given: one sum for each set of ways that took as long. */
function minutesBetween(
  { before, steps }: History,
  index: number,
  ways: Ways,
  questions: Questions,
): Variant<number>[] {
  let sums: Variant<number>[] = [{ ways, value: 0 }];
  // The last entry is the step in hand, which has not passed yet.
  for (const { ways: done, minutes } of steps.slice(index + before, -1)) {
    if (minutes === 0 || done === NO_WAY) continue;
    const bySum = new Map<number, Ways>();
    const add = (sum: number, on: Ways) => {
      if (on !== NO_WAY) bySum.set(sum, questions.either(bySum.get(sum) ?? NO_WAY, on));
    };
    for (const { ways: on, value } of sums) {
      add(value + minutes, questions.both(on, done));
      add(value, questions.without(on, done));
    }
    sums = [...bySum].map(([value, on]) => ({ ways: on, value }));
    if (sums.length > MOST_SUMS) sums = nearestMerged(sums, questions);
  }
  return sums;
}

function nearestMerged(sums: readonly Variant<number>[], questions: Questions): Variant<number>[] {
  const sorted = [...sums].sort((a, b) => a.value - b.value);
  const merging: Variant<number>[] = [];
  sorted.forEach((sum, i) => {
    const last = merging.at(-1);
    const isEdge = i === 0 || i === sorted.length - 1;
    if (last && !isEdge && merging.length > 1 && i % 2 === 0)
      merging[merging.length - 1] = { ways: questions.either(last.ways, sum.ways), value: last.value };
    else merging.push(sum);
  });
  return merging;
}
