import { lt } from 'drizzle-orm';
import { RateLimiterDrizzle, RateLimiterRes } from 'rate-limiter-flexible';
import type { Database } from '../database/open';
import * as table from '../database/schema';
import { Fault } from '../ground/fault';

/** More failed tries from one address within a minute are refused. */
export const TRIES_A_MINUTE = 10;
/** So many failed tries for one name within a quarter of an hour are answered at once; the following ones wait. */
const NAME_TRIES = 5;
const NAME_WINDOW_S = 15 * 60;
/** What somebody has to wait at most whose name a stranger keeps trying. */
const LONGEST_WAIT_MS = 6000;

export interface Tries {
  /** Throws when this address tried too often; waits where this name was tried too often. */
  before(address: string, name: string): Promise<void>;
  /** The try was right: it does not count. */
  succeeded(address: string, name: string): Promise<void>;
}

/**
 * Limits for guessing passwords, counted in the database. An address is refused for the rest of its minute. A name is
 * never refused, so that no stranger can lock somebody out: its tries are answered more and more slowly.
 */
export function createTries(db: Database, perMinute = TRIES_A_MINUTE): Tries {
  const limiter = (keyPrefix: string, points: number, duration: number) =>
    new RateLimiterDrizzle({
      storeClient: db,
      schema: table.tries,
      keyPrefix,
      points,
      duration,
      clearExpiredByTimeout: false,
    });
  const addresses = limiter('address', perMinute, 60);
  const names = limiter('name', Number.MAX_SAFE_INTEGER, NAME_WINDOW_S);
  return {
    before: async (address, name) => {
      await db.delete(table.tries).where(lt(table.tries.expire, new Date(Date.now() - 60 * 60 * 1000)));
      await addresses.consume(address).catch((refused: unknown) => {
        if (!(refused instanceof RateLimiterRes)) throw refused;
        const seconds = Math.ceil(refused.msBeforeNext / 1000);
        throw new Fault(
          429,
          'too-many-tries',
          'Too many tries from this device.',
          `Wait ${seconds} seconds, then try again.`,
          { detail: { seconds } },
        );
      });
      const { consumedPoints } = await names.consume(name.toLowerCase());
      const over = consumedPoints - NAME_TRIES;
      if (over > 0) await pause(Math.min(250 * 2 ** (over - 1), LONGEST_WAIT_MS));
    },
    succeeded: async (address, name) => {
      await addresses.reward(address, 1);
      await names.delete(name.toLowerCase());
    },
  };
}

function pause(ms: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, ms));
}
