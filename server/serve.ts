import { randomBytes, randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { getRequestListener } from '@hono/node-server';
import { createAccounts } from './accounts/accounts';
import { createApp } from './app';
import { PhotoFiles } from './files/photos';
import { VideoFiles } from './files/videos';
import type { DemoPeople, Services } from './services/services';
import { openStore } from './store/database';

export interface ServeOptions {
  /** Database, photos, secret and request log live here. */
  readonly dataFolder: string;
  readonly port: number;
  /** Try the following ports when this one is taken. */
  readonly seekPort?: boolean;
  readonly host?: string;
  readonly webFolder?: string;
  readonly demo?: DemoPeople;
  /** Runs before the first request, when there are no accounts yet. */
  readonly seed?: (services: Services) => Promise<void>;
  readonly signInTries?: number;
}

export interface Running {
  readonly url: string;
  readonly services: Services;
  close(): Promise<void>;
}

const PORTS_TO_TRY = 20;

/** Opens the data folder and serves until closed. Requests under way are finished before the database closes. */
export async function serve(options: ServeOptions): Promise<Running> {
  const store = await openStore(options.dataFolder, (error) => {
    console.error(
      `The lock on ${options.dataFolder} was lost (${error.message}); stopping before two processes write.`,
    );
    process.exit(1);
  });
  try {
    const services: Services = {
      db: store.db,
      accounts: createAccounts(store.db, await secretOf(options.dataFolder), options.signInTries),
      photos: new PhotoFiles(join(options.dataFolder, 'photos')),
      videos: new VideoFiles(join(options.dataFolder, 'videos')),
      demo: options.demo ?? null,
      newId: randomUUID,
      log: (line) => console.error(line),
    };
    if (options.seed && (await services.accounts.count()) === 0) await options.seed(services);

    const log = createWriteStream(join(options.dataFolder, 'requests.log'), { flags: 'a' });
    const app = createApp({
      services,
      ...(options.webFolder && { webFolder: options.webFolder }),
      logRequest: (line) => log.write(`${line}\n`),
    });
    const server = createServer(getRequestListener(app.fetch));
    const host = options.host ?? '127.0.0.1';
    await listen(server, host, options.port, options.seekPort ? PORTS_TO_TRY : 1);
    const { port } = server.address() as AddressInfo;
    return {
      url: `http://${host === '0.0.0.0' || host === '127.0.0.1' ? 'localhost' : host}:${port}`,
      services,
      close: async () => {
        const closed = new Promise<void>((resolve) => server.close(() => resolve()));
        server.closeIdleConnections();
        await closed;
        log.end();
        await store.close();
      },
    };
  } catch (error) {
    await store.close();
    throw error;
  }
}

/** Closes on the signals a terminal or a service manager sends; a second one does not wait. */
export function closeOnSignals(running: Running): void {
  let closing = false;
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.on(signal, () => {
      if (closing) process.exit(1);
      closing = true;
      running.close().then(
        () => process.exit(0),
        () => process.exit(1),
      );
    });
  }
}

async function listen(server: Server, host: string, port: number, tries: number): Promise<void> {
  try {
    await new Promise<void>((resolve, reject) => {
      server.once('error', reject);
      server.listen(port, host, () => {
        server.off('error', reject);
        resolve();
      });
    });
  } catch (error) {
    const taken = (error as NodeJS.ErrnoException).code === 'EADDRINUSE';
    if (taken && tries > 1) return listen(server, host, port + 1, tries - 1);
    throw taken ? new Error(`Port ${port} is taken. Choose another with --port.`) : error;
  }
}

/** Signs the session cookies; made once and kept with the data. */
async function secretOf(folder: string): Promise<string> {
  const path = join(folder, 'secret');
  return readFile(path, 'utf8').catch(async () => {
    const secret = randomBytes(32).toString('hex');
    await writeFile(path, secret, { mode: 0o600 });
    return secret;
  });
}
