import { Hono } from 'hono';
import { z } from 'zod';
import { PAPERS } from '#core/cloth/mat';
import { fromSent, SentEdits } from '#core/edits/sent';
import { wholeChain } from '#core/job/whole';
import { Id } from '#core/model/ids';
import { Procedure } from '#core/model/procedure';
import { instructionPdf } from '../print/instruction';
import { matPdf } from '../print/mat';
import { EVERYONE, only, type SignedIn, WRITERS } from '../services/access';
import type { Services } from '../services/services';
import { valid } from '../services/validate';
import { addProcedure, readWorkbook, removeProcedure, saveWorkbook } from '../store/documents';
import { isReleasedAsIs, listReleases, newestReleases, readRelease, releaseProcedure } from '../store/releases';
import { answerPdf } from './pdf';

const NewProcedure = z.strictObject({ seriesId: Id, title: Procedure.shape.title });
const Change = z.strictObject({
  seriesVersion: z.int(),
  procedureVersion: z.int(),
  edits: SentEdits,
});

/** Drafts of procedures and their releases. */
export function procedureRoutes({ db, newId, photos }: Services) {
  return new Hono<SignedIn>()
    .post('/procedures', only(...WRITERS), valid('json', NewProcedure), async (c) => {
      const id = newId();
      await addProcedure(db, Procedure.parse({ id, ...c.req.valid('json') }), c.get('person').id);
      return c.json({ id }, 201);
    })
    .get('/procedures/:id', only(...EVERYONE), async (c) => {
      const id = c.req.param('id');
      const open = await readWorkbook(db, id);
      return c.json({ ...open, releases: await listReleases(db, id), releasedAsIs: await isReleasedAsIs(db, open) });
    })
    .patch('/procedures/:id', only(...WRITERS), valid('json', Change), async (c) => {
      const { edits, ...versions } = c.req.valid('json');
      const change = { ...versions, edits: fromSent(edits) };
      return c.json(await saveWorkbook(db, c.req.param('id'), change, c.get('person').id));
    })
    .post(
      '/procedures/:id/copies',
      only(...WRITERS),
      valid('json', z.strictObject({ document: Procedure })),
      async (c) => {
        const id = newId();
        await addProcedure(db, { ...c.req.valid('json').document, id }, c.get('person').id);
        return c.json({ id }, 201);
      },
    )
    .delete('/procedures/:id', only(...WRITERS), async (c) => {
      await removeProcedure(db, c.req.param('id'));
      return c.json({ ok: true });
    })
    .post(
      '/procedures/:id/releases',
      only(...WRITERS),
      valid(
        'json',
        z.strictObject({ version: z.int(), seriesVersion: z.int(), note: z.string().trim().max(600).optional() }),
      ),
      async (c) =>
        c.json(
          await releaseProcedure(db, c.req.param('id'), c.get('person').id, { id: newId(), ...c.req.valid('json') }),
          201,
        ),
    )
    .get(
      '/procedures/:id/cloth',
      only(...EVERYONE),
      valid('query', z.strictObject({ paper: z.enum(PAPERS) })),
      async (c) => {
        const id = c.req.param('id');
        const { series, procedure, before } = await readWorkbook(db, id);
        const workbook = { series: series.document, procedure: procedure.document, before };
        const address = `${new URL(c.req.url).origin}/procedures/${id}`;
        const { paper } = c.req.valid('query');
        return answerPdf(c, `${series.document.code} mat ${paper}`, await matPdf(workbook, paper, address));
      },
    )
    .get('/releases', only(...EVERYONE), async (c) => c.json({ releases: await newestReleases(db) }))
    .get('/releases/:id', only(...EVERYONE), async (c) => c.json(await readRelease(db, c.req.param('id'))))
    .get('/releases/:id/pdf', only(...EVERYONE), async (c) => {
      const release = await readRelease(db, c.req.param('id'));
      const whole = { ...release, workbook: wholeChain(release.workbook) };
      return answerPdf(
        c,
        `${release.workbook.series.code} release ${release.number}`,
        await instructionPdf(whole, (hash) => photos.read(hash)),
      );
    });
}
