import { nanoid } from 'nanoid';
import type { EntryContent } from '#core/job/entry';
import type { TakenEntries } from '../../server/store/entries';
import type { OpenJob } from '../../server/store/jobs';
import { ApiFault, answer, api, isServerFault, sendPhoto } from '../ground/api';
import { device, type OutboxEntry } from '../ground/device';
import { addLane, inTurn, isForLater, sync } from './engine';
import { signedEntry, signing } from './keys';
import { scaledPicture } from './pictures';

/** Sent at once; one that the server breaks on is found by sending its neighbours without it. */
const BATCH = 50;
/** An entry on which the server breaks this often is set aside, so that the others can go. */
const MOST_ATTEMPTS = 3;
/** These wait for something else and are no refusal: their maker, their photo, a newer version of the server. */
const WAITS: readonly string[] = ['not-proved', 'no-photo', 'newer'];

/** There is no room on this device for what was entered; nothing of it was kept. */
function noRoomHere(): ApiFault {
  return new ApiFault({ code: 'no-room-here', what: 'There is no room left on this device.', todo: 'Free some.' }, 507);
}

/** Keeps an entry on this device, signed by its maker, and has it sent. Throws when there is no room for it. */
export async function enter(jobId: string, by: string, content: EntryContent): Promise<void> {
  await keep({ jobId, by, content });
}

/** What was wrong with a photo that is kept all the same, and why it is. */
export type KeptPhoto = Pick<EntryContent & { kind: 'photo-taken' }, 'doubts' | 'reason'>;

/** Keeps a photo as the entry of a step. */
export async function enterPhoto(
  jobId: string,
  by: string,
  stepId: string,
  taken: Blob,
  kept: KeptPhoto = {},
): Promise<void> {
  const { picture, photo } = await named(taken);
  await keep({ jobId, by, content: { kind: 'photo-taken', stepId, photo, ...kept }, picture });
}

/** Keeps a problem of a step, with a photo where one was taken. */
export async function enterProblem(
  jobId: string,
  by: string,
  problem: Omit<EntryContent & { kind: 'problem' }, 'kind' | 'photo'>,
  taken?: Blob,
): Promise<void> {
  if (!taken) return keep({ jobId, by, content: { kind: 'problem', ...problem } });
  const { picture, photo } = await named(taken);
  await keep({ jobId, by, content: { kind: 'problem', ...problem, photo }, picture });
}

/** Keeps what a look found, with a photo of it. */
export async function enterLook(
  jobId: string,
  by: string,
  looked: Omit<EntryContent & { kind: 'looked' }, 'kind' | 'photo'>,
  taken: Blob,
): Promise<void> {
  const { picture, photo } = await named(taken);
  await keep({ jobId, by, content: { kind: 'looked', ...looked, photo }, picture });
}

/** A picture as it is kept, and what it is named by until the server names it. */
async function named(taken: Blob): Promise<{ picture: Blob; photo: string }> {
  const picture = await scaledPicture(taken);
  // Without what makes the name it is any; the server gives the picture its own.
  const bytes = new Uint8Array(await picture.arrayBuffer());
  const photo = await signing()
    .then(({ sha256Of }) => sha256Of(bytes))
    .catch(anyName);
  return { picture, photo };
}

function anyName(): string {
  return Array.from(crypto.getRandomValues(new Uint8Array(32)), (byte) => byte.toString(16).padStart(2, '0')).join('');
}

type Kept = Pick<OutboxEntry, 'jobId' | 'by' | 'content' | 'picture'>;
let keeping: Promise<void> = Promise.resolve();

/** One after the other, so that each can name the one before it. */
function keep(made: Kept): Promise<void> {
  const done = keeping.then(() => keepNext(made));
  keeping = done.catch(() => undefined);
  return done;
}

async function keepNext(made: Kept): Promise<void> {
  const { jobId, by, content } = made;
  const before = (await device.chains.get(jobId))?.last;
  const entry = { id: nanoid(), jobId, at: new Date().toISOString(), by, content };
  const signed = await signedEntry({ ...entry, before });
  const row: OutboxEntry = { ...entry, ...(made.picture && { picture: made.picture }), ...(signed && { signed }) };
  const last = signed && (await signing()).sha256Of(new TextEncoder().encode(signed.text));
  // The entry and the end of its chain at once: a page that is closed in between forks no chain.
  const add = () =>
    device.transaction('rw', device.outbox, device.chains, async () => {
      await device.outbox.add(row);
      if (last) await device.chains.put({ jobId, last });
    });
  try {
    await add();
  } catch (error) {
    if (!isQuota(error)) throw error;
    // Sending what waits makes room, where there is a server to send it to.
    await sync();
    await add().catch((still: unknown) => {
      throw isQuota(still) ? noRoomHere() : still;
    });
  }
  void sync();
  void askToKeep();
}

function isQuota(error: unknown): boolean {
  const { name, inner } = error as { name?: string; inner?: { name?: string } };
  return name === 'QuotaExceededError' || inner?.name === 'QuotaExceededError';
}

let asked = false;

/** Asks the browser once not to clear away what waits here. */
async function askToKeep(): Promise<void> {
  if (asked || typeof navigator === 'undefined') return;
  asked = true;
  await navigator.storage?.persist?.().catch(() => false);
}

/** Sends all entries that wait, of every job and every maker. */
export const entriesLane = { name: 'entries', send: () => inTurn('entries', sendEntries) };

export function sendEntriesWhileOpen(): () => void {
  return addLane(entriesLane);
}

async function sendEntries(): Promise<void> {
  const queued = (await device.outbox.orderBy('order').toArray()).filter((entry) => !entry.refused);
  const jobs = new Set(queued.map(({ jobId }) => jobId));
  for (const jobId of jobs) await sendJob(jobId);
}

/** Each round sends what has not been sent in it, so that one that goes on waiting does not keep it going for ever. */
async function sendJob(jobId: string): Promise<void> {
  const done = new Set<string>();
  for (;;) {
    const queued = await device.outbox.where('jobId').equals(jobId).sortBy('order');
    const left = queued.filter((entry) => !entry.refused && !done.has(entry.id));
    const [first] = left;
    if (!first) return;
    // One that the server broke on goes by itself; so do those before it.
    const batch = first.attempts ? [first] : left.slice(0, BATCH).filter((entry) => !entry.attempts);
    for (const { id } of batch) done.add(id);
    const ready: OutboxEntry[] = [];
    for (const entry of batch) if (await photoIsThere(entry)) ready.push(entry);
    if (ready.length > 0) await sendBatch(jobId, ready, done);
  }
}

async function sendBatch(jobId: string, batch: readonly OutboxEntry[], done: Set<string>): Promise<void> {
  const kept = await device.jobs.get(jobId);
  try {
    const taken = await answer(
      api.jobs[':id'].entries.$post({
        param: { id: jobId },
        json: {
          entries: batch.map(({ id, at, by, content, signed }) => signed ?? { id, at, by, content }),
          known: kept?.entries.length ?? 0,
          sentAt: new Date().toISOString(),
        },
      }),
    );
    await settle(batch, taken, kept);
  } catch (error) {
    if (isServerFault(error)) {
      for (const { order, attempts = 0 } of batch) await device.outbox.update(order, { attempts: attempts + 1 });
      const [only] = batch;
      if (batch.length === 1 && only && (only.attempts ?? 0) + 1 >= MOST_ATTEMPTS) return setAside(only, error);
      // Sent once more in this round, one by one.
      if (batch.length > 1) {
        for (const { id } of batch) done.delete(id);
        return;
      }
      throw error;
    }
    if (isForLater(error) || !(error instanceof ApiFault)) throw error;
    // The whole was refused, as when the job is gone: each is told why.
    for (const entry of batch) await setAside(entry, error);
  }
}

async function settle(
  batch: readonly OutboxEntry[],
  { entries, refused, finishedAt, seal, people }: TakenEntries,
  kept: OpenJob | undefined,
): Promise<void> {
  await device.transaction('rw', device.jobs, device.outbox, async () => {
    if (kept) {
      const known = new Set(kept.entries.map(({ id }) => id));
      await device.jobs.put({
        ...kept,
        entries: [...kept.entries, ...entries.filter(({ id }) => !known.has(id))],
        finishedAt,
        seal,
        people: { ...kept.people, ...people },
      });
    }
    for (const entry of batch) {
      const refusal = refused.find(({ id }) => id === entry.id);
      if (!refusal) await device.outbox.delete(entry.order);
      else if (WAITS.includes(refusal.code)) {
        const photoGone = refusal.code === 'no-photo' ? { photoSent: false } : {};
        await device.outbox.update(entry.order, { waits: { code: refusal.code, what: refusal.what }, ...photoGone });
      } else await device.outbox.update(entry.order, { refused: refusal.what });
    }
  });
}

/** Sends the photo of an entry before the entry; false when the entry is set aside because of it. */
async function photoIsThere(entry: OutboxEntry): Promise<boolean> {
  if (!entry.picture || entry.photoSent) return true;
  try {
    const { hash } = await sendPhoto(entry.picture);
    await device.outbox.update(entry.order, { photoSent: true, ...namedAsStored(entry, hash) });
    return !isOldName(entry);
  } catch (error) {
    const attempts = (entry.attempts ?? 0) + 1;
    const broken = isServerFault(error);
    if (broken) await device.outbox.update(entry.order, { attempts });
    if ((isForLater(error) && !(broken && attempts >= MOST_ATTEMPTS)) || !(error instanceof ApiFault)) throw error;
    await setAside(entry, error);
    return false;
  }
}

/** An earlier version named a photo that waits by its entry; it goes by the name the server gave, a round later. */
function isOldName({ content }: OutboxEntry): boolean {
  return content.kind === 'photo-taken' && content.photo.startsWith('local-');
}

function namedAsStored(entry: OutboxEntry, photo: string): Partial<OutboxEntry> {
  return isOldName(entry) ? { content: { ...entry.content, photo } as EntryContent } : {};
}

/** What somebody here may not send is no worse for it: it waits for another person, or for the server to be set right. */
async function setAside({ order }: OutboxEntry, error: unknown): Promise<void> {
  const { code, what } = error instanceof ApiFault ? error.fault : { code: 'broken', what: String(error) };
  const forbidden = error instanceof ApiFault && error.status === 403;
  await device.outbox.update(order, forbidden ? { waits: { code, what } } : { refused: what });
}
