import { Hono } from 'hono';
import { HouseRules } from '#core/model/house-rules';
import { EVERYONE, only, type SignedIn, WRITERS } from '../services/access';
import type { Services } from '../services/services';
import { valid } from '../services/validate';
import { readHouse, saveHouse } from '../store/house';

/** How this workshop wants things said. */
export function houseRoutes({ db }: Services) {
  return new Hono<SignedIn>()
    .get('/house', only(...EVERYONE), async (c) => c.json({ rules: await readHouse(db) }))
    .put('/house', only(...WRITERS), valid('json', HouseRules), async (c) => {
      const rules = c.req.valid('json');
      await saveHouse(db, rules, c.get('person').id);
      return c.json({ rules });
    });
}
