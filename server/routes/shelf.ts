import { Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { z } from 'zod';
import { fromSent, SentEdits } from '#core/edits/sent';
import { PositionSet, PUMP_TYPES, Series } from '#core/model/series';
import { copyOf, packageOf, readPackage } from '#core/package/package';
import { packFile, unpackFile, withMedia } from '../files/package-media';
import { badInput, Fault } from '../ground/fault';
import { EVERYONE, only, type SignedIn, WRITERS } from '../services/access';
import type { Services } from '../services/services';
import { valid } from '../services/validate';
import { addSeries, proceduresOf, readSeries, removeSeries, saveSeries, takeInPackage } from '../store/documents';
import { notePhotos } from '../store/media';
import { readShelf } from '../store/shelf';

const NewSeries = z.strictObject({
  name: Series.shape.name,
  code: Series.shape.code,
  pumpType: z.enum(PUMP_TYPES),
  positionSets: z.array(PositionSet).max(12),
});

const When = z.enum(['new', 'copy', 'replace']);
/** A package with its photos and videos. */
const ZIP_LIMIT_BYTES = 500 * 1024 * 1024;

/** The shelf, its series, and packages in and out. */
export function shelfRoutes({ db, newId, photos, videos }: Services) {
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
      valid('json', z.strictObject({ version: z.int(), edits: SentEdits })),
      async (c) => {
        const { version, edits } = c.req.valid('json');
        return c.json(await saveSeries(db, c.req.param('id'), version, fromSent(edits), c.get('person').id));
      },
    )
    .delete('/series/:id', only(...WRITERS), async (c) => {
      await removeSeries(db, c.req.param('id'));
      return c.json({ ok: true });
    })
    .get('/series/:id/package', only(...EVERYONE), async (c) => {
      const { document } = await readSeries(db, c.req.param('id'));
      const file = document.code.replace(/[^\w.-]+/g, '-').toLowerCase() || 'series';
      const whole = packageOf(document, await proceduresOf(db, document.id));
      const { zip } = await packFile(whole, { photos, videos });
      c.header('Content-Disposition', `attachment; filename="${file}.fukusa.${zip ? 'zip' : 'json'}"`);
      return zip ? c.body(new Uint8Array(zip), 200, { 'Content-Type': 'application/zip' }) : c.json(whole);
    })
    .post(
      '/packages',
      only(...WRITERS),
      valid('json', z.strictObject({ package: z.unknown(), when: When })),
      async (c) => {
        const { package: sent, when } = c.req.valid('json');
        const reading = readPackage(sent);
        if (!reading.ok) throw badInput(reading.faults);
        const { series, procedures } = when === 'copy' ? copyOf(reading.package, newId) : reading.package;
        await takeInPackage(db, series, procedures, when === 'replace', c.get('person').id);
        return c.json({ id: series.id, procedures: procedures.length }, 201);
      },
    )
    .post(
      '/packages/zip',
      only(...WRITERS),
      bodyLimit({ maxSize: ZIP_LIMIT_BYTES, onError: tooLarge }),
      valid('query', z.strictObject({ when: When })),
      async (c) => {
        const unpacked = unpackFile(new Uint8Array(await c.req.arrayBuffer()));
        const { when } = c.req.valid('query');
        const { series, procedures } = when === 'copy' ? copyOf(unpacked.package, newId) : unpacked.package;
        const by = c.get('person').id;
        await withMedia(unpacked, { photos, videos }, (kept) =>
          takeInPackage(db, series, procedures, when === 'replace', by, (tx) => notePhotos(tx, kept, by)),
        );
        return c.json({ id: series.id, procedures: procedures.length }, 201);
      },
    );
}

function tooLarge(): never {
  throw new Fault(413, 'too-large', 'That package is over 500 MB.', 'Export fewer videos with it.');
}
