import { createReadStream, createWriteStream } from 'node:fs';
import { mkdir, open, readdir, rm } from 'node:fs/promises';
import { dirname, join, resolve, sep } from 'node:path';
import { type Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip } from 'node:zlib';
import { count } from 'drizzle-orm';
import PQueue from 'p-queue';
import { extract } from 'tar-stream';
import { DOCUMENT_FORMAT } from '#core/model/migrations/migrate';
import { openStore } from '../database/open';
import * as table from '../database/schema';
import { placesIn } from '../files/layout';
import { Fault } from '../ground/fault';
import { ABOUT, About, digestOf, MANIFEST, Manifest, tableSteps } from './manifest';

/** What a backup was found to hold. */
export interface Restored {
  readonly madeAt: string;
  readonly people: number;
  readonly series: number;
  readonly procedures: number;
  readonly releases: number;
  readonly jobs: number;
  readonly entries: number;
  readonly photos: number;
}

const SYNCED_AT_ONCE = 32;
/** Folders that the database insists on, whether or not there is anything in them. */
const EMPTY_FOLDERS = [
  ...['pg_wal/archive_status', 'pg_wal/summaries', 'pg_replslot', 'pg_commit_ts', 'pg_dynshmem', 'pg_notify'],
  ...['pg_serial', 'pg_snapshots', 'pg_stat', 'pg_stat_tmp', 'pg_tblspc', 'pg_twophase'],
  ...['pg_logical/mappings', 'pg_logical/snapshots'],
];

/**
 * Lays a backup into an empty folder, checks every file against its checksum, and opens the database once, which brings
 * an older one up. Throws a Fault that says what is wrong with the backup; the folder is emptied again then.
 */
export async function restoreBackup(file: string, folder: string): Promise<Restored> {
  await refuseFilled(folder);
  try {
    const about = await unpack(file, folder).catch((error: NodeJS.ErrnoException) => {
      if (error instanceof Fault) throw error;
      if (error.code === 'ENOENT') throw new Fault(404, 'no-file', `There is no file ${file}.`, 'Name another one.');
      // Of the system, such as a full disk; what reads the file has codes that begin with Z, or none.
      throw error.code && !error.code.startsWith('Z') ? error : damaged(error.message);
    });
    for (const name of EMPTY_FOLDERS) await mkdir(join(placesIn(folder).database, name), { recursive: true });
    return { madeAt: about.madeAt, ...(await lookedThrough(folder)) };
  } catch (error) {
    for (const name of await readdir(folder).catch(() => [])) await rm(join(folder, name), { recursive: true });
    throw error;
  }
}

async function refuseFilled(folder: string): Promise<void> {
  const names = await readdir(folder).catch(() => []);
  if (names.length === 0) return;
  throw new Fault(409, 'folder-filled', `${folder} is not empty.`, 'Name a folder that is new or empty.');
}

async function unpack(file: string, folder: string): Promise<About> {
  const tar = extract();
  const found = new Map<string, { bytes: number; sha256: string }>();
  const written: string[] = [];
  let about: About | undefined;
  let manifest: Manifest | undefined;
  const reading = pipeline(createReadStream(file), createGunzip(), tar);
  reading.catch(() => undefined);
  for await (const one of tar) {
    const { name } = one.header;
    if (name === MANIFEST || name === ABOUT) {
      const text = await buffered(one as unknown as Readable);
      if (name === ABOUT) {
        about = readable(parsed(About, text));
        found.set(name, { bytes: Buffer.byteLength(text), sha256: sha256(text) });
      } else manifest = parsed(Manifest, text);
      continue;
    }
    if (!about) throw damaged('it does not say what it is');
    const path = resolve(folder, name);
    if (!path.startsWith(resolve(folder) + sep)) throw damaged(`it names a file outside: ${name}`);
    await mkdir(dirname(path), { recursive: true });
    const digest = digestOf();
    let bytes = 0;
    const counted = new Transform({
      transform(chunk: Uint8Array, _encoding, done) {
        digest.add(chunk);
        bytes += chunk.length;
        done(null, chunk);
      },
    });
    await pipeline(one as unknown as Readable, counted, createWriteStream(path));
    written.push(path);
    found.set(name, { bytes, sha256: digest.hex() });
  }
  await reading;
  if (!about || !manifest) throw damaged('its end is missing');
  for (const { name, sha256: expected } of manifest.files) {
    if (found.get(name)?.sha256 !== expected) throw damaged(`${name} is not what was backed up`);
  }
  await toDisk(written);
  return about;
}

/** Many at once: one after the other, a thousand small files take the disk several seconds. */
async function toDisk(paths: readonly string[]): Promise<void> {
  const sync = async (path: string) => {
    const file = await open(path);
    await file.sync().finally(() => file.close());
  };
  await new PQueue({ concurrency: SYNCED_AT_ONCE }).addAll(paths.map((path) => () => sync(path)));
}

async function buffered(stream: Readable): Promise<string> {
  const chunks: Uint8Array[] = [];
  for await (const chunk of stream) chunks.push(chunk);
  return Buffer.concat(chunks).toString();
}

function sha256(text: string): string {
  const digest = digestOf();
  digest.add(Buffer.from(text));
  return digest.hex();
}

function parsed<T>(schema: { safeParse(value: unknown): { success: boolean; data?: T } }, text: string): T {
  try {
    const read = schema.safeParse(JSON.parse(text));
    if (read.success && read.data !== undefined) return read.data;
  } catch {
    // It says the same as what parses and is something else.
  }
  throw damaged('it does not say what it is');
}

function readable(about: About): About {
  if (about.tables <= tableSteps() && about.documents <= DOCUMENT_FORMAT) return about;
  throw new Fault(
    409,
    'newer-backup',
    `This backup was made by a newer version (${about.program}, tables ${about.tables}, documents ${about.documents}).`,
    `This one reads tables up to ${tableSteps()} and documents up to ${DOCUMENT_FORMAT}. Update it, then restore.`,
  );
}

function damaged(why: string): Fault {
  return new Fault(400, 'broken-backup', `The backup is damaged: ${why}.`, 'Use another one.');
}

/** Opens the database as the server would and counts what is in it. */
async function lookedThrough(folder: string): Promise<Omit<Restored, 'madeAt'>> {
  const store = await openStore(folder);
  try {
    const { db } = store;
    // Who was signed in when it was made is not signed in now.
    await db.delete(table.session);
    const [people] = await db.select({ n: count() }).from(table.user);
    const [series] = await db.select({ n: count() }).from(table.series);
    const [procedures] = await db.select({ n: count() }).from(table.procedure);
    const [releases] = await db.select({ n: count() }).from(table.release);
    const [jobs] = await db.select({ n: count() }).from(table.job);
    const [entries] = await db.select({ n: count() }).from(table.entry);
    const [photos] = await db.select({ n: count() }).from(table.photo);
    const all = { people, series, procedures, releases, jobs, entries, photos };
    return Object.fromEntries(Object.entries(all).map(([name, row]) => [name, row?.n ?? 0])) as Omit<
      Restored,
      'madeAt'
    >;
  } finally {
    await store.close();
  }
}
