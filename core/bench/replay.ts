import type { Workbook } from '../model/procedure';
import { Carried } from './carried';
import { type Frame, type History, linesSaid, Replayer, sameJson } from './carry-out';
import type { Cell } from './cells';
import type { Move } from './notices';
import { questionsOf, stepRuns, stepsAsked } from './passes';
import { type Structure, structureOf } from './structure';
import type { Unit } from './units';
import { EVERY_WAY, type Question, Questions, type Route, type Ways } from './ways';

/**
 * The bench replay: the whole state of the bench after every step, on all ways through the procedure at once.
 *
 * Each step is carried out once for all ways that agree in what it looks at (`facts.ts`), so that neither a question nor
 * an answer at each of many places multiplies the work. Every SNAPSHOT_EVERY steps what is carried on is kept, so that
 * any moment can be shown without starting over and an edit at step n replays from the snapshot before n.
 */
const SNAPSHOT_EVERY = 64;

export interface Timeline {
  readonly workbook: Workbook;
  readonly structure: Structure;
  readonly questions: Questions;
  readonly units: ReadonlyMap<string, Unit>;
  readonly frames: readonly Frame[];
  readonly cells: readonly Cell[];
  /** What is carried on before step 0, 64, 128 and so on, where a run of steps begins there. */
  readonly snapshots: ReadonlyMap<number, Carried>;
  /** The bench when all is done. */
  readonly end: Carried;
  /** The ways looked at: all, or the one of the route asked for. */
  readonly within: Ways;
  /** The main way: the answers asked for, the first one wherever none is. */
  readonly main: Route;
  readonly history: History;
}

/**
 * Replays a workbook. With the timeline of an earlier version it starts at the first step that differs. With a route
 * only the way with those answers is followed; decisions it does not name take their first answer.
 */
export function replay(workbook: Workbook, previous?: Timeline, route?: Route): Timeline {
  const { series, procedure, before = [] } = workbook;
  const { steps } = procedure;
  const structure = structureOf(series, [...before, procedure], previous?.structure);
  const earlier = before.flatMap((module) => module.steps);
  const asking = questionsOf(
    [...before, procedure].flatMap((module) => stepsAsked(module, series)),
    series,
  );
  const kept = !route && previous && canGoOn(previous, workbook, structure) ? previous : undefined;
  const known = kept?.questions.ask(asking) ? kept.questions : undefined;
  const questions = known ?? newQuestions(asking);
  const resume = kept && known ? resumeAt(kept, workbook) : undefined;
  const within = route ? wayOf(asking, route, questions) : EVERY_WAY;
  const main: Route = route ?? new Map();
  const start = resume?.index ?? 0;
  const history: History = {
    before: earlier.length,
    steps: resume && kept ? kept.history.steps.slice(0, earlier.length + start) : [],
  };
  const carried = resume ? resume.carried.copy() : new Carried(structure, questions);
  const replayer = new Replayer(workbook, structure, carried, history, within, main);
  if (!resume) {
    layOutAtStart(structure, carried);
    for (const module of before)
      for (const run of stepRuns(module)) replayer.run(module.steps, run, history.steps.length - earlier.length);
  }
  const frames: Frame[] = resume && kept ? kept.frames.slice(0, start) : [];
  const snapshots = new Map(resume && kept ? [...kept.snapshots].filter(([at]) => at < start) : []);
  let due = start;
  for (const run of stepRuns(procedure)) {
    if (run.to <= start) continue;
    if (run.from >= due) {
      snapshots.set(run.from, carried.copy());
      due = run.from + SNAPSHOT_EVERY;
    }
    frames.push(...replayer.run(steps, run, run.from));
  }
  if (snapshots.size === 0) snapshots.set(0, carried.copy());
  return {
    workbook,
    structure,
    questions,
    units: structure.units,
    frames,
    cells: carried.cells.list,
    snapshots,
    end: carried,
    within,
    main,
    history,
  };
}

/** What is carried on after the first `count` steps, on the main way. */
export function carriedAfter(timeline: Timeline, count: number): Carried {
  const { workbook, structure, questions, main, history } = timeline;
  if (count >= timeline.frames.length) return timeline.end;
  const { procedure, before = [] } = workbook;
  const at = Math.max(...[...timeline.snapshots.keys()].filter((index) => index <= count));
  const carried = timeline.snapshots.get(at)?.copy() ?? new Carried(structure, questions);
  const earlier = before.flatMap((module) => module.steps);
  const within = wayOf(questionsOf([...earlier, ...procedure.steps], structure.series), main, questions);
  const past: History = { before: history.before, steps: history.steps.slice(0, history.before + at) };
  const replayer = new Replayer(workbook, structure, carried, past, within, main);
  for (const run of stepRuns(procedure))
    if (run.from >= at && run.from < count)
      replayer.run(procedure.steps, { ...run, to: Math.min(run.to, count) }, run.from);
  return carried;
}

function newQuestions(asking: readonly Question[]): Questions {
  const questions = new Questions();
  questions.ask(asking);
  return questions;
}

/** The ways that are open on a route: each question has the answer of the route, or its first. */
function wayOf(asking: readonly Question[], route: Route, questions: Questions): Ways {
  return asking.reduce((ways, { key, answers }) => {
    const answer = route.get(key) ?? answers[0];
    return answer === undefined
      ? ways
      : questions.both(ways, questions.where(key, [answers.includes(answer) ? answer : (answers[0] ?? '')]));
  }, EVERY_WAY);
}

/** Parts that lie on the bench before the first step have their cells like all others. */
function layOutAtStart(structure: Structure, carried: Carried): void {
  for (const id of structure.startsOut) {
    for (const piece of structure.byComponent.get(id) ?? []) {
      const unit = structure.units.get(`${piece.id}/old`);
      if (unit) carried.cells.reserve({ id: 'start' }, unit);
    }
  }
}

/** Whether anything of an earlier replay can hold for this workbook. */
function canGoOn(previous: Timeline, { procedure, before }: Workbook, structure: Structure): boolean {
  const was = previous.workbook;
  return (
    previous.within === EVERY_WAY &&
    previous.structure === structure &&
    was.before === before &&
    was.procedure.blocks === procedure.blocks &&
    was.procedure.startsFrom === procedure.startsFrom &&
    // What is said further on is compared with what was said before.
    sameFacings(was.procedure.steps, procedure.steps) &&
    sameJson(linesSaid(was.procedure.steps), linesSaid(procedure.steps))
  );
}

type Steps = Workbook['procedure']['steps'];

function sameFacings(before: Steps, after: Steps): boolean {
  if (before === after) return true;
  const [a, b] = [before.filter(({ faces }) => faces), after.filter(({ faces }) => faces)];
  return (
    a.length === b.length && a.every(({ faces, targets }, i) => faces === b[i]?.faces && targets === b[i]?.targets)
  );
}

/** The latest snapshot of an earlier timeline up to which nothing has changed. */
function resumeAt(
  previous: Timeline,
  { procedure: { steps } }: Workbook,
): { index: number; carried: Carried } | undefined {
  let same = 0;
  while (same < steps.length && previous.frames[same]?.step === steps[same]) same += 1;
  const index = Math.max(-1, ...[...previous.snapshots.keys()].filter((at) => at <= same));
  const carried = previous.snapshots.get(index);
  return carried && { index, carried };
}

/** What a step moves, on whichever way. */
export function movesOf({ runs }: Frame): readonly Move[] {
  return runs.length === 1 ? (runs[0]?.moves ?? []) : runs.flatMap((run) => run.moves);
}

export type { Frame } from './carry-out';
