import { liveQuery } from 'dexie';
import { nanoid } from 'nanoid';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { Entry, EntryContent, NewEntry } from '#core/job/entry';
import { foldJob, type JobState } from '#core/job/job';
import type { OpenJob } from '../../server/store/jobs';
import { ApiFault, answer, api, isServerFault, isUnreachable, sendPhoto } from '../ground/api';
import { device, type OutboxEntry } from '../ground/device';

/** A photo that has not reached the server is named by the entry that holds it. */
const LOCAL_PHOTO = 'local-';
const RETRY_MS = 4000;
/** An entry on which the server breaks this often is set aside, so that the others can go. */
const MOST_ATTEMPTS = 3;

export interface BenchJob {
  readonly job: OpenJob;
  readonly state: JobState;
  /** Entries made here that the server has not taken in yet. */
  readonly waiting: readonly OutboxEntry[];
  readonly offline: boolean;
  /** The server answers, but something in it is broken. */
  readonly serverFault: boolean;
  enter(content: EntryContent): Promise<void>;
  enterPhoto(stepId: string, picture: Blob): Promise<void>;
  /** Gives up the entries the server refused. */
  discardRefused(): Promise<void>;
}

/**
 * A job as this device knows it: what the server has, and on top the entries still waiting here. Every entry shows at
 * once and is sent when the network allows; reload or power loss in between loses nothing.
 */
export function useBenchJob(jobId: string, me: string): { bench: BenchJob | null; error: unknown } {
  const [job, setJob] = useState<OpenJob | null>(null);
  const [waiting, setWaiting] = useState<readonly OutboxEntry[]>([]);
  const [offline, setOffline] = useState(false);
  const [serverFault, setServerFault] = useState(false);
  const [error, setError] = useState<unknown>(null);

  useEffect(() => {
    const watch = liveQuery(() =>
      Promise.all([device.jobs.get(jobId), device.outbox.where('jobId').equals(jobId).sortBy('order')]),
    ).subscribe(([kept, queued]) => {
      if (kept) setJob(kept);
      setWaiting(queued);
    });
    return () => watch.unsubscribe();
  }, [jobId]);

  const refresh = useCallback(async () => {
    try {
      const fresh = await answer(api.jobs[':id'].$get({ param: { id: jobId } }));
      await device.jobs.put(fresh);
      setOffline(false);
      setError(null);
    } catch (fault) {
      if (!isUnreachable(fault)) return setError(fault);
      setOffline(true);
      if (!(await device.jobs.get(jobId))) setError(fault);
    }
  }, [jobId]);

  const send = useCallback(async () => {
    try {
      await sendOutbox(jobId);
      setOffline(false);
      setServerFault(false);
    } catch (fault) {
      setOffline(isUnreachable(fault));
      setServerFault(isServerFault(fault));
    }
  }, [jobId]);

  useEffect(() => {
    void refresh().then(send);
    const again = () => void refresh().then(send);
    const timer = setInterval(() => void send(), RETRY_MS);
    window.addEventListener('online', again);
    window.addEventListener('focus', again);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', again);
      window.removeEventListener('focus', again);
    };
  }, [refresh, send]);

  const put = useCallback(
    async (content: EntryContent, id: string, picture?: Blob) => {
      await device.outbox.add({
        id,
        jobId,
        at: new Date().toISOString(),
        by: me,
        content,
        ...(picture && { picture }),
      });
      void send();
    },
    [jobId, me, send],
  );

  const bench = useMemo((): BenchJob | null => {
    if (!job) return null;
    const known = new Set(job.entries.map((entry) => entry.id));
    const mine = waiting
      .filter((entry) => !known.has(entry.id) && !entry.refused)
      .map(({ id, at, by, content }): Entry => ({ id, at, by, content }));
    return {
      job,
      state: foldJob(job.release.workbook, job.startedBy, [...job.entries, ...mine]),
      waiting,
      offline,
      serverFault,
      enter: (content) => put(content, nanoid()),
      enterPhoto: (stepId, picture) => {
        const id = nanoid();
        return put({ kind: 'photo-taken', stepId, photo: LOCAL_PHOTO + id }, id, picture);
      },
      discardRefused: async () => {
        await device.outbox.bulkDelete(
          waiting.flatMap((entry) => (entry.refused && entry.order !== undefined ? [entry.order] : [])),
        );
        await refresh();
      },
    };
  }, [job, waiting, offline, serverFault, put, refresh]);

  return { bench, error };
}

const underWay = new Map<string, Promise<void>>();

/**
 * Sends what waits for a job, oldest first. Each entry is judged by itself: one that is refused keeps its reason and
 * does not hold back the others. Throws when the server cannot be reached, is broken, or wants somebody to sign in.
 */
export function sendOutbox(jobId: string): Promise<void> {
  const current = underWay.get(jobId);
  if (current) return current;
  const run = sendAll(jobId).finally(() => underWay.delete(jobId));
  underWay.set(jobId, run);
  return run;
}

async function sendAll(jobId: string): Promise<void> {
  for (;;) {
    const queued = await device.outbox.where('jobId').equals(jobId).sortBy('order');
    const next = queued.find((entry) => !entry.refused);
    if (!next || next.order === undefined) return;
    try {
      await sendOne(jobId, next);
    } catch (fault) {
      const reason = refusalIn(fault, next.attempts ?? 0);
      if (reason === undefined) {
        if (isServerFault(fault)) await device.outbox.update(next.order, { attempts: (next.attempts ?? 0) + 1 });
        throw fault;
      }
      await device.outbox.update(next.order, { refused: reason });
    }
  }
}

async function sendOne(jobId: string, waiting: OutboxEntry): Promise<void> {
  const content = await withUploadedPhoto(waiting);
  const entry: NewEntry = { id: waiting.id, at: waiting.at, content };
  const { job, refused } = await answer(
    api.jobs[':id'].entries.$post({ param: { id: jobId }, json: { entries: [entry] } }),
  );
  const refusal = refused.find(({ id }) => id === waiting.id);
  await device.transaction('rw', device.jobs, device.outbox, async () => {
    await device.jobs.put(job);
    if (refusal) await device.outbox.update(waiting.order, { refused: refusal.what });
    else await device.outbox.delete(waiting.order);
  });
}

/** Why an entry is set aside for good; undefined when it may still go, later or for somebody who signs in. */
function refusalIn(fault: unknown, attempts: number): string | undefined {
  if (!(fault instanceof ApiFault) || isUnreachable(fault) || fault.status === 401) return undefined;
  return isServerFault(fault) && attempts + 1 < MOST_ATTEMPTS ? undefined : fault.fault.what;
}

async function withUploadedPhoto({ content, picture }: OutboxEntry): Promise<EntryContent> {
  if (content.kind !== 'photo-taken' || !picture) return content;
  return { ...content, photo: (await sendPhoto(picture)).hash };
}

/** The picture of a photo that is still waiting here. */
export function waitingPicture(waiting: readonly OutboxEntry[], photo: string): Blob | undefined {
  return photo.startsWith(LOCAL_PHOTO) ? waiting.find((entry) => LOCAL_PHOTO + entry.id === photo)?.picture : undefined;
}
