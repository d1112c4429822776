import { LRUCache } from 'lru-cache';
import type { Database } from '../database/open';

/** What a process keeps of a database for speed, the least used going first: one store for each open database. */
export function keptPerDatabase<T extends object>(max: number): (db: Database) => LRUCache<string, T> {
  const stores = new WeakMap<Database, LRUCache<string, T>>();
  return (db) => {
    const store = stores.get(db) ?? new LRUCache<string, T>({ max });
    stores.set(db, store);
    return store;
  };
}
