import { join } from 'node:path';
import { Readable } from 'node:stream';
import { Hono } from 'hono';
import { z } from 'zod';
import { fromSent, SentEdits } from '#core/edits/sent';
import { Id } from '#core/model/ids';
import { PositionSet, PUMP_TYPES, Series } from '#core/model/series';
import { copyOf, packageOf } from '#core/package/package';
import { needsZip, packFile, withFolder, withMedia, writeUpload } from '../files/package-file';
import { Fault } from '../ground/fault';
import { EVERYONE, only, type SignedIn, WRITERS } from '../services/access';
import type { Services } from '../services/services';
import { valid } from '../services/validate';
import { addSeries, proceduresOf, readSeries, removeSeries, takeInPackage } from '../store/documents';
import { saveSeries } from '../store/drafts';
import { readShelf } from '../store/lists';
import { notePhotos } from '../store/media';
import { pastReadings } from '../store/past-readings';
import { PageAsked } from './jobs';

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
export function shelfRoutes({ db, newId, photos, videos, places, work, checking }: Services) {
  return new Hono<SignedIn>()
    .get(
      '/shelf',
      only(...EVERYONE),
      valid('query', z.strictObject({ ...PageAsked, series: Id.optional() })),
      async (c) => c.json(await readShelf(db, c.req.valid('query'))),
    )
    .post('/series', only(...WRITERS), valid('json', NewSeries), async (c) => {
      const id = newId();
      await addSeries(db, Series.parse({ id, ...c.req.valid('json') }), c.get('person').id);
      return c.json({ id }, 201);
    })
    .get('/series/:id', only(...EVERYONE), async (c) => c.json(await readSeries(db, c.req.param('id'))))
    .get('/series/:id/readings/:componentId', only(...WRITERS), async (c) => {
      const { id, componentId } = c.req.param();
      return c.json({ readings: await pastReadings(db, id, componentId) });
    })
    .patch(
      '/series/:id',
      only(...WRITERS),
      valid('json', z.strictObject({ version: z.int(), edits: SentEdits })),
      async (c) => {
        const { version, edits } = c.req.valid('json');
        const saved = await saveSeries(db, c.req.param('id'), version, fromSent(edits), c.get('person').id);
        checking.due();
        return c.json(saved);
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
      const zip = needsZip(whole);
      c.header('Content-Disposition', `attachment; filename="${file}.fukusa.${zip ? 'zip' : 'json'}"`);
      if (!zip) return c.json(whole);
      const pieces = Readable.toWeb(packFile(whole, { photos, videos })) as ReadableStream;
      return c.body(pieces, 200, { 'Content-Type': 'application/zip' });
    })
    .post(
      '/packages',
      only(...WRITERS),
      valid('json', z.strictObject({ package: z.unknown(), when: When })),
      async (c) => {
        const { package: sent, when } = c.req.valid('json');
        const read = await work.do('readPackage', sent);
        const { series, procedures } = when === 'copy' ? copyOf(read, newId) : read;
        await takeInPackage(db, series, procedures, when === 'replace', c.get('person').id);
        checking.due();
        return c.json({ id: series.id, procedures: procedures.length }, 201);
      },
    )
    .post('/packages/zip', only(...WRITERS), valid('query', z.strictObject({ when: When })), async (c) => {
      const { when } = c.req.valid('query');
      const by = c.get('person').id;
      const id = await withFolder(places.uploads, async (folder) => {
        const file = join(folder, 'upload');
        await writeUpload(c.req.raw.body, file, ZIP_LIMIT_BYTES, tooLarge);
        const unpacked = await work.do('unpackFile', file, join(folder, 'media'));
        const sent = when === 'copy' ? copyOf(unpacked.package, newId) : unpacked.package;
        await withMedia({ ...unpacked, package: sent }, { photos, videos }, (kept) =>
          takeInPackage(db, sent.series, kept.procedures, when === 'replace', by, (tx) =>
            notePhotos(tx, kept.photos, by),
          ),
        );
        return { id: sent.series.id, procedures: sent.procedures.length };
      });
      checking.due();
      return c.json(id, 201);
    });
}

function tooLarge(): Fault {
  return new Fault(413, 'too-large', 'That package is over 500 MB.', 'Export fewer videos with it.');
}
