import type { Step } from '../model/procedure';
import type { Bench } from './bench';
import type { Structure } from './structure';

/** For each decision step on the way the answer given. */
export type Route = ReadonlyMap<string, string>;

/** One way through the procedure so far. The first of them is the main one: the first answer everywhere. */
export interface Path {
  readonly bench: Bench;
  /** Answers that steps to come still ask for. */
  readonly open: Route;
  /** Answers that tell this way from the others still apart. */
  readonly route: Route;
}

/** More ways than this at once are not followed; the checker says so. */
export const MOST_PATHS = 64;

/** For each decision the index of the last step that depends on it. */
export function lastUses(steps: readonly Step[]): Map<string, number> {
  const last = new Map<string, number>();
  steps.forEach((step, index) => {
    for (const { stepId } of step.when ?? []) last.set(stepId, index);
  });
  return last;
}

/** One path for each answer, or only the one of the chosen route. */
export function fork(path: Path, step: Step, chosen: Route | undefined): Path[] {
  const answers = step.decision?.answers ?? [];
  const wanted = chosen ? answers.filter((answer) => answer.id === (chosen.get(step.id) ?? answers[0]?.id)) : answers;
  return wanted.map((answer, i) => ({
    bench: i === 0 ? path.bench : path.bench.copy(),
    open: new Map(path.open).set(step.id, answer.id),
    route: new Map(path.route).set(step.id, answer.id),
  }));
}

/** Forgets answers that nothing asks for any more, and lets paths that agree go on as one. */
export function rejoin(paths: readonly Path[], settled: readonly string[], structure: Structure): Path[] {
  const merged: Path[] = [];
  for (const path of paths) {
    const open = new Map([...path.open].filter(([stepId]) => !settled.includes(stepId)));
    const now = { ...path, open };
    const at = merged.findIndex(
      (other) => sameRoute(other.open, open) && sameBench(other.bench, path.bench, structure),
    );
    const twin = merged[at];
    if (twin) merged[at] = { ...twin, route: common(twin.route, path.route) };
    else merged.push(now);
  }
  return merged.length === 1 && merged[0] ? [{ ...merged[0], route: new Map() }] : merged;
}

function common(a: Route, b: Route): Route {
  return new Map([...a].filter(([stepId, answerId]) => b.get(stepId) === answerId));
}

function sameRoute(a: Route, b: Route): boolean {
  return a.size === b.size && [...a].every(([stepId, answerId]) => b.get(stepId) === answerId);
}

/**
 * Whether two benches are in the same state for all that follows. A piece counts where its unit in use is: a seat kept
 * and a seat renewed are the same seat. What was merely looked at or cleaned does not keep two ways apart.
 */
export function sameBench(a: Bench, b: Bench, structure: Structure): boolean {
  for (const pieceId of structure.byPiece.keys()) {
    const here = a.serving(pieceId);
    const there = b.serving(pieceId);
    if ((here && a.places.get(here.id)) !== (there && b.places.get(there.id))) return false;
    if ((here ? a.seated.has(here.id) : false) !== (there ? b.seated.has(there.id) : false)) return false;
    if (a.seats.get(pieceId) !== b.seats.get(pieceId)) return false;
  }
  return (
    (a.isolatedBy === null) === (b.isolatedBy === null) &&
    a.pressure === b.pressure &&
    a.shaft === b.shaft &&
    sameMap(tightnessOf(a), tightnessOf(b)) &&
    sameKeys(a.aids, b.aids) &&
    sameKeys(a.drained, b.drained) &&
    sameMap(a.poses, b.poses)
  );
}

/** A group tightened again is as good as one that was never touched. */
function tightnessOf(bench: Bench): Map<string, string> {
  return new Map([...bench.groups].filter(([, state]) => state === 'loose' || state === 'by-hand'));
}

function sameMap<V>(a: ReadonlyMap<string, V>, b: ReadonlyMap<string, V>): boolean {
  return a.size === b.size && [...a].every(([key, value]) => b.get(key) === value);
}

function sameKeys(a: ReadonlyMap<string, unknown>, b: ReadonlyMap<string, unknown>): boolean {
  return a.size === b.size && [...a.keys()].every((key) => b.has(key));
}
