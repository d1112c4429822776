import { randomUUID } from 'node:crypto';
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Command, InvalidArgumentError } from 'commander';
import { eq } from 'drizzle-orm';
import { modulesBefore } from '#core/model/modules';
import { copyOf, inspectPackage, packageOf } from '#core/package/package';
import { isZip } from '#core/package/zip';
import { type Checked, checkProcedure, tellChecked } from './cli/check';
import { type MediaFiles, packFile, type UnpackedFile, unpackFile, withMedia } from './files/package-media';
import { PhotoFiles } from './files/photos';
import { VideoFiles } from './files/videos';
import { Fault } from './ground/fault';
import { openStore } from './store/database';
import { proceduresOf, readSeries, takeInPackage } from './store/documents';
import { notePhotos } from './store/media';
import { user } from './store/schema';
import { readShelf } from './store/shelf';

/**
 * The command line: the same code as the server, for people without a browser at hand. What only the server needs is
 * loaded when it serves.
 */
const USUAL_PORT = 4270;
const program = new Command('fukusa')
  .description('Pump teardown and reassembly instructions, checked')
  .showHelpAfterError();

const port = (text: string) => {
  const number = Number(text);
  if (!Number.isInteger(number) || number < 0 || number > 65535)
    throw new InvalidArgumentError('A port is a number from 0 to 65535.');
  return number;
};
const webFolder = fileURLToPath(new URL('../web', import.meta.url));

program
  .command('serve')
  .description('serve the web app')
  .option('--data <folder>', 'where everything is kept', 'data/workshop')
  .option('--port <number>', 'where to listen', port)
  .option('--host <address>', 'which network address to listen on; 0.0.0.0 for the whole workshop', '127.0.0.1')
  .option('--demo', 'start with the demo dealer')
  .action(async (options: { data: string; port?: number; host: string; demo?: boolean }) => {
    const { closeOnSignals, serve } = await import('./serve');
    const demo = options.demo ? (await import('#demo/demo')).openDemo() : undefined;
    const running = await serve({
      dataFolder: options.data,
      port: options.port ?? USUAL_PORT,
      seekPort: options.port === undefined,
      host: options.host,
      webFolder,
      ...(demo && { demo: { people: demo.people }, seed: demo.seed }),
    });
    closeOnSignals(running);
    console.log(`\nFukusa is ready at  ${running.url}\n`);
    if (demo) {
      console.log(
        'Demo people, by one click on the sign-in page or with the password shown (made up, like all the data):',
      );
      for (const { username, name, role, password } of demo.people) {
        console.log(`  ${username.padEnd(8)} ${name.padEnd(18)} ${role.padEnd(11)} ${password}`);
      }
      console.log('\nStop with Ctrl+C. Start over with: npm run demo -- --reset\n');
    }
  });

program
  .command('check')
  .description('check package files; exit 1 when something would stop a release')
  .argument('<file...>')
  .option('--json', 'findings as JSON')
  .action(async (files: string[], options: { json?: boolean }) => {
    const results: Checked[] = [];
    const unread: string[] = [];
    for (const file of files) {
      try {
        results.push(...checkFile(file, await bytesOf(file)));
      } catch (error) {
        unread.push(tell(error));
      }
    }
    if (options.json) console.log(JSON.stringify(results, null, 2));
    else for (const checked of results) console.log(tellChecked(checked));
    const stopped = results.some(({ findings }) => findings.some(({ severity }) => severity === 'stop'));
    if (stopped) process.exitCode = 1;
    if (unread.length > 0) throw new Error(unread.join('\n'));
  });

program
  .command('import')
  .description('take a package file onto the shelf of a data folder that no server is using')
  .argument('<file>')
  .option('--data <folder>', 'where everything is kept', 'data/workshop')
  .option('--as <how>', 'new, copy or replace', 'new')
  .action(async (file: string, options: { data: string; as: string }) => {
    if (!['new', 'copy', 'replace'].includes(options.as)) program.error('--as takes new, copy or replace');
    const unpacked = unpackNamed(file, await bytesOf(file));
    const read = unpacked.package;
    const { series, procedures } = options.as === 'copy' ? copyOf(read, randomUUID) : read;
    await withStore(options.data, async (store) => {
      const [lead] = await store.db.select().from(user).where(eq(user.role, 'lead'));
      if (!lead)
        throw new Error('This data folder has no accounts yet. Start the server once and create the first one.');
      await withMedia(unpacked, mediaIn(options.data), (kept) =>
        takeInPackage(store.db, series, procedures, options.as === 'replace', lead.id, (tx) =>
          notePhotos(tx, kept, lead.id),
        ),
      );
    });
    console.log(`${series.name} ${series.code}: ${procedures.length} procedures are on the shelf.`);
  });

program
  .command('export')
  .description('write a series with its procedures as a package file')
  .argument('<code>', 'the code or id of the series')
  .argument('[file]', 'where to; printed when left out')
  .option('--data <folder>', 'where everything is kept', 'data/workshop')
  .action(async (code: string, file: string | undefined, options: { data: string }) => {
    const { text, zip } = await withStore(options.data, async ({ db }) => {
      const shelf = await readShelf(db);
      const found = shelf.find((series) => series.id === code || series.code.toLowerCase() === code.toLowerCase());
      if (!found)
        throw new Error(
          `There is no series "${code}". On the shelf: ${shelf.map((s) => s.code).join(', ') || 'nothing'}.`,
        );
      const { document } = await readSeries(db, found.id);
      const whole = packageOf(document, await proceduresOf(db, found.id));
      return { text: `${JSON.stringify(whole, null, 2)}\n`, ...(await packFile(whole, mediaIn(options.data))) };
    });
    if (!file) process.stdout.write(text);
    else {
      // Pictures come along where the file is to be a zip.
      await writeFile(file, zip && file.endsWith('.zip') ? zip : text);
      console.log(`Written to ${file}.`);
    }
  });

async function bytesOf(file: string): Promise<Uint8Array> {
  try {
    return await readFile(file);
  } catch (error) {
    const reason = (error as NodeJS.ErrnoException).code === 'ENOENT' ? 'there is no such file' : String(error);
    throw new Error(`${file} cannot be read: ${reason}.`);
  }
}

/** Checks every procedure of a package file; what points at nothing stops a release like a finding does. */
function checkFile(file: string, bytes: Uint8Array): Checked[] {
  const text = isZip(bytes) ? undefined : new TextDecoder().decode(bytes);
  const lenient = text === undefined ? undefined : inspectPackage(text);
  const { series, procedures } = lenient?.package ?? unpackNamed(file, bytes).package;
  return procedures.map((procedure) =>
    checkProcedure(file, { series, procedure, before: modulesBefore(procedure, procedures) }, lenient?.faults ?? []),
  );
}

/** Reads a package file; what is wrong in it is told with its name. */
function unpackNamed(file: string, bytes: Uint8Array): UnpackedFile {
  try {
    return unpackFile(bytes);
  } catch (error) {
    if (!(error instanceof Fault)) throw error;
    const lines = (error.more.where ?? []).map((fault) => `\n  ${fault.path}: ${fault.reason}`);
    throw new Error(`${file} cannot be read; nothing was changed.${lines.join('')}`);
  }
}

function tell(error: unknown): string {
  const where =
    error instanceof Fault ? (error.more.where ?? []).map((fault) => `\n  ${fault.path}: ${fault.reason}`) : [];
  return `${error instanceof Error ? error.message : error}${where.join('')}`;
}

/** Where a data folder keeps its pictures. */
function mediaIn(folder: string): MediaFiles {
  return { photos: new PhotoFiles(join(folder, 'photos')), videos: new VideoFiles(join(folder, 'videos')) };
}

async function withStore<T>(
  folder: string,
  work: (store: Awaited<ReturnType<typeof openStore>>) => Promise<T>,
): Promise<T> {
  const store = await openStore(folder, (error) => {
    throw error;
  });
  try {
    return await work(store);
  } finally {
    await store.close();
  }
}

try {
  await program.parseAsync();
} catch (error) {
  console.error(tell(error));
  process.exitCode = 2;
}
