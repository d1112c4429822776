import { componentPhrase } from '../language/en/sentence';
import { isToDo, type Step, type Workbook } from '../model/procedure';
import { Bench } from './bench';
import type { BenchState, Move, Notice } from './bench-state';
import { type Cell, Cells } from './cells';
import { fork, lastUses, MOST_PATHS, type Path, type Route, rejoin, sameBench } from './paths';
import { type Structure, structureOf } from './structure';
import type { Place, Unit } from './units';

/**
 * The bench replay: the whole state of the bench after every step.
 *
 * The replay is a fold of steps over the working states of all ways through. Decisions fork it, and ways that agree
 * again go on as one, so that k decisions do not cost 2^k. Every SNAPSHOT_EVERY steps the states are kept, so that any
 * moment can be shown without starting over and an edit at step n replays from the snapshot before n.
 */
const SNAPSHOT_EVERY = 64;

/** A step carried out on one of the ways through. */
export interface Run {
  readonly route: Route;
  readonly moves: readonly Move[];
  readonly notices: readonly Notice[];
}

export interface Frame {
  readonly step: Step;
  /** One for each way that carries the step out, the main way first. */
  readonly runs: readonly Run[];
  /** Whether the main way carries it out. */
  readonly onMain: boolean;
  /** What it moves on the main way, or on the first way that carries it out. */
  readonly moves: readonly Move[];
}

export interface Timeline {
  readonly workbook: Workbook;
  readonly structure: Structure;
  readonly units: ReadonlyMap<string, Unit>;
  readonly frames: readonly Frame[];
  readonly cells: readonly Cell[];
  /** The states before step 0, 64, 128 and so on. */
  readonly snapshots: readonly Snapshot[];
  /** Where the main way ends. */
  readonly end: BenchState;
  /** Where each way ends that did not join another, the main one first. */
  readonly ends: readonly { readonly state: BenchState; readonly route: Route }[];
  /** More ways at once than are followed. */
  readonly tooManyPaths: boolean;
  /** For each decision the last step that depends on it. */
  readonly uses: ReadonlyMap<string, number>;
}

interface Snapshot {
  readonly paths: readonly Path[];
  /** Some ways were given up before this moment. */
  readonly tooManyPaths: boolean;
  readonly cells: readonly Cell[];
}

/**
 * Replays a workbook. With the timeline of an earlier version it starts at the first step that differs. With a route
 * only the way with those answers is followed; decisions it does not name take their first answer.
 */
export function replay(workbook: Workbook, previous?: Timeline, route?: Route): Timeline {
  const { series, procedure, before = [] } = workbook;
  const { steps } = procedure;
  const structure = structureOf(series, [...before, procedure], previous?.structure);
  const kept =
    !route && previous?.structure === structure && previous.workbook.before === workbook.before ? previous : undefined;
  const uses = lastUses(steps);
  const start = kept ? unchangedSteps(kept, steps, uses) : 0;
  const resume = kept?.snapshots[start / SNAPSHOT_EVERY];
  const cells = new Cells(structure, resume?.cells);
  let paths: Path[] = resume
    ? resume.paths.map((path) => ({ ...path, bench: path.bench.copy(cells) }))
    : [{ bench: takeOver(structure, before, cells), open: new Map(), route: new Map() }];
  const frames: Frame[] = kept ? kept.frames.slice(0, start) : [];
  const snapshots: Snapshot[] = kept ? kept.snapshots.slice(0, start / SNAPSHOT_EVERY) : [];
  let tooManyPaths = resume?.tooManyPaths ?? false;

  const snapshot = (): Snapshot => ({
    paths: paths.map((path) => ({ ...path, bench: path.bench.copy() })),
    cells: [...cells.list],
    tooManyPaths,
  });
  steps.slice(start).forEach((step, i) => {
    const index = start + i;
    if (index % SNAPSHOT_EVERY === 0) snapshots[index / SNAPSHOT_EVERY] = snapshot();
    const runs: Run[] = [];
    let onMain = false;
    paths = paths.flatMap((path, rank) => {
      if (!isToDo(step, path.open)) return [path];
      if (rank === 0) onMain = true;
      runs.push(run(structure, path, step, index));
      return (uses.get(step.id) ?? -1) > index ? fork(path, step, route) : [path];
    });
    const settled = (step.when ?? []).flatMap(({ stepId }) => (uses.get(stepId) === index ? [stepId] : []));
    // Ways come together where an answer is no longer asked for, and where something is put back or tightened again.
    const closes = step.verb === 'torque' || runs.some(({ moves }) => moves.some((move) => move.act === 'home'));
    if (settled.length > 0 || (closes && paths.length > 1)) paths = rejoin(paths, settled, structure);
    if (paths.length > MOST_PATHS) {
      paths = paths.slice(0, MOST_PATHS);
      tooManyPaths = true;
    }
    frames.push({ step, runs, onMain, moves: runs[0]?.moves ?? [] });
  });
  if (snapshots.length === 0) snapshots.push(snapshot());
  const ends = rejoin(paths, [], structure).map(({ bench, route: way }) => ({ state: bench, route: way }));
  return {
    workbook,
    structure,
    units: structure.units,
    frames,
    cells: cells.list,
    snapshots,
    end: ends[0]?.state ?? new Bench(structure, cells),
    ends,
    tooManyPaths,
    uses,
  };
}

/** What a step moves, on whichever way. */
export function movesOf({ runs }: Frame): readonly Move[] {
  return runs.length === 1 ? (runs[0]?.moves ?? []) : runs.flatMap((run) => run.moves);
}

/** The state of the bench on the main way after the first `count` steps. */
export function stateAfter(timeline: Timeline, count: number): BenchState {
  const n = Math.max(0, Math.min(count, timeline.frames.length));
  if (n === timeline.frames.length) return timeline.end;
  const slot = Math.floor(n / SNAPSHOT_EVERY);
  const cells = new Cells(timeline.structure, timeline.cells);
  const bench = timeline.snapshots[slot]?.paths[0]?.bench.copy(cells) ?? new Bench(timeline.structure, cells);
  timeline.frames.slice(slot * SNAPSHOT_EVERY, n).forEach(({ step, onMain }, i) => {
    if (onMain) bench.perform(step, slot * SNAPSHOT_EVERY + i);
  });
  return bench;
}

/** Units in one place, in the order of the series. */
export function unitsIn(timeline: Timeline, state: BenchState, place: Place): Unit[] {
  return [...timeline.units.values()].filter((unit) => state.places.get(unit.id) === place);
}

/** What lies on the cloth by itself, without what sits in it. */
export function lyingFree(timeline: Timeline, state: BenchState): Unit[] {
  return unitsIn(timeline, state, 'cloth').filter((unit) => !state.seated.has(unit.id));
}

/** New units that are called for, because the old ones are in the bin, and that nothing has fitted. */
export function calledFor(timeline: Timeline, state: BenchState): Unit[] {
  return unitsIn(timeline, state, 'tray').filter((unit) => {
    const old = timeline.structure.byPiece.get(unit.pieceId)?.old;
    return !state.seated.has(unit.id) && (!old || state.places.get(old.id) === 'bin');
  });
}

/** The cell a unit has on this cloth, if it ever lies there. */
export function cellOf(timeline: Timeline, unitId: string): Cell | undefined {
  return timeline.cells.find((cell) => cell.unitIds.includes(unitId));
}

/** What is written in a cell of a whole cloth: "rotor of shaft 1", "8 cover nuts". */
export function cellName(timeline: Timeline, cell: Cell, pieces = cell.unitIds.length): string {
  const component = timeline.structure.components.get(cell.componentId);
  if (!component) return '';
  const phrase = componentPhrase(component, pieces, false);
  const positionId = timeline.units.get(cell.unitIds[0] ?? '')?.positionId;
  const place = timeline.workbook.series.positionSets
    .flatMap((set) => set.positions)
    .find(({ id }) => id === positionId);
  if (component.matched && place) return `${phrase} of ${place.name}`;
  return pieces > 1 ? `${pieces} ${phrase}` : phrase;
}

/** The answers that lead to a step, for showing the bench as it is on that way. */
export function routeTo(steps: readonly Step[], step: Step): Route {
  const route = new Map<string, string>();
  const follow = (towards: Step) => {
    for (const { stepId, answerIds } of towards.when ?? []) {
      const [answer] = answerIds;
      if (!answer || route.has(stepId)) continue;
      route.set(stepId, answer);
      const decision = steps.find((candidate) => candidate.id === stepId);
      if (decision) follow(decision);
    }
  };
  follow(step);
  return route;
}

/** Carries a step out, and each other method of it on a copy: whatever the way, the bench must be the same after it. */
function run(structure: Structure, path: Path, step: Step, index: number): Run {
  const methods = (step.methods ?? []).filter((method) => method.verb !== step.verb);
  const copies = methods.map(() => path.bench.copy());
  const { moves, notices } = path.bench.perform(step, index);
  const disagreeing = methods.flatMap((method, i): Notice[] => {
    const bench = copies[i];
    if (!bench) return [];
    const other = bench.perform({ ...step, verb: method.verb }, index);
    const more = other.notices.filter(
      (notice) => !notices.some((known) => JSON.stringify(known) === JSON.stringify(notice)),
    );
    return sameBench(path.bench, bench, structure)
      ? more
      : [...more, { kind: 'methods-disagree', methodId: method.id }];
  });
  return { route: path.route, moves, notices: [...notices, ...disagreeing] };
}

/** The bench as the modules before leave it, on their main way. */
function takeOver(structure: Structure, before: Workbook['before'], cells: Cells): Bench {
  const bench = new Bench(structure, cells);
  const steps = (before ?? []).flatMap((procedure) => procedure.steps);
  let path: Path = { bench, open: new Map(), route: new Map() };
  steps.forEach((step, i) => {
    if (!isToDo(step, path.open)) return;
    bench.perform(step, i - steps.length);
    const [first] = step.decision?.answers ?? [];
    if (first) path = { ...path, open: new Map(path.open).set(step.id, first.id) };
  });
  return bench;
}

/** How many leading steps of `previous` still hold, rounded down to a snapshot. */
function unchangedSteps(previous: Timeline, steps: readonly Step[], uses: ReadonlyMap<string, number>): number {
  let same = 0;
  while (same < steps.length && same < previous.frames.length && previous.frames[same]?.step === steps[same]) {
    // A decision that is asked for longer than before, or no longer, forks otherwise.
    if (steps[same]?.decision && uses.get(steps[same]?.id ?? '') !== previous.uses.get(steps[same]?.id ?? '')) break;
    same += 1;
  }
  return Math.min(Math.floor(same / SNAPSHOT_EVERY), previous.snapshots.length - 1) * SNAPSHOT_EVERY;
}
