import Dexie, { type EntityTable, type Transaction } from 'dexie';
import { nanoid } from 'nanoid';
import type { DeviceIdentity } from '#core/devices/message';
import type { EntryContent } from '#core/job/entry';
import type { SignedEntry } from '#core/job/signed-entry';
import { DOCUMENT_FORMAT, migrateEntry, migrateWorkbook } from '#core/model/migrations/migrate';
import type { Workbook } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import type { Person } from '../../server/ground/roles';
import type { OpenJob } from '../../server/store/jobs';

/** An entry made here and not yet acknowledged by the server. A photo waits as the picture itself. */
export interface OutboxEntry {
  readonly id: string;
  readonly jobId: string;
  readonly at: string;
  readonly by: string;
  readonly content: EntryContent;
  readonly picture?: Blob;
  /** The server has the picture. */
  readonly photoSent?: boolean;
  /** With the proof of who made it; without one it goes only while its maker is signed in. */
  readonly signed?: SignedEntry;
  /** Counts up, so that entries leave in the order they were made. */
  readonly order?: number;
  /** How often the server broke on it. */
  readonly attempts?: number;
  /** What it waits for, as the server said. */
  readonly waits?: { readonly code: string; readonly what: string };
  /** Why the server refused it. */
  readonly refused?: string;
}

/** A draft with edits the server has not acknowledged yet. */
export interface UnsavedDraft {
  readonly procedureId: string;
  readonly workbook: Workbook;
  readonly base: { seriesVersion: number; procedureVersion: number; workbook: Workbook };
  readonly at: string;
  /** Who wrote it, and so in whose name it goes. */
  readonly by?: string;
  /** Why it cannot go by itself. */
  readonly waits?: 'stale' | 'refused';
  readonly what?: string;
}

/** A series with changes the server has not acknowledged yet. */
export interface UnsavedSeries {
  readonly id: string;
  readonly base: { readonly version: number; readonly document: Series };
  readonly document: Series;
  readonly by?: string;
  readonly waits?: 'refused';
  readonly what?: string;
}

/** A connected wrench that somebody accepted on this device for a job. */
export interface KnownDevice {
  readonly pairing: string;
  readonly jobId: string;
  readonly device: DeviceIdentity;
}

/** What a person signs with on this device; 32 bytes that never leave it. */
export interface DeviceKey {
  readonly personId: string;
  readonly keyId: string;
  readonly secret: Uint8Array;
}

/** Somebody who signed a hold point here; their key is hidden by their password. */
export interface Cosigner {
  readonly username: string;
  readonly personId: string;
  readonly name: string;
  readonly keyId: string;
  readonly publicKey: string;
  readonly salt: Uint8Array;
  readonly hidden: Uint8Array;
}

/**
 * What this device keeps, so that neither a reload nor a dead network loses anything. Its version is the format of the
 * documents in it: those of an older one are brought up when it is opened.
 */
class DeviceStore extends Dexie {
  jobs!: EntityTable<OpenJob, 'id'>;
  outbox!: EntityTable<OutboxEntry, 'order'>;
  drafts!: EntityTable<UnsavedDraft, 'procedureId'>;
  series!: EntityTable<UnsavedSeries, 'id'>;
  devices!: EntityTable<KnownDevice, 'pairing'>;
  keys!: EntityTable<DeviceKey, 'personId'>;
  cosigners!: EntityTable<Cosigner, 'username'>;
  /** SHA-256 of what was signed last in a job on this device. */
  chains!: EntityTable<{ jobId: string; last: string }, 'jobId'>;
  people!: EntityTable<{ key: 'me'; person: Person | null }, 'key'>;
  self!: EntityTable<{ key: 'device'; value: string }, 'key'>;

  constructor() {
    super('fukusa');
    this.version(1).stores({ jobs: 'id', outbox: '++order, id, jobId', drafts: 'procedureId', people: 'key' });
    for (let format = 2; format <= DOCUMENT_FORMAT; format += 1)
      this.version(format).upgrade((rows) => bringUp(rows, format - 1));
    // Of the same format, with more in it.
    this.version(DOCUMENT_FORMAT + 0.1).stores({ series: 'id', keys: 'personId', self: 'key' });
    this.version(DOCUMENT_FORMAT + 0.2).stores({ devices: 'pairing, jobId' });
    this.version(DOCUMENT_FORMAT + 0.3).stores({ cosigners: 'username', chains: 'jobId' });
  }
}

async function bringUp(rows: Transaction, from: number): Promise<void> {
  const workbook = (stored: Workbook) => migrateWorkbook(stored, from) as Workbook;
  await rows
    .table<UnsavedDraft>('drafts')
    .toCollection()
    .modify((draft, row) => {
      row.value = {
        ...draft,
        workbook: workbook(draft.workbook),
        base: { ...draft.base, workbook: workbook(draft.base.workbook) },
      };
    });
  await rows
    .table<OpenJob>('jobs')
    .toCollection()
    .modify((job, row) => {
      row.value = { ...job, release: { ...job.release, workbook: workbook(job.release.workbook) } };
    });
  await rows
    .table<OutboxEntry>('outbox')
    .toCollection()
    .modify((entry, row) => {
      row.value = { ...entry, content: migrateEntry(entry.content, from) as EntryContent };
    });
}

export const device = new DeviceStore();

/** The name of this device, made when it is first asked for. */
export async function deviceId(): Promise<string> {
  const there = await device.self.get('device');
  if (there) return there.value;
  const value = nanoid();
  await device.self.put({ key: 'device', value });
  return value;
}

export async function rememberPerson(person: Person | null): Promise<void> {
  await device.people.put({ key: 'me', person });
}

export async function cachedPerson(): Promise<Person | null> {
  return (await device.people.get('me'))?.person ?? null;
}
