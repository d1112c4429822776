import { eq, sql } from 'drizzle-orm';
import type { Workbook } from '#core/model/procedure';
import type { Database } from '../database/open';
import * as table from '../database/schema';
import { Fault } from '../ground/fault';
import { readWorkbook } from './documents';
import type { FindStops } from './releases';

/** Somebody who writes quickly changes a procedure many times a minute: it is looked at when the hand rests. */
const REST_MS = 700;

/** Keeps beside each procedure what stops its release, as the shelf shows it. */
export interface Checking {
  /** Something was changed. */
  due(): void;
  /** Resolves when all is looked at; for what cannot wait. */
  settled(): Promise<void>;
  close(): Promise<void>;
}

export function createChecking(db: Database, findStops: FindStops, log: (error: unknown) => void): Checking {
  let timer: NodeJS.Timeout | undefined;
  let closed = false;
  let running: Promise<void> | undefined;

  const run = (): Promise<void> => {
    clearTimeout(timer);
    running ??= checkDue(db, findStops, log, () => closed)
      .catch(log)
      .finally(() => {
        running = undefined;
      });
    return running;
  };
  return {
    due: () => {
      clearTimeout(timer);
      timer = setTimeout(() => void run(), REST_MS);
      timer.unref();
    },
    settled: async () => {
      await running;
      await run();
    },
    close: async () => {
      closed = true;
      clearTimeout(timer);
      await running;
    },
  };
}

async function checkDue(
  db: Database,
  findStops: FindStops,
  log: (error: unknown) => void,
  isClosed: () => boolean,
): Promise<void> {
  while (!isClosed()) {
    const [next] = await db
      .select({ id: table.procedure.id, due: table.procedure.checkDue })
      .from(table.procedure)
      .where(sql`${table.procedure.checkedAt} < ${table.procedure.checkDue}`)
      .limit(1);
    if (!next) return;
    const found = await stopsOf(db, findStops, next.id).catch((error: unknown) => {
      // One that cannot be gone through does not keep the others from it.
      log(error);
      return { stops: 1, firstStop: 'It could not be checked. The server console shows why.' };
    });
    // Written where nothing changed meanwhile; where it did, it is due again by itself.
    if (found) {
      await db
        .update(table.procedure)
        .set({ checkedAt: next.due, stops: found.stops, firstStop: found.firstStop })
        .where(sql`${eq(table.procedure.id, next.id)} AND ${table.procedure.checkDue} = ${next.due}`);
    }
  }
}

async function stopsOf(db: Database, findStops: FindStops, id: string) {
  try {
    const { series, procedure, before } = await readWorkbook(db, id);
    const workbook: Workbook = { series: series.document, procedure: procedure.document, before };
    const [first, ...more] = await findStops(workbook);
    return { stops: first ? more.length + 1 : 0, firstStop: first?.sentence ?? null };
  } catch (error) {
    // Deleted in between, or too large to go through: that is what the shelf says of it.
    if (!(error instanceof Fault)) throw error;
    return error.status === 404 ? undefined : { stops: 1, firstStop: error.what };
  }
}

/** Has every procedure looked at again that was checked under other rules than `rules`. */
export async function checkAgainUnder(db: Database, rules: string): Promise<void> {
  const [kept] = await db.select().from(table.state).where(eq(table.state.key, 'rules'));
  if (kept?.value === rules) return;
  await db.update(table.procedure).set({ checkDue: sql`${table.procedure.checkDue} + 1` });
  await db
    .insert(table.state)
    .values({ key: 'rules', value: rules })
    .onConflictDoUpdate({ target: table.state.key, set: { value: rules } });
}
