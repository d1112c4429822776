import { HouseRules, NO_HOUSE_RULES } from '#core/model/house-rules';
import type { Queryable } from '../database/open';
import * as table from '../database/schema';

/** How this workshop wants things said; nothing special until somebody says so. */
export async function readHouse(db: Queryable): Promise<HouseRules> {
  const [row] = await db.select().from(table.house);
  return row ? HouseRules.parse(row.rules) : NO_HOUSE_RULES;
}

export async function saveHouse(db: Queryable, rules: HouseRules, by: string): Promise<void> {
  const value = { rules, changedAt: new Date(), changedBy: by };
  await db
    .insert(table.house)
    .values({ id: 'house', ...value })
    .onConflictDoUpdate({ target: table.house.id, set: value });
}
