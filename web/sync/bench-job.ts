import { liveQuery } from 'dexie';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { Entry, EntryContent } from '#core/job/entry';
import { photoNamedIn } from '#core/job/entry-words';
import { foldJob } from '#core/job/job';
import type { JobState } from '#core/job/state';
import type { OpenJob } from '../../server/store/jobs';
import { answer, api, isUnreachable } from '../ground/api';
import { device, type OutboxEntry } from '../ground/device';
import { tellFault } from '../ground/notify';
import { type Connection, sync } from './engine';
import { enter, enterLook, enterPhoto, enterProblem, type KeptPhoto } from './entries';
import { useConnection } from './waiting';

/** What is told beside the job and its maker. */
type Rest<Enter extends (...all: never[]) => unknown> =
  Parameters<Enter> extends [string, string, ...infer More] ? More : never;

export interface BenchJob {
  readonly job: OpenJob;
  readonly state: JobState;
  /** All that count: those the server has, and those made here that it has not refused. */
  readonly entries: readonly Entry[];
  /** Entries made here that the server has not taken in yet. */
  readonly waiting: readonly OutboxEntry[];
  readonly connection: Connection;
  /** Whether it was kept; where not, it is told why. */
  enter(content: EntryContent): Promise<boolean>;
  enterPhoto(stepId: string, picture: Blob, kept?: KeptPhoto): Promise<void>;
  enterProblem(...problem: Rest<typeof enterProblem>): Promise<void>;
  enterLook(...look: Rest<typeof enterLook>): Promise<void>;
}

/**
 * A job as this device knows it: what the server has, and on top the entries still waiting here. Every entry shows at
 * once and is sent when the network allows; reload or power loss in between loses nothing.
 */
export function useBenchJob(jobId: string, me: string): { bench: BenchJob | null; error: unknown } {
  const [job, setJob] = useState<OpenJob | null>(null);
  const [waiting, setWaiting] = useState<readonly OutboxEntry[]>([]);
  const [error, setError] = useState<unknown>(null);
  const connection = useConnection();

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
      await keepNewer(await answer(api.jobs[':id'].$get({ param: { id: jobId } })));
      setError(null);
    } catch (fault) {
      if (!isUnreachable(fault) || !(await device.jobs.get(jobId))) setError(fault);
    }
  }, [jobId]);

  useEffect(() => {
    const again = () => void refresh().then(sync);
    again();
    window.addEventListener('online', again);
    window.addEventListener('focus', again);
    return () => {
      window.removeEventListener('online', again);
      window.removeEventListener('focus', again);
    };
  }, [refresh]);

  // A trainer may answer while the technician waits at the step.
  const isUnanswered = job !== null && hasUnanswered(job);
  useEffect(() => {
    if (!isUnanswered) return;
    const timer = setInterval(() => void refresh(), ASK_AGAIN_MS);
    return () => clearInterval(timer);
  }, [isUnanswered, refresh]);

  const bench = useMemo((): BenchJob | null => {
    if (!job) return null;
    const known = new Set(job.entries.map((entry) => entry.id));
    const mine = waiting
      .filter((entry) => !known.has(entry.id) && !entry.refused)
      .map(({ id, at, by, content }): Entry => ({ id, at, by, content }));
    const entries = [...job.entries, ...mine];
    return {
      ...{ job, entries },
      state: foldJob(job.release.workbook, job.startedBy, entries),
      waiting,
      connection,
      enter: (content) =>
        enter(jobId, me, content).then(
          () => true,
          (fault: unknown) => {
            tellFault(fault);
            return false;
          },
        ),
      enterProblem: (...problem) => enterProblem(jobId, me, ...problem).catch(tellFault),
      enterLook: (...look) => enterLook(jobId, me, ...look).catch(tellFault),
      enterPhoto: (stepId, picture, kept) => enterPhoto(jobId, me, stepId, picture, kept).catch(tellFault),
    };
  }, [job, waiting, connection, jobId, me]);

  return { bench, error };
}

const ASK_AGAIN_MS = 20_000;

function hasUnanswered({ entries, replies = [] }: OpenJob): boolean {
  return entries.some(
    ({ id, content }) => content.kind === 'problem' && !replies.some(({ entryId }) => entryId === id),
  );
}

/** Entries are only added: an answer that was under way while some were taken in is older than what is kept. */
async function keepNewer(fresh: OpenJob): Promise<void> {
  await device.transaction('rw', device.jobs, async () => {
    const kept = await device.jobs.get(fresh.id);
    if (!kept || kept.entries.length <= fresh.entries.length) await device.jobs.put(fresh);
  });
}

/** The picture of a photo that is still waiting here. */
export function waitingPicture(waiting: readonly OutboxEntry[], photo: string): Blob | undefined {
  return waiting.find(({ content }) => photoNamedIn(content) === photo)?.picture;
}
