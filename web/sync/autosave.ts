import { create } from 'zustand';
import { editsBetween } from '#core/edits/difference';
import type { Edit } from '#core/edits/edit';
import { mergeThree, sameJson } from '#core/edits/merge';
import { toSent } from '#core/edits/sent';
import type { Workbook } from '#core/model/procedure';
import type { OpenWorkbook } from '../../server/store/documents';
import type { SavedWorkbook } from '../../server/store/drafts';
import { ApiFault, answer, api, isServerFault, isUnreachable } from '../ground/api';
import { device, type UnsavedSeries } from '../ground/device';
import { personHere } from '../ground/person-here';
import { useAuthor } from '../state/author-store';
import { isMine, openDraft } from './documents';
import { addLane, hold, isForLater, sync } from './engine';

/** What the server holds, as far as this tab knows. */
interface Base {
  readonly seriesVersion: number;
  readonly procedureVersion: number;
  readonly workbook: Workbook;
}

export type SaveState =
  | { kind: 'saved'; at: Date | null }
  | { kind: 'unsaved' }
  | { kind: 'saving' }
  /** It waits here, and goes by itself when what is in the way is gone. */
  | { kind: 'waiting'; why: 'unreachable' | 'signed-out' | 'server' }
  | { kind: 'refused'; error: unknown }
  /** Somebody else saved in between: both versions are at hand. */
  | { kind: 'stale'; theirs: OpenWorkbook };

interface Autosave {
  readonly procedureId: string | null;
  readonly base: Base | null;
  readonly state: SaveState;
}

export const useAutosave = create<Autosave>(() => ({
  procedureId: null,
  base: null,
  state: { kind: 'saved', at: null },
}));

const PAUSE_MS = 500;
/** An edit is on the screen before its copy is written, which takes as long as the procedure is. */
const SHOWN_MS = 200;
let timer: ReturnType<typeof setTimeout> | undefined;
let copying: ReturnType<typeof setTimeout> | undefined;
let sending: Promise<unknown> | undefined;

/** A procedure as the server has it, with its series and the modules before it. */
export function workbookOf({ series, procedure, before, house }: OpenWorkbook): Workbook {
  return {
    series: series.document,
    procedure: procedure.document,
    ...(before.length > 0 && { before }),
    ...(house.terms.length > 0 && { house }),
  };
}

function baseOf(open: OpenWorkbook): Base {
  return {
    seriesVersion: open.series.version,
    procedureVersion: open.procedure.version,
    workbook: workbookOf(open),
  };
}

/**
 * Opens a procedure for writing. Edits of an earlier visit that never reached the server are taken up again, and so is
 * what was changed of the series here and had not been sent before it was asked for.
 */
export async function beginAutosave(open: OpenWorkbook, left: readonly UnsavedSeries[]): Promise<void> {
  // What is still on its way answers for the procedure open before, or makes what was loaded an older version.
  await sending;
  const procedureId = open.procedure.document.id;
  const kept = await device.drafts.get(procedureId);
  const last = useAutosave.getState();
  const loaded = baseOf(open);
  const newer = last.procedureId === procedureId && last.base && last.base.procedureVersion > loaded.procedureVersion;
  const base = kept?.base ?? (newer && last.base ? last.base : loaded);
  const drafted = kept ? kept.workbook : base.workbook;
  const workbook = withLeftSeries(drafted, left);
  const isAhead = kept !== undefined || workbook !== drafted;
  useAutosave.setState({ procedureId, base, state: { kind: 'saved', at: null } });
  useAuthor.getState().open(workbook, isAhead ? null : []);
  if (isAhead) void save();
}

/** What of the series this device still has to send. Read before the server is asked for one: it may lack what is sent meanwhile. */
export const leftSeries = () => device.series.toArray();

function withLeftSeries(workbook: Workbook, left: readonly UnsavedSeries[]): Workbook {
  const mine = left.find((row) => row.id === workbook.series.id && !row.waits && isMine(row));
  if (!mine) return workbook;
  const { merged } = mergeThree(mine.base.document, mine.document, workbook.series);
  return sameJson(merged, workbook.series) ? workbook : { ...workbook, series: merged };
}

/** Waits for edits of a procedure from now on; returns what stops it. Whatever could not be sent is tried again with all that waits. */
export function watchEdits(openId: string): () => void {
  const letGo = hold(openDraft(openId));
  const stop = useAuthor.subscribe(({ workbook }, before) => {
    const { base, state, procedureId } = useAutosave.getState();
    if (workbook === before.workbook || !base || workbook.procedure.id !== procedureId) return;
    if (workbook === base.workbook) return;
    copying ??= setTimeout(keepCopy, SHOWN_MS);
    if (state.kind === 'stale') return;
    if (state.kind !== 'saving') useAutosave.setState({ state: { kind: 'unsaved' } });
    schedule(PAUSE_MS);
  });
  const leave = addLane({ name: 'open procedure', send: sendOpen });
  const flush = () => copying !== undefined && keepCopy();
  window.addEventListener('pagehide', flush);
  return () => {
    window.removeEventListener('pagehide', flush);
    flush();
    stop();
    leave();
    clearTimeout(timer);
    if (useAutosave.getState().state.kind === 'unsaved') void save();
    letGo();
  };
}

/** Keeps the draft on this device as it stands, until the server has it. */
function keepCopy(): void {
  clearTimeout(copying);
  copying = undefined;
  const { base, procedureId } = useAutosave.getState();
  const { workbook } = useAuthor.getState();
  if (!base || !procedureId || workbook === base.workbook || workbook.procedure.id !== procedureId) return;
  const by = personHere()?.id;
  void device.drafts.put({ procedureId, workbook, base, at: new Date().toISOString(), ...(by && { by }) });
}

function schedule(ms: number): void {
  clearTimeout(timer);
  timer = setTimeout(() => void sync(), ms);
}

/** For the loop that sends what waits: throws what keeps it from going. */
async function sendOpen(): Promise<void> {
  const { state } = useAutosave.getState();
  if (state.kind === 'saved' || state.kind === 'stale' || state.kind === 'refused') return;
  const held = await save();
  if (held !== undefined) throw held;
}

/** What was done since the server last answered, or what leads from its version to this one where that is not known. */
function editsSince(base: Base): readonly Edit[] {
  const { unsent, workbook } = useAuthor.getState();
  return unsent ?? editsBetween(base.workbook, workbook);
}

/**
 * Sends what changed since the server last answered. One request at a time; resolves when nothing is left to send, or
 * with what keeps it from going for now.
 */
export async function save(): Promise<unknown> {
  clearTimeout(timer);
  if (sending) return sending.then(() => save());
  const { base, procedureId, state } = useAutosave.getState();
  if (!base || !procedureId || state.kind === 'stale') return undefined;
  const { workbook } = useAuthor.getState();
  const edits = editsSince(base);
  if (edits.length === 0) {
    await nothingLeft(procedureId, workbook, state.kind === 'saved' ? state.at : new Date());
    return undefined;
  }
  useAutosave.setState({ state: { kind: 'saving' } });
  const { seriesVersion, procedureVersion } = base;
  const outcome = answer(
    api.procedures[':id'].$patch({
      param: { id: procedureId },
      json: { seriesVersion, procedureVersion, edits: toSent(edits) },
    }),
  ).then(
    (saved) => settle(saved, base, workbook, edits),
    (error: unknown) => fail(error),
  );
  sending = outcome;
  return outcome.finally(() => {
    sending = undefined;
  });
}

async function settle(
  { seriesVersion, procedureVersion, series, before }: SavedWorkbook,
  was: Base,
  sent: Workbook,
  edits: readonly Edit[],
): Promise<void> {
  // The base is what was sent, by identity, so that an unchanged draft is known at a glance.
  const known = { seriesVersion: series ? was.seriesVersion : seriesVersion, procedureVersion };
  useAutosave.setState({ base: { ...known, workbook: sent } });
  useAuthor.getState().wasSent(edits, sent);
  if (before) takeModules(before);
  // What both changed is asked about when it is saved.
  if (series) takeSeries(series);
  await nothingLeft(sent.procedure.id, sent, new Date());
}

/** Says that all is saved once the device has forgotten its copy, unless something was edited meanwhile. */
async function nothingLeft(procedureId: string, sent: Workbook, at: Date | null): Promise<void> {
  const isSaved = () => useAuthor.getState().workbook === sent;
  if (isSaved()) await device.drafts.delete(procedureId);
  useAutosave.setState({ state: isSaved() ? { kind: 'saved', at } : { kind: 'unsaved' } });
  if (!isSaved()) schedule(PAUSE_MS);
}

/** Another module to take over from brings other steps before the first one. */
function takeModules(before: NonNullable<SavedWorkbook['before']>): void {
  const { workbook } = useAuthor.getState();
  if (sameJson(workbook.before ?? [], before)) return;
  const { before: _other, ...mine } = workbook;
  useAuthor.getState().takeOver(before.length > 0 ? { ...mine, before } : mine);
}

/** Gives back what may be over later. */
function fail(error: unknown): unknown {
  if (error instanceof ApiFault && error.fault.code === 'stale') {
    const theirs = error.fault.detail as OpenWorkbook;
    if (!takeSeriesOnly(theirs)) useAutosave.setState({ state: { kind: 'stale', theirs } });
    return undefined;
  }
  if (isForLater(error)) {
    const why = isUnreachable(error) ? 'unreachable' : isServerFault(error) ? 'server' : 'signed-out';
    useAutosave.setState({ state: { kind: 'waiting', why } });
    return error;
  }
  useAutosave.setState({ state: { kind: 'refused', error } });
  return undefined;
}

/** The series serves several procedures. If only it was changed elsewhere, and nowhere in the same way, go on quietly. */
function takeSeriesOnly(theirs: OpenWorkbook): boolean {
  const { base } = useAutosave.getState();
  if (theirs.procedure.version !== base?.procedureVersion || !takeSeries(theirs.series)) return false;
  useAutosave.setState({ state: { kind: 'unsaved' } });
  schedule(PAUSE_MS);
  return true;
}

/** Takes over a series as it was changed elsewhere; false where both changed the same. */
function takeSeries({ version, document }: OpenWorkbook['series']): boolean {
  const { base } = useAutosave.getState();
  if (!base) return false;
  const mine = useAuthor.getState().workbook;
  const { merged, conflicts } = mergeThree(base.workbook.series, mine.series, document);
  if (conflicts.length > 0) return false;
  useAutosave.setState({ base: { ...base, seriesVersion: version, workbook: { ...base.workbook, series: document } } });
  useAuthor.getState().takeOver({ ...mine, series: merged });
  return true;
}

/** The three-way merge of both versions, and where they disagree. */
export function mergeOfBoth(theirs: OpenWorkbook): { merged: Workbook; conflicts: readonly string[] } {
  const { base } = useAutosave.getState();
  const mine = useAuthor.getState().workbook;
  const other = baseOf(theirs).workbook;
  const { merged, conflicts } = mergeThree(base?.workbook ?? other, mine, other);
  return { merged, conflicts };
}

/** Goes on from the server's version with `workbook` on the screen; what differs is saved as the next version. */
export async function resolveStale(theirs: OpenWorkbook, workbook: Workbook): Promise<void> {
  useAutosave.setState({ base: baseOf(theirs), state: { kind: 'unsaved' } });
  useAuthor.getState().takeOver(workbook);
  await save();
}

/** Goes on with the other version. It stands on top of mine in the history, so undo brings mine back. */
export async function takeTheirs(theirs: OpenWorkbook): Promise<void> {
  const base = baseOf(theirs);
  await device.drafts.delete(theirs.procedure.document.id);
  useAutosave.setState({ base, state: { kind: 'saved', at: new Date() } });
  useAuthor.getState().replaceWith(base.workbook);
}
