import { type Fold, foldSide } from '#core/fold/fold';
import type { Step } from '#core/model/procedure';
import type { Stage } from '#core/model/verbs';

export type Direction = 'up' | 'down' | 'left' | 'right';

/**
 * Where a step dropped on another comes to stand. Down the left and in the bend, above means before; the right side
 * is read upwards, so there above means after.
 */
export function placeAfterDrop(
  steps: readonly Step[],
  movedId: string,
  targetId: string,
  half: 'above' | 'below',
): { index: number; stage: Stage } | undefined {
  const others = steps.filter((step) => step.id !== movedId);
  const at = others.findIndex((step) => step.id === targetId);
  const target = others[at];
  if (!target) return undefined;
  const readsUp = foldSide(target.stage) === 'up';
  const after = readsUp ? half === 'above' : half === 'below';
  return { index: after ? at + 1 : at, stage: target.stage };
}

/** The step an arrow key goes to, as the eye sees the fold. */
export function neighbour(fold: Fold, steps: readonly Step[], from: string, direction: Direction): string | undefined {
  const step = steps.find((candidate) => candidate.id === from);
  if (!step) return undefined;
  const side = foldSide(step.stage);
  const left = fold.rows.flatMap((row) => (row.left ? [row.left.id] : []));
  const right = fold.rows.flatMap((row) => (row.right ? [row.right.id] : []));
  const bend = fold.bend.map((candidate) => candidate.id);
  if (direction === 'left' || direction === 'right') {
    if (side === 'bend') return bend[bend.indexOf(from) + (direction === 'right' ? 1 : -1)];
    const there = direction === 'left' ? left : right;
    if (there.includes(from)) return undefined;
    const row = fold.rows.find((candidate) => candidate.left?.id === from || candidate.right?.id === from);
    const opposite = direction === 'left' ? row?.left?.id : row?.right?.id;
    return opposite ?? (fold.partners.get(from) ?? []).find((id) => there.includes(id)) ?? there.at(-1);
  }
  const column =
    side === 'down'
      ? [...left, ...bend]
      : side === 'up'
        ? [...right, ...[...bend].reverse()]
        : [...left.slice(-1), ...bend];
  return column[column.indexOf(from) + (direction === 'down' ? 1 : -1)];
}
