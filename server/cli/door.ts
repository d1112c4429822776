import { type IncomingMessage, request } from 'node:http';
import { Readable } from 'node:stream';
import { createAccounts } from '../accounts/accounts';
import { createConsole } from '../console';
import { doorOf } from '../database/lock';
import { openStore } from '../database/open';
import { placesIn } from '../files/layout';
import { Fault, type FaultBody } from '../ground/fault';
import { secretOf } from '../secret';

export interface Answer {
  readonly body: Readable;
  json<T>(): Promise<T>;
}

/** Asks the process that holds a data folder; where none does, this one opens the folder for the time being. */
export async function atDoor<T>(
  folder: string,
  work: (ask: (method: string, path: string, body?: object) => Promise<Answer>) => Promise<T>,
): Promise<T> {
  const door = await doorOf(folder);
  if (door) return work((method, path, body) => through(door, method, path, body));
  const store = await openStore(folder);
  try {
    const places = placesIn(folder);
    const accounts = createAccounts(store.db, { secret: await secretOf(places.secret) });
    const app = createConsole(
      { accounts, places, durable: () => store.engine.durable(), log: console.error },
      store.engine,
    );
    return await work(async (method, path, body) => {
      const response = await app.request(path, {
        method,
        ...(body && { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
      });
      const stream = response.body ?? new ReadableStream();
      return answered(response.status, Readable.fromWeb(stream as Parameters<typeof Readable.fromWeb>[0]));
    });
  } finally {
    await store.close();
  }
}

async function through(door: string, method: string, path: string, body?: object): Promise<Answer> {
  const response = await new Promise<IncomingMessage>((resolve, reject) => {
    const asked = request({ socketPath: door, method, path, headers: { 'content-type': 'application/json' } }, resolve);
    asked.on('error', reject);
    asked.end(body && JSON.stringify(body));
  });
  return answered(response.statusCode ?? 500, response);
}

async function answered(status: number, body: Readable): Promise<Answer> {
  const answer: Answer = {
    body,
    json: async <T>() => {
      const chunks: Uint8Array[] = [];
      for await (const chunk of body) chunks.push(chunk);
      return JSON.parse(Buffer.concat(chunks).toString()) as T;
    },
  };
  if (status < 400) return answer;
  const { fault } = await answer.json<FaultBody>();
  throw new Fault(400, fault.code, fault.what, fault.todo, { ...(fault.where && { where: fault.where }) });
}
