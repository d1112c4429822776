import i18next from 'i18next';
import { fixFor } from '#core/findings/check';
import { findingKey } from '#core/findings/finding';
import { listing } from '#core/language/en/sentence';
import { componentById } from '#core/model/lookup';
import { goTo } from '../../../ground/navigate';
import { tellDone } from '../../../ground/notify';
import { useAuthor } from '../../../state/author-store';
import { computed } from '../../../state/timeline';
import { useAuthorView } from './author-view';
import { copySteps, pasteSteps } from './copied-steps';
import { removeStep } from './remove-step';

/** Something that can be done from the keyboard: by its key, or by name from the palette. */
export interface AuthorAction {
  readonly id: string;
  /** A key as `KeyboardEvent.key` gives it; with mod+ before it, together with Ctrl or Cmd. */
  readonly key: string;
  /** Only for those who write. */
  readonly writes: boolean;
  run(): void;
}

/** Drafts the way back from the way down and says what it did; undone like any edit. */
export function draftTheWayBack(): void {
  const { added, stuck } = useAuthor.getState().draftWayBack();
  const { series } = useAuthor.getState().workbook;
  const parts = listing(stuck.flatMap((id) => componentById(series, id)?.name ?? []));
  const said = added > 0 ? i18next.t('fold.draftedSteps', { count: added }) : i18next.t('fold.nothingToDraft');
  if (stuck.length === 0) tellDone(said);
  else tellDone(`${added > 0 ? `${said} ` : ''}${i18next.t('fold.notDrafted', { parts })}`);
}

/** Drafts the refitting of what a step takes off and nothing puts back. */
export function fillGap(stepId: string, frayed: readonly string[]): void {
  const { workbook, apply } = useAuthor.getState();
  const { findings, timeline } = computed(workbook);
  const gaps = findings.filter(
    ({ id, componentIds }) =>
      (id === 'left-on-cloth' || id === 'left-in-tray') && componentIds.some((part) => frayed.includes(part)),
  );
  // One at a time: each is mirrored to where the step before it left things.
  const [fix] = gaps.flatMap((finding) => fixFor(finding, workbook, timeline) ?? []);
  if (!fix) {
    tellDone(i18next.t('fold.noGap'));
    return;
  }
  apply(fix.edits);
  const added = fix.edits.find((edit) => edit.kind === 'insert');
  useAuthor.getState().select(added?.kind === 'insert' ? added.step.id : stepId);
}

function fillGapInHand(): void {
  const { workbook, selected } = useAuthor.getState();
  const row = computed(workbook).fold.rows.find(({ left }) => left?.id === selected);
  if (selected && row && row.frayed.length > 0) fillGap(selected, row.frayed);
  else tellDone(i18next.t('fold.noGap'));
}

/** Goes to a finding: its step comes in hand, and the finding is the one that the keys for it mean. */
export function goToFinding(key: string): void {
  const finding = computed(useAuthor.getState().workbook).findings.find((candidate) => findingKey(candidate) === key);
  useAuthorView.setState({ finding: key });
  if (finding?.stepId) useAuthor.getState().select(finding.stepId);
}

function nextFinding(): void {
  const findings = computed(useAuthor.getState().workbook).findings.filter((finding) => !finding.accepted);
  const keys = findings.map(findingKey);
  const at = keys.indexOf(useAuthorView.getState().finding ?? '');
  const next = keys[(at + 1) % Math.max(1, keys.length)];
  if (next) goToFinding(next);
  else tellDone(i18next.t('findings.none'));
}

function findingInHand() {
  const { finding } = useAuthorView.getState();
  return computed(useAuthor.getState().workbook).findings.find((candidate) => findingKey(candidate) === finding);
}

function fixInHand(): void {
  const finding = findingInHand();
  const { workbook } = useAuthor.getState();
  const fix = finding && fixFor(finding, workbook, computed(workbook).timeline);
  if (fix) useAuthor.getState().applyFix(fix);
  else tellDone(i18next.t('findings.noFix'));
}

function acceptInHand(): void {
  const finding = findingInHand();
  if (finding && finding.severity !== 'stop') useAuthorView.setState({ accepting: findingKey(finding) });
  else tellDone(i18next.t('findings.noAccept'));
}

function beside(offset: number): void {
  const { workbook, selected, select } = useAuthor.getState();
  const { steps } = workbook.procedure;
  const next = steps[steps.findIndex((step) => step.id === selected) + offset];
  if (next) select(next.id);
}

function confirmInHand(): void {
  const { workbook, selected, confirm, select } = useAuthor.getState();
  const { steps } = workbook.procedure;
  const at = steps.findIndex((step) => step.id === selected);
  if (!selected || !steps[at]?.drafted) return;
  confirm(selected);
  const next = [...steps.slice(at + 1), ...steps.slice(0, at)].find((step) => step.drafted);
  if (next) select(next.id);
}

const open = (dialog: 'keys' | 'about' | 'supplies' | 'tools' | 'print' | 'parts') => () =>
  useAuthorView.setState({ dialog });
const inHand = (work: (stepId: string) => void) => () => {
  const { selected } = useAuthor.getState();
  if (selected) work(selected);
};
const place = (rest: string) => () => goTo(`/procedures/${useAuthor.getState().workbook.procedure.id}/${rest}`);

/** The typed line asks to be focused by name, since it stands in another part of the screen. */
export const LINE_ID = 'next-step';

export const AUTHOR_ACTIONS: readonly AuthorAction[] = [
  { id: 'line', key: 'n', writes: true, run: () => document.getElementById(LINE_ID)?.focus() },
  { id: 'draft', key: 'b', writes: true, run: draftTheWayBack },
  { id: 'fill', key: 'f', writes: true, run: fillGapInHand },
  { id: 'confirm', key: 'c', writes: true, run: confirmInHand },
  { id: 'finding', key: 'g', writes: false, run: nextFinding },
  { id: 'fix', key: 'x', writes: true, run: fixInHand },
  { id: 'accept', key: 'a', writes: true, run: acceptInHand },
  { id: 'next', key: ']', writes: false, run: () => beside(1) },
  { id: 'previous', key: '[', writes: false, run: () => beside(-1) },
  { id: 'search', key: '/', writes: false, run: () => useAuthorView.setState({ searching: true }) },
  { id: 'duplicate', key: 'mod+d', writes: true, run: inHand((id) => useAuthor.getState().duplicate(id)) },
  { id: 'copy', key: 'mod+c', writes: true, run: copySteps },
  { id: 'paste', key: 'mod+v', writes: true, run: pasteSteps },
  { id: 'delete', key: 'Delete', writes: true, run: inHand(removeStep) },
  { id: 'undo', key: 'mod+z', writes: true, run: () => useAuthor.getState().undo() },
  { id: 'redo', key: 'mod+y', writes: true, run: () => useAuthor.getState().redo() },
  { id: 'tools', key: 't', writes: true, run: open('tools') },
  { id: 'supplies', key: 'l', writes: false, run: open('supplies') },
  { id: 'about', key: 'i', writes: false, run: open('about') },
  { id: 'walk', key: 'w', writes: false, run: place('walk') },
  { id: 'print', key: 'p', writes: false, run: open('print') },
  { id: 'release', key: 'r', writes: true, run: place('release') },
  { id: 'parts', key: 'e', writes: true, run: open('parts') },
  { id: 'narration', key: 'm', writes: true, run: place('narration') },
  { id: 'keys', key: '?', writes: false, run: open('keys') },
];
