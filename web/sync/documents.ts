import { editsBetween } from '#core/edits/difference';
import type { Edit } from '#core/edits/edit';
import { toSent } from '#core/edits/sent';
import type { Series } from '#core/model/series';
import { ApiFault, answer, api } from '../ground/api';
import { device, type UnsavedDraft, type UnsavedSeries } from '../ground/device';
import { personHere } from '../ground/person-here';
import { addLane, alone, isForLater, type Lane } from './engine';
import { OpenSeries } from './open-series';

/** Where a browser has no locks, a draft changed so lately may be open in another tab, which sends it itself. */
const SETTLED_MS = 15_000;

/** Sends edits of a series; answers with the next version. */
export function sendSeries(id: string) {
  return (version: number, edits: readonly Edit[]) =>
    answer(api.series[':id'].$patch({ param: { id }, json: { version, edits: toSent(edits) } }));
}

/** Keeps on this device what of a series is not sent yet. */
export function keepSeries(id: string) {
  return (unsent: { base: { version: number; document: Series }; document: Series } | undefined) => {
    const by = personHere()?.id;
    void (unsent ? device.series.put({ id, ...unsent, ...(by && { by }) }) : device.series.delete(id));
  };
}

/** The drafts and series that were left unsent and are not open anywhere in this browser. */
export const leftLanes: readonly Lane[] = [
  { name: 'drafts', send: () => alone('drafts', sendDrafts) },
  { name: 'series', send: () => alone('series', sendLeftSeries) },
];

export function sendDocumentsWhileOpen(): () => void {
  const stops = leftLanes.map(addLane);
  return () => {
    for (const stop of stops) stop();
  };
}

/** What a draft that is open somewhere is held by; it sends itself from there. */
export function openDraft(procedureId: string): string {
  return `draft ${procedureId}`;
}

/** What a series that is open somewhere is held by; it sends itself from there. */
export function openSeriesName(id: string): string {
  return `series ${id}`;
}

async function sendDrafts(): Promise<void> {
  const settled = new Date(Date.now() - SETTLED_MS).toISOString();
  for (const draft of await device.drafts.toArray()) {
    if (draft.waits || draft.at >= settled || !isMine(draft)) continue;
    await alone(openDraft(draft.procedureId), () => sendDraft(draft));
  }
}

async function sendDraft(draft: UnsavedDraft): Promise<void> {
  const { procedureId, base, workbook, at } = draft;
  const edits = editsBetween(base.workbook, workbook);
  try {
    if (edits.length > 0) {
      const { seriesVersion, procedureVersion } = base;
      await answer(
        api.procedures[':id'].$patch({
          param: { id: procedureId },
          json: { seriesVersion, procedureVersion, edits: toSent(edits) },
        }),
      );
    }
    // Opened and changed again meanwhile, it is a newer draft and not this one.
    const now = await device.drafts.get(procedureId);
    if (now?.at === at) await device.drafts.delete(procedureId);
  } catch (error) {
    if (isForLater(error) || !(error instanceof ApiFault)) throw error;
    const waits = error.fault.code === 'stale' ? 'stale' : 'refused';
    await device.drafts.update(procedureId, { waits, what: error.fault.what });
  }
}

/** A change goes in the name of who made it; one of an earlier version, which does not say, in that of whoever is here. */
export function isMine({ by }: { readonly by?: string }): boolean {
  return by === undefined || by === personHere()?.id;
}

/** A change of a series that the server does not take; it stays until somebody looks at it. */
class NotTaken extends Error {
  constructor(readonly reason: unknown) {
    super();
  }
}

async function sendLeftSeries(): Promise<void> {
  for (const row of await device.series.toArray()) {
    if (row.waits || !isMine(row)) continue;
    // Sent from here as well, what is taken back meanwhile would be merged in again.
    await alone(openSeriesName(row.id), () => sendLeft(row));
  }
}

async function sendLeft(row: UnsavedSeries): Promise<void> {
  const left = new OpenSeries(
    row.base,
    {
      send: sendSeries(row.id),
      show: () => undefined,
      saved: () => undefined,
      fail: (error) => {
        throw new NotTaken(error);
      },
      keep: keepSeries(row.id),
    },
    row.document,
  );
  try {
    await left.send();
  } catch (error) {
    if (!(error instanceof NotTaken)) throw error;
    const what = error.reason instanceof ApiFault ? error.reason.fault.what : String(error.reason);
    await device.series.update(row.id, { waits: 'refused', what });
  }
}
