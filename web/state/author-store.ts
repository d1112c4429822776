import { nanoid } from 'nanoid';
import { temporal } from 'zundo';
import { create, useStore } from 'zustand';
import { applyLine } from '#core/drafting/line/apply-line';
import { parseLine } from '#core/drafting/line/parse-line';
import { draftPutBack } from '#core/drafting/way-back/way-back';
import { applyEdits, duplicateStep, type Edit } from '#core/edits/edit';
import { changeComponent, deleteStep, moveStep, reviseStep } from '#core/edits/steps';
import { acceptFinding } from '#core/findings/check';
import type { Finding, Fix } from '#core/findings/finding';
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

interface AuthorState {
  /** The draft as it stands on the screen; the only thing undo and redo touch. */
  readonly workbook: Workbook;
  /** The step in hand. */
  readonly selected: string | null;
  open(workbook: Workbook): void;
  /** Takes over a version from the server without making it an undoable edit. */
  takeOver(workbook: Workbook): void;
  select(stepId: string | null): void;
  edit(change: (workbook: Workbook) => Workbook): void;
  changeStep(stepId: string, change: Partial<Step>): void;
  changeComponent(componentId: string, change: Partial<Component>): void;
  duplicate(stepId: string): void;
  remove(stepId: string): void;
  move(stepId: string, index: number, stage?: Stage): void;
  applyFix(fix: Fix): void;
  /** Several edits as one that undo takes back at once. */
  apply(edits: readonly Edit[]): void;
  /** Confirms a drafted step as it stands. */
  confirm(stepId: string): void;
  /** Lets a warning stand for a reason; without one it counts again. */
  accept(finding: Finding, reason: string | undefined): void;
  /** Drafts what is still missing to close the pump again; gives the number of steps added. */
  draftWayBack(): number;
  /** Adds the step a line says behind the step in hand; false when the line has a fault. */
  addLine(line: string): boolean;
}

/** The open procedure. One at a time: opening another starts a new history. */
export const useAuthor = create<AuthorState>()(
  temporal(
    (set, get) => {
      const procedure = (change: (procedure: Workbook['procedure']) => Workbook['procedure']) =>
        set(({ workbook }) => ({ workbook: { ...workbook, procedure: change(workbook.procedure) } }));
      return {
        workbook: EMPTY,
        selected: null,
        open: (workbook) => {
          set({ workbook, selected: workbook.procedure.steps.at(-1)?.id ?? null });
          useAuthor.temporal.getState().clear();
        },
        takeOver: (workbook) => {
          const history = useAuthor.temporal.getState();
          history.pause();
          set({ workbook });
          history.resume();
        },
        select: (selected) => set({ selected }),
        edit: (change) => set(({ workbook }) => ({ workbook: change(workbook) })),
        changeStep: (stepId, change) => procedure((p) => reviseStep(p, stepId, change)),
        confirm: (stepId) => get().apply([{ kind: 'change', stepId, fields: { drafted: undefined } }]),
        accept: (finding, reason) => set(({ workbook }) => ({ workbook: acceptFinding(workbook, finding, reason) })),
        changeComponent: (componentId, change) =>
          set(({ workbook }) => ({
            workbook: { ...workbook, series: changeComponent(workbook.series, componentId, change) },
          })),
        duplicate: (stepId) => {
          const id = nanoid(10);
          procedure((p) => duplicateStep(p, stepId, id));
          set({ selected: id });
        },
        remove: (stepId) => {
          const { steps } = get().workbook.procedure;
          const at = steps.findIndex((step) => step.id === stepId);
          procedure((p) => deleteStep(p, stepId));
          set({ selected: (steps[at + 1] ?? steps[at - 1])?.id ?? null });
        },
        move: (stepId, index, stage) => procedure((p) => moveStep(p, stepId, index, stage)),
        applyFix: ({ edits }) => get().apply(edits),
        apply: (edits) => set(({ workbook }) => ({ workbook: applyEdits(workbook, edits) })),
        draftWayBack: () => {
          const { workbook } = get();
          const draft = draftPutBack(workbook);
          const added = draft.procedure.steps.length - workbook.procedure.steps.length;
          if (added === 0) return 0;
          const first = draft.procedure.steps.find((step) => step.drafted && !workbook.procedure.steps.includes(step));
          set({ workbook: draft, selected: first?.id ?? null });
          return added;
        },
        addLine: (line) => {
          const { workbook, selected } = get();
          const at = workbook.procedure.steps.findIndex((step) => step.id === selected);
          const after = at < 0 ? workbook.procedure.steps.length - 1 : at;
          const applied = applyLine(workbook, parseLine(line, workbook.series), after, () => nanoid(10));
          if (!applied) return false;
          set({ workbook: applied.workbook, selected: applied.stepId });
          return true;
        },
      };
    },
    {
      partialize: ({ workbook }) => ({ workbook }),
      equality: (past, current) => past.workbook === current.workbook,
      limit: 200,
    },
  ),
);

/** Undo and redo, with how far each can go. */
export function useHistory() {
  const { undo, redo, pastStates, futureStates } = useStore(useAuthor.temporal);
  return { undo: () => undo(), redo: () => redo(), canUndo: pastStates.length > 0, canRedo: futureStates.length > 0 };
}
