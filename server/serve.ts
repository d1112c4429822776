import { randomUUID } from 'node:crypto';
import { rm } from 'node:fs/promises';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { createAdaptorServer, getRequestListener } from '@hono/node-server';
import { WebSocketServer } from 'ws';
import { createAccounts } from './accounts/accounts';
import { SESSIONS_CHANGED } from './accounts/sessions';
import { createApp } from './app';
import { createConsole } from './console';
import type { DatabaseEngine } from './database/engine';
import { type OpenStore, openStore } from './database/open';
import { createDeviceHub } from './devices/bridge';
import { LONGEST_MESSAGE_BYTES } from './devices/sockets';
import { placesIn } from './files/layout';
import { PhotoFiles } from './files/photos';
import { VideoFiles } from './files/videos';
import { errorLog, openRequestLog } from './ground/logs';
import type { ReachSettings } from './ground/reach';
import { roomGuard } from './ground/room';
import { workshopKeyOf } from './seal/workshop-key';
import { secretOf, setupCodeOf } from './secret';
import { type BackupPlan, keepBackups } from './services/backups';
import type { DemoPeople, Services } from './services/services';
import { checkAgainUnder, createChecking } from './store/checking';
import { catchUpJobs } from './store/jobs';
import { catchUpReleases } from './store/releases';
import { catchUpSeals } from './store/sealing';
import { createWork } from './work/work';

export interface ServeOptions {
  /** Database, photos, secret and request log live here. */
  readonly dataFolder: string;
  readonly port: number;
  /** Try the following ports when this one is taken. */
  readonly seekPort?: boolean;
  readonly host?: string;
  readonly webFolder?: string;
  readonly reach?: ReachSettings;
  /** Backups by the clock; none but those asked for where it is left out. */
  readonly backups?: BackupPlan;
  readonly demo?: DemoPeople;
  /** Runs before the first request, when there are no accounts yet. */
  readonly seed?: (services: Services) => Promise<void>;
  readonly signInTries?: number;
}

export interface Running {
  readonly url: string;
  readonly services: Services;
  readonly engine: DatabaseEngine;
  close(): Promise<void>;
}

const PORTS_TO_TRY = 20;
/** Requests under way are waited for so long when the server stops; a stalled upload is not. */
const FINISHING_MS = 4000;
/** Told to sockets when the server stops; RFC 6455. */
const GOING_AWAY = 1001;
const THIS_MACHINE = '127.0.0.1';
const LOOPBACK = [THIS_MACHINE, '::1', 'localhost'];

/** Opens the data folder and serves until closed. Requests under way are finished before the database closes. */
export async function serve(options: ServeOptions): Promise<Running> {
  const store = await openStore(options.dataFolder);
  try {
    const services = await servicesOver(store, options);
    if (options.seed && (await services.accounts.count()) === 0) await options.seed(services);
    await store.engine.durable();

    store.lock.answer(getRequestListener(createConsole(services, store.engine).fetch));
    const requests = openRequestLog(services.places.requests);
    const app = createApp({
      services,
      ...(options.webFolder && { webFolder: options.webFolder }),
      logRequest: requests.write,
      needRoom: roomGuard(options.dataFolder),
    });
    const sockets = new WebSocketServer({ noServer: true, maxPayload: LONGEST_MESSAGE_BYTES });
    const server = createAdaptorServer({ fetch: app.fetch, websocket: { server: sockets } }) as Server;
    const host = options.host ?? THIS_MACHINE;
    await listen(server, host, options.port, options.seekPort ? PORTS_TO_TRY : 1);
    const { port } = server.address() as AddressInfo;
    const catchingUp = catchUp(services).catch(services.log);
    return {
      url: `http://${host === '0.0.0.0' || host === THIS_MACHINE ? 'localhost' : host}:${port}`,
      services,
      engine: store.engine,
      close: async () => {
        for (const socket of sockets.clients) socket.close(GOING_AWAY);
        await closeServer(server, sockets);
        services.backups.close();
        await services.checking.close();
        await services.work.close();
        await Promise.race([catchingUp, new Promise((resolve) => setTimeout(resolve, FINISHING_MS).unref())]);
        await requests.close();
        await store.close();
      },
    };
  } catch (error) {
    await store.close();
    throw error;
  }
}

async function servicesOver(store: OpenStore, options: ServeOptions): Promise<Services> {
  const { db, folder, engine } = store;
  const { reach = {}, host = THIS_MACHINE, demo } = options;
  const places = placesIn(folder);
  const secret = await secretOf(places.secret);
  const workshopKey = await workshopKeyOf(places.workshopKey);
  const log = errorLog();
  const work = createWork();
  const plan = options.backups ?? { everyHours: 0, keep: 7 };
  // What a killed process was in the middle of taking in.
  await rm(places.uploads, { recursive: true, force: true });
  const reachedFromOutside =
    !LOOPBACK.includes(host) || reach.publicUrl !== undefined || reach.trustProxy !== undefined;
  const accounts = createAccounts(db, { secret, demo: demo !== undefined, triesAMinute: options.signInTries });
  await engine.listen(SESSIONS_CHANGED, accounts.sessions.forget);
  return {
    db,
    durable: () => engine.durable(),
    accounts,
    photos: new PhotoFiles(places.photos),
    videos: new VideoFiles(places.videos),
    places,
    work,
    backups: keepBackups(engine, places, work, plan, log),
    devices: createDeviceHub(secret),
    workshopKey,
    checking: createChecking(db, (workbook) => work.do('stops', workbook), log),
    reach,
    setupCode: reachedFromOutside ? setupCodeOf(secret) : null,
    demo: demo ?? null,
    newId: randomUUID,
    log,
  };
}

/** What lists show, for what an earlier version wrote; the server answers meanwhile. */
async function catchUp({ db, checking, work, workshopKey }: Services): Promise<void> {
  await catchUpReleases(db);
  await catchUpJobs(db);
  await catchUpSeals(db, workshopKey);
  await checkAgainUnder(db, work.version);
  checking.due();
}

async function closeServer(server: Server, sockets: WebSocketServer): Promise<void> {
  const closed = new Promise<void>((resolve) => server.close(() => resolve()));
  server.closeIdleConnections();
  const late = setTimeout(() => {
    server.closeAllConnections();
    for (const socket of sockets.clients) socket.terminate();
  }, FINISHING_MS);
  await closed;
  clearTimeout(late);
}

/** Closes on the signals a terminal or a service manager sends; a second one does not wait, and nothing waits for ever. */
export function closeOnSignals(running: Running): void {
  const LONGEST_MS = 9000;
  let closing = false;
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.on(signal, () => {
      if (closing) process.exit(1);
      closing = true;
      setTimeout(() => process.exit(1), LONGEST_MS).unref();
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
