import { Hono } from 'hono';
import { z } from 'zod';
import { copyOf, packageOf, readPackage } from '#core/package/package';
import { PositionSet, PUMP_TYPES, Series } from '#core/pump/series';
import { EVERYONE, only, type SignedIn, WRITERS } from '../access';
import { badInput } from '../fault';
import type { Services } from '../services';
import { addSeries, proceduresOf, readSeries, removeSeries, saveSeries, takeInPackage } from '../store/documents';
import { readShelf } from '../store/shelf';
import { valid } from '../validate';
import { Patch } from './patch';

const NewSeries = z.strictObject({
  name: Series.shape.name,
  code: Series.shape.code,
  pumpType: z.enum(PUMP_TYPES),
  positionSets: z.array(PositionSet).max(12),
});

/** The shelf, its series, and packages in and out. */
export function shelfRoutes({ db, newId }: Services) {
  return new Hono<SignedIn>()
    .get('/shelf', only(...EVERYONE), async (c) => c.json({ series: await readShelf(db) }))
    .post('/series', only(...WRITERS), valid('json', NewSeries), async (c) => {
      const id = newId();
      await addSeries(db, Series.parse({ id, ...c.req.valid('json') }), c.get('person').id);
      return c.json({ id }, 201);
    })
    .get('/series/:id', only(...EVERYONE), async (c) => c.json(await readSeries(db, c.req.param('id'))))
    .patch(
      '/series/:id',
      only(...WRITERS),
      valid('json', z.strictObject({ version: z.int(), patch: Patch })),
      async (c) => {
        const { version, patch } = c.req.valid('json');
        return c.json(await saveSeries(db, c.req.param('id'), version, patch, c.get('person').id));
      },
    )
    .delete('/series/:id', only(...WRITERS), async (c) => {
      await removeSeries(db, c.req.param('id'));
      return c.json({ ok: true });
    })
    .get('/series/:id/package', only(...EVERYONE), async (c) => {
      const { document } = await readSeries(db, c.req.param('id'));
      const file = document.code.replace(/[^\w.-]+/g, '-').toLowerCase() || 'series';
      c.header('Content-Disposition', `attachment; filename="${file}.fukusa.json"`);
      return c.json(packageOf(document, await proceduresOf(db, document.id)));
    })
    .post(
      '/packages',
      only(...WRITERS),
      valid('json', z.strictObject({ package: z.unknown(), when: z.enum(['new', 'copy', 'replace']) })),
      async (c) => {
        const { package: sent, when } = c.req.valid('json');
        const reading = readPackage(sent);
        if (!reading.ok) throw badInput(reading.faults);
        const { series, procedures } = when === 'copy' ? copyOf(reading.package, newId) : reading.package;
        await takeInPackage(db, series, procedures, when === 'replace', c.get('person').id);
        return c.json({ id: series.id, procedures: procedures.length }, 201);
      },
    );
}
