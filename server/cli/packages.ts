import { randomUUID } from 'node:crypto';
import { readFile, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { and, eq, ilike, or } from 'drizzle-orm';
import { modulesBefore } from '#core/model/modules';
import { copyOf, inspectPackage, type Package, packageOf } from '#core/package/package';
import { isZip } from '#core/package/zip';
import { type OpenStore, openStore } from '../database/open';
import * as table from '../database/schema';
import { placesIn } from '../files/layout';
import { needsZip, packFile, type UnpackedFile, unpackFile, withFolder, withMedia } from '../files/package-file';
import { PhotoFiles } from '../files/photos';
import { VideoFiles } from '../files/videos';
import { Fault } from '../ground/fault';
import { proceduresOf, readSeries, takeInPackage } from '../store/documents';
import { notePhotos } from '../store/media';
import { type Checked, checkProcedure, tellChecked } from './check';
import { tell } from './tell';

/** Prints what is found in package files; gives whether something would stop a release. */
export async function checkFiles(files: readonly string[], asJson: boolean): Promise<boolean> {
  const results: Checked[] = [];
  const unread: string[] = [];
  for (const file of files) {
    try {
      results.push(...(await checkFile(file)));
    } catch (error) {
      unread.push(tell(error));
    }
  }
  if (asJson) console.log(JSON.stringify(results, null, 2));
  else for (const checked of results) console.log(tellChecked(checked));
  if (unread.length > 0) throw new Error(unread.join('\n'));
  return results.some(({ findings }) => findings.some(({ severity }) => severity === 'stop'));
}

/** Checks every procedure of a package file; what points at nothing stops a release like a finding does. */
async function checkFile(file: string): Promise<Checked[]> {
  const bytes = await bytesOf(file);
  const lenient = isZip(bytes) ? undefined : inspectPackage(new TextDecoder().decode(bytes));
  const { series, procedures } = lenient?.package ?? (await unpacked(file, async (read) => read.package));
  return procedures.map((procedure) =>
    checkProcedure(file, { series, procedure, before: modulesBefore(procedure, procedures) }, lenient?.faults ?? []),
  );
}

/** Takes a package file onto the shelf of a data folder that no server is using. */
export async function importFile(file: string, folder: string, as: 'new' | 'copy' | 'replace'): Promise<void> {
  const { series, procedures } = await unpacked(file, async (read) => {
    const sent: Package = as === 'copy' ? copyOf(read.package, randomUUID) : read.package;
    await withStore(folder, async ({ db }) => {
      const [lead] = await db.select().from(table.user).where(eq(table.user.role, 'lead'));
      if (!lead)
        throw new Error('This data folder has no accounts yet. Start the server once and create the first one.');
      await withMedia({ ...read, package: sent }, mediaIn(folder), (kept) =>
        takeInPackage(db, sent.series, kept.procedures, as === 'replace', lead.id, (tx) =>
          notePhotos(tx, kept.photos, lead.id),
        ),
      );
    });
    return sent;
  });
  console.log(`${series.name} ${series.code}: ${procedures.length} procedures are on the shelf.`);
}

/** Writes a series, named by its code or id, as a package file; prints it where no file is named. */
export async function exportSeries(code: string, file: string | undefined, folder: string): Promise<void> {
  await withStore(folder, async ({ db }) => {
    const [found] = await db
      .select({ id: table.series.id })
      .from(table.series)
      .where(or(eq(table.series.id, code), and(ilike(table.series.code, code.replace(/[\\%_]/g, '\\$&')))));
    if (!found) {
      const codes = await db.select({ code: table.series.code }).from(table.series).limit(40);
      throw new Error(
        `There is no series "${code}". On the shelf: ${codes.map((row) => row.code).join(', ') || 'nothing'}.`,
      );
    }
    const { document } = await readSeries(db, found.id);
    const whole = packageOf(document, await proceduresOf(db, found.id));
    const text = `${JSON.stringify(whole, null, 2)}\n`;
    if (!file) {
      process.stdout.write(text);
      return;
    }
    // Pictures come along where the file is to be a zip.
    if (file.endsWith('.zip') && needsZip(whole)) {
      const { createWriteStream } = await import('node:fs');
      await pipeline(packFile(whole, mediaIn(folder)), createWriteStream(file));
    } else await writeFile(file, text);
    console.log(`Written to ${file}.`);
  });
}

async function bytesOf(file: string): Promise<Uint8Array> {
  try {
    return await readFile(file);
  } catch (error) {
    const reason = (error as NodeJS.ErrnoException).code === 'ENOENT' ? 'there is no such file' : String(error);
    throw new Error(`${file} cannot be read: ${reason}.`);
  }
}

/** Reads a package file for the time of some work; what is wrong in it is told with its name. */
async function unpacked<T>(file: string, work: (read: UnpackedFile) => Promise<T>): Promise<T> {
  await bytesOf(file);
  return withFolder(join(tmpdir(), 'fukusa-import'), async (folder) => {
    let read: UnpackedFile;
    try {
      read = await unpackFile(file, join(folder, 'media'));
    } catch (error) {
      if (!(error instanceof Fault)) throw error;
      const lines = (error.more.where ?? []).map((fault) => `\n  ${fault.path}: ${fault.reason}`);
      throw new Error(`${file} cannot be read; nothing was changed.${lines.join('')}`);
    }
    return work(read);
  });
}

function mediaIn(folder: string) {
  const { photos, videos } = placesIn(folder);
  return { photos: new PhotoFiles(photos), videos: new VideoFiles(videos) };
}

async function withStore<T>(folder: string, work: (store: OpenStore) => Promise<T>): Promise<T> {
  const store = await openStore(folder);
  try {
    return await work(store);
  } finally {
    await store.close();
  }
}
