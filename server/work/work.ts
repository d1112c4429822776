import { createHash } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { Piscina } from 'piscina';
import { Fault } from '../ground/fault';
import { type TaskName, type Tasks, tasks } from './tasks';
import type { Asked, Ended } from './worker';

/** Does long work beside the server. Throws the Fault that the task threw, or one that says it took too long. */
export interface Work {
  /** Names the rules and everything else that the tasks are made of. */
  readonly version: string;
  do<Name extends TaskName>(name: Name, ...given: Parameters<Tasks[Name]>): ReturnType<Tasks[Name]>;
  close(): Promise<void>;
}

/** One thread is enough to keep the server free on a small machine; a second one keeps a long print from being in the way. */
const THREADS = 2;
const MOST_WAITING = 64;
const TIME_LIMIT_MS = 90_000;
/** What a task may take of memory before its thread, and nothing else, is ended. */
const MEMORY_MB = 1024;

/** Built, the tasks run in threads of their own; run from the sources, as by tests, in this one. */
export function createWork(file = fileURLToPath(new URL('./worker.js', import.meta.url))): Work {
  return existsSync(file) ? new Threads(file) : inThisThread;
}

const inThisThread: Work = {
  version: 'sources',
  do: (name, ...given) => (tasks[name] as (...all: unknown[]) => never)(...given),
  close: async () => {},
};

class Threads implements Work {
  private pool: Promise<Piscina<Asked, Ended>> | undefined;

  readonly version: string;

  constructor(private readonly file: string) {
    // The names of all it loads, which the build makes from their contents, stand in it.
    this.version = createHash('sha256').update(readFileSync(file)).digest('hex').slice(0, 16);
  }

  do<Name extends TaskName>(name: Name, ...given: Parameters<Tasks[Name]>): ReturnType<Tasks[Name]> {
    return this.run({ name, given }) as ReturnType<Tasks[Name]>;
  }

  private async run(asked: Asked): Promise<unknown> {
    const pool = await this.open();
    if (pool.queueSize >= MOST_WAITING) throw new Fault(503, 'busy', 'The server is busy.', 'Try again in a moment.');
    const limit = AbortSignal.timeout(TIME_LIMIT_MS);
    let ended: Ended;
    try {
      ended = await pool.run(asked, { signal: limit });
    } catch (error) {
      const code = (error as NodeJS.ErrnoException).code;
      if (!limit.aborted && code !== 'ERR_WORKER_OUT_OF_MEMORY') throw error;
      throw new Fault(
        413,
        'too-much-work',
        limit.aborted ? 'This took too long and was stopped.' : 'This needs more memory than is available.',
        'Make it smaller: fewer steps, pictures or places at once.',
      );
    }
    if (!ended.ok) throw new Fault(...ended.fault);
    return ended.result;
  }

  private open(): Promise<Piscina<Asked, Ended>> {
    this.pool ??= import('piscina').then(
      ({ Piscina }) =>
        new Piscina({
          filename: this.file,
          minThreads: 0,
          maxThreads: THREADS,
          idleTimeout: 60_000,
          resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
        }),
    );
    return this.pool;
  }

  async close(): Promise<void> {
    await (await this.pool)?.destroy();
  }
}
