import { movesOf, type Timeline } from '../bench/replay';
import { leftOut } from '../bench/state';
import type { Unit } from '../bench/units';
import { isLeaving } from '../model/lookup';
import type { Step } from '../model/procedure';
import type { Stage } from '../model/verbs';

/**
 * The procedure folded at its middle: what is taken down runs down the left, what is put back runs up the right, and
 * each taking stands beside its refitting where the order allows it.
 */
export type FoldSide = 'down' | 'bend' | 'up';

export interface FoldRow {
  readonly left?: Step;
  readonly right?: Step;
  /** Components that the left step takes off and that never go back. */
  readonly frayed: readonly string[];
  /** The two stand beside each other because one undoes the other. */
  readonly paired: boolean;
}

export interface Fold {
  readonly rows: readonly FoldRow[];
  readonly bend: readonly Step[];
  /** For each step the steps that undo it, or that it undoes. */
  readonly partners: ReadonlyMap<string, readonly string[]>;
}

export function foldSide(stage: Stage): FoldSide {
  if (stage === 'make-safe' || stage === 'take-down') return 'down';
  return stage === 'look' || stage === 'renew' ? 'bend' : 'up';
}

/** Verbs that undo one another without moving a part. */
const COUNTERPARTS: readonly (readonly [Step['verb'], Step['verb']])[] = [
  ['isolate', 'restore'],
  ['lock-out', 'restore'],
  ['close-valve', 'open-valve'],
  ['drain', 'fill'],
  ['loosen', 'torque'],
  ['compress', 'ease'],
  ['split', 'join'],
];

export function foldOf(timeline: Timeline): Fold {
  const steps = timeline.frames.map((frame) => frame.step);
  const { partners, frayed } = pairUp(timeline);
  const left = steps.filter((step) => foldSide(step.stage) === 'down');
  const right = steps.filter((step) => foldSide(step.stage) === 'up').reverse();
  const bend = steps.filter((step) => foldSide(step.stage) === 'bend');

  const rows: FoldRow[] = [];
  let l = 0;
  let r = 0;
  for (const [i, j] of [...straightPairs(left, right, partners), [left.length, right.length] as const]) {
    while (l < i) rows.push(row(left[l++], undefined, false));
    while (r < j) rows.push(row(undefined, right[r++], false));
    if (i < left.length) rows.push(row(left[l++], right[r++], true));
  }
  return { rows, bend, partners };

  function row(down: Step | undefined, up: Step | undefined, paired: boolean): FoldRow {
    return {
      ...(down && { left: down }),
      ...(up && { right: up }),
      frayed: down ? (frayed.get(down.id) ?? []) : [],
      paired,
    };
  }
}

function pairUp(timeline: Timeline): { partners: Map<string, string[]>; frayed: Map<string, string[]> } {
  const partners = new Map<string, string[]>();
  const frayed = new Map<string, string[]>();
  const link = (a: string, b: string) => {
    for (const [from, to] of [
      [a, b],
      [b, a],
    ] as const) {
      const list = partners.get(from) ?? [];
      if (!list.includes(to)) partners.set(from, [...list, to]);
    }
  };

  /** The step that took each piece off last, by the piece whatever its generation. */
  const takenBy = new Map<string, string>();
  for (const frame of timeline.frames) {
    for (const { act, unitId } of movesOf(frame)) {
      const piece = timeline.units.get(unitId)?.pieceId ?? unitId;
      const taker = takenBy.get(piece);
      if (act === 'out') takenBy.set(piece, frame.step.id);
      else if (act === 'home' && taker && taker !== frame.step.id) link(taker, frame.step.id);
    }
  }
  for (const { pieceId, componentId } of neverBack(timeline)) {
    const taker = takenBy.get(pieceId);
    const list = taker === undefined ? [] : (frayed.get(taker) ?? []);
    if (taker && !list.includes(componentId)) frayed.set(taker, [...list, componentId]);
  }

  const open: Step[] = [];
  for (const { step } of timeline.frames) {
    const at = open.findLastIndex((earlier) => undoes(step, earlier));
    const earlier = open[at];
    if (earlier) {
      link(earlier.id, step.id);
      open.splice(at, 1);
    }
    if (COUNTERPARTS.some(([verb]) => verb === step.verb)) open.push(step);
  }
  return { partners, frayed };
}

/** What is out at the end of any way and is neither meant to leave nor handed on to the next module. */
function neverBack(timeline: Timeline): Set<Unit> {
  const { procedure } = timeline.workbook;
  if (procedure.handsOn) return new Set();
  const out = leftOut(timeline).map(({ unit }) => unit);
  return new Set(out.filter((unit) => !isLeaving(procedure, unit.componentId)));
}

function undoes(later: Step, earlier: Step): boolean {
  if (!COUNTERPARTS.some(([a, b]) => a === earlier.verb && b === later.verb)) return false;
  if (earlier.targets.length === 0) return true;
  return earlier.targets.some((t) => later.targets.some((u) => u.componentId === t.componentId));
}

/** The longest run of pairs that can stand on one row each without any thread crossing another. */
function straightPairs(
  left: readonly Step[],
  right: readonly Step[],
  partners: ReadonlyMap<string, readonly string[]>,
): (readonly [number, number])[] {
  const rightIndex = new Map(right.map((step, j) => [step.id, j]));
  const pairs = left.flatMap((step, i) =>
    (partners.get(step.id) ?? [])
      .map((id) => rightIndex.get(id))
      .filter((j) => j !== undefined)
      .sort((a, b) => b - a)
      .map((j) => [i, j] as const),
  );
  // Longest strictly increasing subsequence on j; for one i the candidates fall, so each i is used once.
  const tails: number[] = [];
  const before: number[] = [];
  pairs.forEach(([, j], k) => {
    let lo = 0;
    let hi = tails.length;
    while (lo < hi) {
      const mid = (lo + hi) >> 1;
      if ((pairs[tails[mid] ?? 0]?.[1] ?? -1) < j) lo = mid + 1;
      else hi = mid;
    }
    before[k] = lo > 0 ? (tails[lo - 1] ?? -1) : -1;
    tails[lo] = k;
  });
  const chain: (readonly [number, number])[] = [];
  for (let k = tails.at(-1) ?? -1; k >= 0; k = before[k] ?? -1) {
    const pair = pairs[k];
    if (pair) chain.unshift(pair);
  }
  return chain;
}
