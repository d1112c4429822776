import { PGlite, type Transaction } from '@electric-sql/pglite';
import { type DiskOps, SyncedFiles } from './disk';

/** What the query builder and this house ask of a database. */
type Client = Pick<PGlite, 'query' | 'exec' | 'transaction'>;

/** The database gave up in the middle of a request; it is opened again for the next one. */
export class EngineStopped extends Error {
  readonly code = 'ENGINE_STOPPED';

  constructor() {
    super('The database stopped in the middle of this and is being opened again.');
  }
}

/** Commits wait in memory until somebody has something to acknowledge (see `durable`). */
const SETTINGS = ['synchronous_commit=off', 'wal_sync_method=fsync', 'jit=off'];
const START = [
  ...PGlite.defaultStartParams.filter((param) => param !== '-F'),
  ...SETTINGS.flatMap((setting) => ['-c', setting]),
];

/** Keeps the journal that a copy under way still needs; gone by itself with the process. */
const COPY_SLOT = 'fukusa_copy';

export interface CopyEnd {
  readonly label: string;
  /** File of the journal up to which a copy needs it; it begins with the one that the label names. */
  readonly lastOfJournal: string;
}

/** Refuses to touch a database that gave up: it would never answer again, and the whole process with it. */
class Engine extends PGlite {
  stopped = false;

  override execProtocolRawSync(message: Uint8Array): Uint8Array {
    if (this.stopped) throw new EngineStopped();
    return super.execProtocolRawSync(message);
  }
}

/**
 * One embedded database over a folder, synced to the disk. It gives up when it cannot write its journal (as on a full
 * disk); then it is opened again by itself, and comes up as it was at the last commit.
 */
export class DatabaseEngine implements Client {
  private syncing: Promise<unknown> | undefined;
  private readonly heard: { readonly channel: string; readonly tell: () => void }[] = [];

  private constructor(
    private readonly folder: string,
    private readonly disk: DiskOps | undefined,
    private engine: Promise<Engine>,
  ) {}

  static async open(folder: string, disk?: DiskOps): Promise<DatabaseEngine> {
    const opening = openEngine(folder, disk);
    await opening;
    return new DatabaseEngine(folder, disk, opening);
  }

  query: Client['query'] = async (...args) => (await this.running()).query(...args);
  exec: Client['exec'] = async (...args) => (await this.running()).exec(...args);
  transaction: Client['transaction'] = async <T>(work: (tx: Transaction) => Promise<T>) =>
    (await this.running()).transaction(work);

  /**
   * Resolves when all that was committed before is on the disk itself. Those who ask at about the same time share one
   * sync.
   */
  durable(): Promise<unknown> {
    this.syncing ??= new Promise((resolve) => setImmediate(resolve)).then(() => {
      this.syncing = undefined;
      return this.query("SELECT pg_logical_emit_message(false, 'fukusa', '', true)");
    });
    return this.syncing;
  }

  /**
   * Lets the files of the database be copied while it goes on; gives what a copy needs to be opened. The journal since
   * the start of the copy stays until `copied`.
   */
  async copying(copy: () => Promise<void>): Promise<CopyEnd> {
    await this.query('SELECT pg_create_physical_replication_slot($1, true, true)', [COPY_SLOT]);
    await this.query('SELECT pg_backup_start($1, true)', [COPY_SLOT]);
    const stop = () =>
      this.query<CopyEnd>(
        'SELECT labelfile AS label, pg_walfile_name(lsn) AS "lastOfJournal" FROM pg_backup_stop(false)',
      );
    try {
      await copy();
    } catch (error) {
      await stop();
      await this.copied();
      throw error;
    }
    const [end] = (await stop()).rows;
    if (!end) throw new Error('The database did not say where its copy ends.');
    await this.durable();
    return end;
  }

  async copied(): Promise<void> {
    await this.query(
      'SELECT pg_drop_replication_slot(slot_name) FROM pg_replication_slots WHERE slot_name = $1 AND temporary',
      [COPY_SLOT],
    );
  }

  /** Tells of what the database notifies on a channel, of this process and of others. */
  async listen(channel: string, tell: () => void): Promise<void> {
    this.heard.push({ channel, tell });
    await (await this.running()).listen(channel, tell);
  }

  private async listening(engine: Engine): Promise<Engine> {
    for (const { channel, tell } of this.heard) {
      await engine.listen(channel, tell);
      // What was notified meanwhile was not heard.
      tell();
    }
    return engine;
  }

  async close(): Promise<void> {
    const engine = await this.engine.catch(() => undefined);
    if (engine && !engine.stopped) await engine.close();
  }

  private async running(): Promise<Engine> {
    const current = this.engine;
    const engine = await current.catch(() => undefined);
    if (engine && !engine.stopped) return engine;
    // The first who finds it stopped opens it again; the others wait for the same one.
    if (this.engine === current) this.engine = openEngine(this.folder, this.disk).then((next) => this.listening(next));
    return this.engine;
  }
}

async function openEngine(folder: string, disk: DiskOps | undefined): Promise<Engine> {
  let engine: Engine | undefined;
  const files = new SyncedFiles(
    folder,
    () => {
      if (engine) engine.stopped = true;
    },
    disk,
  );
  engine = new Engine({ dataDir: folder, fs: files, startParams: START });
  await engine.waitReady.catch((error: unknown) => {
    // The layer below says no more than that it did not come up.
    throw error instanceof Error && 'code' in error ? error : Object.assign(new EngineStopped(), { cause: error });
  });
  return engine;
}
