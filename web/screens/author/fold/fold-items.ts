import type { Fold, FoldRow } from '#core/fold/fold';
import type { Step } from '#core/model/procedure';
import type { Stage } from '#core/model/verbs';

/** The stages that face one another in the fold, from its open edge to its bend. */
export const SECTIONS = ['safe', 'strip', 'bend'] as const;
export type Section = (typeof SECTIONS)[number];

export type FoldItem =
  | { readonly kind: 'section'; readonly section: Section; readonly count: number; readonly open: boolean }
  | { readonly kind: 'row'; readonly row: FoldRow }
  /** Two steps of the bend side by side; `last` closes it. */
  | { readonly kind: 'bend'; readonly steps: readonly Step[]; readonly last: boolean };

/**
 * The fold as one list to be drawn from top to bottom. Sections folded away show only their heading. With `wanted`,
 * what a search found, only rows that hold some of it are shown, folded away or not.
 */
export function foldItems(fold: Fold, closed: ReadonlySet<Section>, wanted: ReadonlySet<string> | null): FoldItem[] {
  const found = (step: Step | undefined) => step !== undefined && (wanted === null || wanted.has(step.id));
  const rows = { safe: [] as FoldRow[], strip: [] as FoldRow[] };
  for (const row of fold.rows) {
    if (found(row.left) || found(row.right)) rows[sectionOf(row)].push(row);
  }
  const bend = fold.bend.filter(found);
  const heading = (section: Section, count: number): FoldItem[] =>
    count > 0 ? [{ kind: 'section', section, count, open: wanted !== null || !closed.has(section) }] : [];
  const shown = (section: Section) => wanted !== null || !closed.has(section);
  const items: FoldItem[] = [];
  for (const section of ['safe', 'strip'] as const) {
    const steps = rows[section].reduce((sum, row) => sum + (row.left ? 1 : 0) + (row.right ? 1 : 0), 0);
    items.push(...heading(section, steps));
    if (shown(section)) items.push(...rows[section].map((row) => ({ kind: 'row' as const, row })));
  }
  items.push(...heading('bend', bend.length));
  if (shown('bend')) {
    for (let i = 0; i < bend.length; i += 2) {
      items.push({ kind: 'bend', steps: bend.slice(i, i + 2), last: i + 2 >= bend.length });
    }
  }
  return items;
}

/** The section a stage is shown in. */
export function sectionOfStage(stage: Stage): Section {
  if (stage === 'make-safe' || stage === 'prove') return 'safe';
  return stage === 'look' || stage === 'renew' ? 'bend' : 'strip';
}

function sectionOf({ left, right }: FoldRow): 'safe' | 'strip' {
  const stage = left?.stage ?? right?.stage;
  return stage === 'make-safe' || stage === 'prove' ? 'safe' : 'strip';
}

/** Where a step stands in the list; -1 when its section is folded away. */
export function itemOf(items: readonly FoldItem[], stepId: string): number {
  return items.findIndex(
    (item) =>
      (item.kind === 'row' && (item.row.left?.id === stepId || item.row.right?.id === stepId)) ||
      (item.kind === 'bend' && item.steps.some((step) => step.id === stepId)),
  );
}
