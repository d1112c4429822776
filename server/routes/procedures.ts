import { Hono } from 'hono';
import { z } from 'zod';
import { PAPERS } from '#core/cloth/mat';
import { fromSent, SentEdits } from '#core/edits/sent';
import { Id } from '#core/model/ids';
import { Procedure } from '#core/model/procedure';
import { EVERYONE, only, type SignedIn, WRITERS } from '../services/access';
import type { Services } from '../services/services';
import { valid } from '../services/validate';
import { addProcedure, readWorkbook, removeProcedure } from '../store/documents';
import { saveWorkbook } from '../store/drafts';
import { newestReleases } from '../store/lists';
import { problemsOf, replyTo } from '../store/problems';
import { type FindStops, frozenWhole, readRelease, releaseProcedure, releasesOf } from '../store/releases';
import { PageAsked } from './jobs';
import { answerPdf } from './pdf';

const NewProcedure = z.strictObject({ seriesId: Id, title: Procedure.shape.title });
/** Those that a job can be started on, or one of them by its id. */
const ReleasesAsked = z.strictObject({ search: PageAsked.search, id: Id.optional() });
const Change = z.strictObject({
  seriesVersion: z.int(),
  procedureVersion: z.int(),
  edits: SentEdits,
});

const Answer = z.strictObject({ text: z.string().trim().min(1, 'empty').max(600) });

/** Drafts of procedures and their releases. */
export function procedureRoutes({ db, newId, places, work, checking }: Services) {
  const findStops: FindStops = (workbook) => work.do('stops', workbook);
  return new Hono<SignedIn>()
    .post('/procedures', only(...WRITERS), valid('json', NewProcedure), async (c) => {
      const id = newId();
      await addProcedure(db, Procedure.parse({ id, ...c.req.valid('json') }), c.get('person').id);
      checking.due();
      return c.json({ id }, 201);
    })
    .get('/procedures/:id', only(...EVERYONE), async (c) => {
      const id = c.req.param('id');
      const open = await readWorkbook(db, id);
      const { digests: _digests, ...documents } = open;
      return c.json({ ...documents, ...(await releasesOf(db, open)) });
    })
    .patch('/procedures/:id', only(...WRITERS), valid('json', Change), async (c) => {
      const { edits, ...versions } = c.req.valid('json');
      const change = { ...versions, edits: fromSent(edits) };
      const saved = await saveWorkbook(db, c.req.param('id'), change, c.get('person').id);
      checking.due();
      return c.json(saved);
    })
    .post(
      '/procedures/:id/copies',
      only(...WRITERS),
      valid('json', z.strictObject({ document: Procedure })),
      async (c) => {
        const id = newId();
        await addProcedure(db, { ...c.req.valid('json').document, id }, c.get('person').id);
        checking.due();
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
        z.strictObject({
          version: z.int(),
          seriesVersion: z.int(),
          note: z.string().trim().max(4000).optional(),
          corrects: z.array(Id).max(200).optional(),
        }),
      ),
      async (c) =>
        c.json(
          await releaseProcedure(db, findStops, c.req.param('id'), c.get('person').id, {
            id: newId(),
            ...c.req.valid('json'),
          }),
          201,
        ),
    )
    .get('/procedures/:id/problems', only(...EVERYONE), async (c) =>
      c.json({ problems: await problemsOf(db, c.req.param('id')) }),
    )
    .put('/problems/:id/reply', only(...WRITERS), valid('json', Answer), async (c) => {
      await replyTo(db, c.req.param('id'), c.req.valid('json').text, c.get('person').id);
      return c.json({ ok: true });
    })
    .get(
      '/procedures/:id/cloth',
      only(...EVERYONE),
      valid('query', z.strictObject({ paper: z.enum(PAPERS) })),
      async (c) => {
        const id = c.req.param('id');
        const { series, procedure, before } = await readWorkbook(db, id);
        const workbook = { series: series.document, procedure: procedure.document, before };
        const address = `${c.get('reached').origin}/procedures/${id}`;
        const { paper } = c.req.valid('query');
        return answerPdf(c, `${series.document.code} mat ${paper}`, await work.do('matPdf', workbook, paper, address));
      },
    )
    .get('/releases', only(...EVERYONE), valid('query', ReleasesAsked), async (c) => {
      const { id, ...page } = c.req.valid('query');
      return c.json({ releases: await newestReleases(db, page, id) });
    })
    .get('/releases/:id', only(...EVERYONE), async (c) => c.json(await readRelease(db, c.req.param('id'))))
    .get('/releases/:id/pdf', only(...EVERYONE), async (c) => {
      const release = await frozenWhole(db, c.req.param('id'));
      return answerPdf(
        c,
        `${release.workbook.series.code} release ${release.number}`,
        await work.do('instructionPdf', release, places.photos),
      );
    });
}
