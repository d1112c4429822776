import { liveQuery } from 'dexie';
import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { device, type OutboxEntry, type UnsavedDraft, type UnsavedSeries } from '../ground/device';
import { type Connection, connectionState } from './engine';

/** Everything on this device that the server does not have. */
export interface Waiting {
  readonly entries: readonly OutboxEntry[];
  readonly drafts: readonly UnsavedDraft[];
  readonly series: readonly UnsavedSeries[];
}

const NOTHING: Waiting = { entries: [], drafts: [], series: [] };

export async function whatWaits(): Promise<Waiting> {
  const [entries, drafts, series] = await Promise.all([
    device.outbox.orderBy('order').toArray(),
    device.drafts.toArray(),
    device.series.toArray(),
  ]);
  return { entries, drafts, series };
}

export function useWaiting(): Waiting {
  const [waiting, setWaiting] = useState(NOTHING);
  useEffect(() => {
    const watch = liveQuery(whatWaits).subscribe(setWaiting);
    return () => watch.unsubscribe();
  }, []);
  return waiting;
}

/** How it stands between this device and the server. */
export function useConnection(): Connection {
  return useStore(connectionState);
}

export function countOf({ entries, drafts, series }: Waiting): number {
  return entries.length + drafts.length + series.length;
}

/** What cannot go by itself, so that somebody has to look at it. */
export function isStuck({ entries, drafts, series }: Waiting): boolean {
  return [...entries, ...drafts, ...series].some((one) => 'refused' in one || one.waits !== undefined);
}

/** All that waits as one file, pictures and proofs included: it can be kept and looked at whatever becomes of this device. */
export async function waitingAsFile({ entries, drafts, series }: Waiting): Promise<Blob> {
  const whole = {
    kind: 'fukusa-unsent',
    savedAt: new Date().toISOString(),
    entries: await Promise.all(
      entries.map(async ({ picture, ...entry }) => ({
        ...entry,
        ...(picture && { picture: await asDataUrl(picture) }),
      })),
    ),
    drafts,
    series,
  };
  return new Blob([JSON.stringify(whole, null, 2)], { type: 'application/json' });
}

function asDataUrl(picture: Blob): Promise<string> {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result));
    reader.onerror = () => reject(reader.error);
    reader.readAsDataURL(picture);
  });
}

/** Gives up what the server does not take: refused entries, and documents it refused. */
export async function discardRefused({ entries, drafts, series }: Waiting): Promise<void> {
  await device.outbox.bulkDelete(
    entries.flatMap(({ refused, order }) => (refused && order !== undefined ? [order] : [])),
  );
  await device.drafts.bulkDelete(
    drafts.flatMap(({ waits, procedureId }) => (waits === 'refused' ? [procedureId] : [])),
  );
  await device.series.bulkDelete(series.flatMap(({ waits, id }) => (waits ? [id] : [])));
}
