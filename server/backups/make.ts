import { open, readdir, stat } from 'node:fs/promises';
import { join, posix } from 'node:path';
import { pipeline, Readable, type Writable } from 'node:stream';
import { createGzip } from 'node:zlib';
import { type Pack, pack } from 'tar-stream';
import type { DatabaseEngine } from '../database/engine';
import type { Places } from '../files/layout';
import { Fault } from '../ground/fault';
import { ABOUT, aboutNow, digestOf, MANIFEST, type Manifest } from './manifest';

const CHUNK = 256 * 1024;
/** Of the database: what belongs to the running process, and the journal, which is taken last. */
const NOT_COPIED = ['pg_wal', 'pg_replslot', 'postmaster.pid', 'postmaster.opts', 'backup_label', 'backup_label.old'];

/**
 * Everything of a data folder as one stream, while it is in use: the database as PostgreSQL copies one that runs
 * (https://www.postgresql.org/docs/current/continuous-archiving.html, "Making a Base Backup Using the Low Level API"),
 * its journal of the meantime, then photos and videos, which are only ever added. The end holds a checksum of each
 * file. The secret and who is signed in do not come along: after a restore everybody signs in again.
 */
export function makeBackup(engine: DatabaseEngine, places: Places): Readable {
  if (underWay) throw new Fault(409, 'backup-under-way', 'A backup is already running.', 'Wait until it is done.');
  underWay = true;
  const tar = pack();
  // Whoever reads may stop reading; then nothing waits for the next piece to be taken.
  const cutShort = new Promise<never>((_resolve, reject) => {
    tar.once('close', () => reject(new Error('The backup was cut short.')));
  });
  cutShort.catch(() => undefined);
  write({ tar, cutShort }, engine, places)
    .then(
      () => tar.finalize(),
      (error: Error) => tar.destroy(error),
    )
    .finally(() => {
      underWay = false;
    });
  // Empty pages and the rest of the journal are most of a small database.
  return pipeline(Readable.from(tar as AsyncIterable<Uint8Array>), createGzip({ level: 1 }), () => undefined);
}

let underWay = false;

interface Tape {
  readonly tar: Pack;
  readonly cutShort: Promise<never>;
}

async function write(tape: Tape, engine: DatabaseEngine, places: Places): Promise<void> {
  const manifest: { files: Manifest['files'][number][] } = { files: [] };
  const add = async (name: string, bytes: Uint8Array) => {
    await entry(tape, name, Buffer.from(bytes));
    manifest.files.push({ name, bytes: bytes.length, sha256: sha256(bytes) });
  };
  const addFile = async (name: string, path: string) => {
    const file = await copied(tape, name, path);
    if (file) manifest.files.push(file);
  };
  await add(ABOUT, Buffer.from(JSON.stringify(aboutNow())));
  const { label, lastOfJournal } = await engine.copying(async () => {
    for (const name of await filesUnder(places.database, NOT_COPIED)) {
      await addFile(posix.join('database', name), join(places.database, name));
    }
  });
  try {
    await add('database/backup_label', Buffer.from(label));
    const [firstOfJournal = ''] = /[0-9A-F]{24}/.exec(label) ?? [];
    for (const name of await readdir(join(places.database, 'pg_wal'))) {
      const isNeeded = /^[0-9A-F]{24}$/.test(name) && firstOfJournal <= name && name <= lastOfJournal;
      if (isNeeded) await addFile(`database/pg_wal/${name}`, join(places.database, 'pg_wal', name));
    }
  } finally {
    await engine.copied();
  }
  for (const [name, folder] of [
    ['photos', places.photos],
    ['videos', places.videos],
  ] as const) {
    for (const file of await filesUnder(folder, [])) await addFile(posix.join(name, file), join(folder, file));
  }
  await entry(tape, MANIFEST, Buffer.from(JSON.stringify(manifest)));
}

function sha256(bytes: Uint8Array): string {
  const digest = digestOf();
  digest.add(bytes);
  return digest.hex();
}

function entry({ tar, cutShort }: Tape, name: string, bytes: Buffer): Promise<void> {
  const written = new Promise<void>((resolve, reject) => {
    tar.entry({ name }, bytes, (error) => (error ? reject(error) : resolve()));
  });
  return Promise.race([written, cutShort]);
}

/** A file as long as it was when it was looked at: what is written to it meanwhile is in the journal. */
async function copied(
  { tar, cutShort }: Tape,
  name: string,
  path: string,
): Promise<Manifest['files'][number] | undefined> {
  const file = await open(path).catch((error: NodeJS.ErrnoException) => {
    if (error.code === 'ENOENT') return undefined;
    throw error;
  });
  if (!file) return undefined;
  try {
    const { size } = await file.stat();
    const digest = digestOf();
    const written = new Promise<void>((resolve, reject) => {
      const done = (error?: Error | null) => (error ? reject(error) : resolve());
      // The types know it as a stream of another make, which it behaves like.
      const into = tar.entry({ name, size }, done) as unknown as Writable;
      const copy = async () => {
        for (let at = 0; at < size; ) {
          const chunk = Buffer.alloc(Math.min(CHUNK, size - at));
          // A file that became shorter is filled up with zeros; the journal says how long it is to be.
          const { bytesRead } = await file.read(chunk, 0, chunk.length, at);
          at += bytesRead > 0 ? bytesRead : chunk.length;
          const part = bytesRead > 0 ? chunk.subarray(0, bytesRead) : chunk;
          digest.add(part);
          if (!into.write(part)) await Promise.race([new Promise((drained) => into.once('drain', drained)), cutShort]);
        }
        into.end();
      };
      copy().catch(reject);
    });
    await Promise.race([written, cutShort]);
    return { name, bytes: size, sha256: digest.hex() };
  } finally {
    await file.close();
  }
}

async function filesUnder(folder: string, but: readonly string[], under = ''): Promise<string[]> {
  const names = await readdir(join(folder, under)).catch(() => []);
  const files: string[] = [];
  for (const name of names.sort()) {
    if (but.includes(name)) continue;
    const path = posix.join(under, name);
    const kind = await stat(join(folder, path)).catch(() => undefined);
    if (kind?.isDirectory()) files.push(...(await filesUnder(folder, but, path)));
    else if (kind?.isFile()) files.push(path);
  }
  return files;
}
