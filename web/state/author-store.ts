import { nanoid } from 'nanoid';
import { create } from 'zustand';
import { withWrench } from '#core/drafting/manner';
import { draftPutBack } from '#core/drafting/way-back';
import { applyEdits, duplicating, type Edit, revisingComponent } from '#core/edits/edit';
import { type Fate, removingStep } from '#core/edits/questions';
import { revision } from '#core/edits/steps';
import { edit } from '#core/edits/validate';
import { acceptFinding } from '#core/findings/check';
import type { Finding, Fix } from '#core/findings/finding';
import { applyLine } from '#core/line/apply-line';
import { parsedBehind } from '#core/line/read-line';
import type { DocumentFault } from '#core/model/faults';
import type { Step, Workbook } from '#core/model/procedure';
import type { Component } from '#core/model/series';
import type { Stage } from '#core/model/verbs';

const EMPTY: Workbook = {
  series: {
    id: 'none',
    name: 'none',
    code: 'none',
    pumpType: 'other',
    positionSets: [],
    components: [],
    tools: [],
    consumables: [],
    kits: [],
  },
  procedure: { id: 'none', seriesId: 'none', title: 'none', steps: [] },
};

/** How far back undo goes. */
const MOST_UNDONE = 200;

/** What one undo takes back: edits and what undoes them, or one whole version put in the place of another. */
type Done =
  | { readonly kind: 'edits'; readonly edits: readonly Edit[]; readonly inverse: readonly Edit[] }
  | { readonly kind: 'version'; readonly before: Workbook; readonly after: Workbook };

interface AuthorState {
  /** The draft as it stands on the screen. */
  readonly workbook: Workbook;
  /** The step in hand. */
  readonly selected: string | null;
  readonly past: readonly Done[];
  readonly future: readonly Done[];
  /** What was done since the server last answered; null where that is not known, as after a merge. */
  readonly unsent: readonly Edit[] | null;
  /** Why the last edit was refused; it changed nothing. */
  readonly refused: readonly DocumentFault[] | null;
  open(workbook: Workbook, unsent?: readonly Edit[] | null): void;
  /** The first of what was done has reached the server, which holds the workbook `sent` now. */
  wasSent(edits: readonly Edit[], sent: Workbook): void;
  /** Takes over a version from the server without making it an undoable edit. */
  takeOver(workbook: Workbook): void;
  /** Puts another version in the place of this one; undo brings this one back. */
  replaceWith(workbook: Workbook): void;
  select(stepId: string | null): void;
  /** Several edits as one that undo takes back at once; false when what they make is no valid document. */
  apply(edits: readonly Edit[]): boolean;
  changeStep(stepId: string, change: Partial<Step>): void;
  changeComponent(componentId: string, change: Partial<Component>): void;
  duplicate(stepId: string): void;
  /** Deletes a step; `fate` says what becomes of those that hang on its question. */
  remove(stepId: string, fate: Fate): void;
  move(stepId: string, index: number, stage?: Stage): void;
  applyFix(fix: Fix): void;
  /** Confirms a drafted step as it stands. */
  confirm(stepId: string): void;
  /** Lets a warning stand for a reason; without one it counts again. */
  accept(finding: Finding, reason: string | undefined): void;
  /** Drafts what is still missing to close the pump again; gives the number of steps added, and what none was found for. */
  draftWayBack(): { readonly added: number; readonly stuck: readonly string[] };
  /** Adds what a line says; where it usually belongs if that is wanted. False while something has to be asked. */
  addLine(line: string, where?: 'here' | 'elsewhere'): boolean;
  undo(): void;
  redo(): void;
}

/** The open procedure. One at a time: opening another starts a new history. */
export const useAuthor = create<AuthorState>()((set, get) => {
  const remember = (done: Done) =>
    set(({ past }) => ({ past: [...past, done].slice(-MOST_UNDONE), future: [], refused: null }));
  const doneSince = (edits: readonly Edit[]) => {
    const { unsent } = get();
    return unsent && [...unsent, ...edits];
  };
  const stepNow = (stepId: string) => get().workbook.procedure.steps.find(({ id }) => id === stepId);
  return {
    workbook: EMPTY,
    selected: null,
    past: [],
    future: [],
    unsent: [],
    refused: null,
    open: (workbook, unsent = []) => {
      const selected = workbook.procedure.steps.at(-1)?.id ?? null;
      set({ workbook, selected, past: [], future: [], unsent, refused: null });
    },
    wasSent: (edits, sent) =>
      set(({ unsent, workbook }) => ({
        unsent: unsent ? unsent.slice(edits.length) : workbook === sent ? [] : null,
      })),
    takeOver: (workbook) => set({ workbook, unsent: null }),
    replaceWith: (after) => {
      const before = get().workbook;
      set({ workbook: after, unsent: null });
      remember({ kind: 'version', before, after });
    },
    select: (selected) => set({ selected }),
    apply: (edits) => {
      if (edits.length === 0) return true;
      const edited = edit(get().workbook, edits);
      if (!edited.ok) {
        set({ refused: edited.faults });
        return false;
      }
      set({ workbook: edited.workbook, unsent: doneSince(edits) });
      remember({ kind: 'edits', edits, inverse: edited.inverse });
      return true;
    },
    changeStep: (stepId, change) => {
      const step = stepNow(stepId);
      const { series } = get().workbook;
      if (step) get().apply([{ kind: 'change', stepId, fields: revision(step, withWrench(step, change, series)) }]);
    },
    confirm: (stepId) => void get().apply([{ kind: 'change', stepId, fields: { drafted: undefined } }]),
    accept: (finding, reason) => {
      const { accepted } = acceptFinding(get().workbook, finding, reason).procedure;
      get().apply([{ kind: 'change-procedure', fields: { accepted } }]);
    },
    changeComponent: (componentId, fields) => void get().apply(revisingComponent(get().workbook, componentId, fields)),
    duplicate: (stepId) => {
      const id = nanoid(10);
      if (get().apply(duplicating(get().workbook, stepId, id))) set({ selected: id });
    },
    remove: (stepId, fate) => {
      const { steps } = get().workbook.procedure;
      const edits = removingStep(get().workbook.procedure, stepId, fate);
      const going = new Set(edits.flatMap((one) => (one.kind === 'remove' ? [one.stepId] : [])));
      const at = steps.findIndex((step) => step.id === stepId);
      const stays = ({ id }: Step) => !going.has(id);
      const next = steps.slice(at).find(stays) ?? steps.slice(0, at).findLast(stays);
      if (get().apply(edits)) set({ selected: next?.id ?? null });
    },
    move: (stepId, index, stage) => {
      const step = stepNow(stepId);
      if (step) get().apply([{ kind: 'move', stepId, index, stage: stage ?? step.stage }]);
    },
    applyFix: ({ edits }) => void get().apply(edits),
    draftWayBack: () => {
      const { edits, stuck } = draftPutBack(get().workbook);
      const added = edits.flatMap((one) => (one.kind === 'insert' ? [one.step.id] : []));
      if (added.length === 0 || !get().apply(edits)) return { added: 0, stuck };
      const first = get().workbook.procedure.steps.find(({ id }) => added.includes(id));
      set({ selected: first?.id ?? null });
      return { added: added.length, stuck };
    },
    addLine: (line, where = 'here') => {
      const { workbook, selected } = get();
      const at = workbook.procedure.steps.findIndex((step) => step.id === selected);
      const after = at < 0 ? workbook.procedure.steps.length - 1 : at;
      const applied = applyLine(workbook, parsedBehind(line, workbook, after), after, () => nanoid(10));
      if (!applied) return false;
      const { elsewhere, stepId, edits } = applied;
      const moved: Edit[] = where === 'elsewhere' && elsewhere ? [{ kind: 'move', stepId, ...elsewhere }] : [];
      if (!get().apply([...edits, ...moved])) return false;
      set({ selected: applied.stepId });
      return true;
    },
    undo: () =>
      set(({ workbook, selected, past, future }) => {
        const done = past.at(-1);
        if (!done) return {};
        const isVersion = done.kind === 'version';
        const before = isVersion ? done.before : applyEdits(workbook, done.inverse);
        return {
          workbook: before,
          selected: stillThere(workbook, before, selected),
          unsent: isVersion ? null : doneSince(done.inverse),
          past: past.slice(0, -1),
          future: [done, ...future],
          refused: null,
        };
      }),
    redo: () =>
      set(({ workbook, selected, past, future }) => {
        const [done, ...rest] = future;
        if (!done) return {};
        const isVersion = done.kind === 'version';
        const after = isVersion ? done.after : applyEdits(workbook, done.edits);
        return {
          workbook: after,
          selected: stillThere(workbook, after, selected),
          unsent: isVersion ? null : doneSince(done.edits),
          past: [...past, done],
          future: rest,
          refused: null,
        };
      }),
  };
});

/** The step in hand, or where it is gone the one that stands in its place. */
function stillThere(before: Workbook, { procedure }: Workbook, selected: string | null): string | null {
  if (procedure.steps.some(({ id }) => id === selected)) return selected;
  const at = before.procedure.steps.findIndex(({ id }) => id === selected);
  return (procedure.steps[at] ?? procedure.steps.at(-1))?.id ?? null;
}

/** Undo and redo, with how far each can go. */
export function useHistory() {
  const canUndo = useAuthor(({ past }) => past.length > 0);
  const canRedo = useAuthor(({ future }) => future.length > 0);
  const { undo, redo } = useAuthor.getState();
  return { undo, redo, canUndo, canRedo };
}
