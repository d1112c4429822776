import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { serveStatic } from '@hono/node-server/serve-static';
import { sql } from 'drizzle-orm';
import { type Context, Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { compress } from 'hono/compress';
import { setCookie } from 'hono/cookie';
import { createMiddleware } from 'hono/factory';
import { matchedRoutes } from 'hono/route';
import { NONCE, secureHeaders } from 'hono/secure-headers';
import { SESSION_COOKIE, SESSION_SECONDS } from './accounts/sessions';
import { createApi } from './api';
import { answerFault, Fault } from './ground/fault';
import type { RequestLine } from './ground/logs';
import { countRequest, METRICS_TYPE, renderMetrics } from './ground/metrics';
import { reachReader, refuseOtherOrigin } from './ground/reach';
import { describeApi } from './openapi';
import { type Env, EVERYONE, only } from './services/access';
import type { Services } from './services/services';

const JSON_LIMIT_BYTES = 8 * 1024 * 1024;
/** These bring their own, larger limits. */
const UPLOADS = ['/api/photos', '/api/videos', '/api/packages/zip'];
const LOOPBACK = ['127.0.0.1', '::1', '::ffff:127.0.0.1'];
const READING = ['GET', 'HEAD', 'OPTIONS'];

export interface AppOptions {
  readonly services: Services;
  /** The built web app; without it only the API is served. */
  readonly webFolder?: string;
  readonly logRequest?: (line: RequestLine) => void;
  /** Throws when there is no room for so many bytes more. */
  readonly needRoom?: (bytes: number) => Promise<void>;
}

export function createApp({ services, webFolder, logRequest, needRoom }: AppOptions) {
  const app = new Hono<Env>();
  app.onError((error, c) => answerFault(error, c, services.log));
  if (logRequest) app.use(requestLog(logRequest));
  app.use(
    secureHeaders({
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'", NONCE],
        imgSrc: ["'self'", 'blob:', 'data:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
      // The workshop's own network has no certificates; a proxy in front may add this header.
      strictTransportSecurity: false,
    }),
  );
  if (webFolder) serveAssets(app, webFolder);
  app.use(compress());

  const reachedBy = reachReader(services.reach);
  /** Whether it works at all, for whatever watches over it. */
  app.get('/health', async (c) => {
    await services.db.execute(sql`SELECT 1`);
    return c.json({ ok: true });
  });
  app.get('/metrics', async (c) => {
    // Through a proxy that nobody trusts, everybody seems to be on this machine.
    const passedOn = c.req.header('x-forwarded-for') !== undefined || c.req.header('forwarded') !== undefined;
    const { address, viaProxy } = reachedBy(c);
    if (!LOOPBACK.includes(address) || (passedOn && !viaProxy)) {
      throw new Fault(403, 'not-here', 'Metrics are available on this machine only.', 'Open it on the server itself.');
    }
    return c.body(await renderMetrics(), 200, { 'Content-Type': METRICS_TYPE });
  });
  app.use('/api/*', async (c, next) => {
    const reached = reachedBy(c);
    c.set('reached', reached);
    refuseOtherOrigin(c, reached, services.reach.publicUrl);
    // Signing in and out takes next to nothing, and has to work when somebody comes to make room.
    const writes = !READING.includes(c.req.method) && !c.req.path.startsWith('/api/auth/');
    if (writes) await needRoom?.(Number(c.req.header('content-length') ?? 0));
    const limited = UPLOADS.includes(c.req.path) ? next() : bodyLimit({ maxSize: JSON_LIMIT_BYTES })(c, next);
    return limited;
  });
  app.use('/api/*', async (c, next) => {
    c.header('Cache-Control', 'no-store');
    const session = await services.accounts.sessions.find(c.req.header('cookie'));
    c.set('person', session?.person ?? null);
    if (session?.renewed) {
      const { secure } = c.get('reached');
      setCookie(c, SESSION_COOKIE, session.renewed, {
        ...{ path: '/', httpOnly: true, sameSite: 'Lax', maxAge: SESSION_SECONDS, secure },
      });
    }
    await next();
    // What is acknowledged is on the disk; a refusal has written nothing that anybody relies on.
    if (!READING.includes(c.req.method) && c.res.ok) await services.durable();
  });
  const api = createApi(services);
  app.get('/api/openapi.json', only(...EVERYONE), async (c) => c.json(await describeApi(api as unknown as Hono)));
  app.route('/api', api);
  app.all('/api/*', () => {
    throw new Fault(404, 'no-route', 'There is no page at this address.', 'Reload the page.');
  });

  if (webFolder) servePages(app, webFolder);
  return app;
}

/** What the build names by its content and has compressed already. */
function serveAssets(app: Hono<Env>, folder: string): void {
  app.use('/assets/*', async (c, next) => {
    await next();
    if (c.res.ok) c.header('Cache-Control', 'public, max-age=31536000, immutable');
  });
  app.use('/assets/*', serveStatic({ root: folder, precompressed: true }));
  app.get('/assets/*', (c) => c.notFound());
}

function servePages(app: Hono<Env>, folder: string): void {
  // Beside the assets: the icon and the worker that keeps the app on the device, asked for anew each time.
  app.use('/:file{[^/]+[.](?:js|svg|webmanifest)}', async (c, next) => {
    await next();
    c.header('Cache-Control', 'no-cache');
  });
  app.get('/:file{[^/]+[.](?:js|svg|webmanifest)}', serveStatic({ root: folder, precompressed: true }));
  // Every other address is a screen: the page is the same, with a fresh nonce for its styles.
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  app.get('*', async (c) => {
    c.header('Cache-Control', 'no-store');
    return c.html(page.replaceAll('__STYLE_NONCE__', c.get('secureHeadersNonce') ?? ''));
  });
}

function requestLog(write: (line: RequestLine) => void) {
  return createMiddleware<Env>(async (c, next) => {
    const started = performance.now();
    await next();
    const ms = Math.round(performance.now() - started);
    const line: RequestLine = {
      ...{ method: c.req.method, route: patternOf(c), status: c.res.status, ms },
      person: c.get('person')?.id ?? null,
    };
    countRequest(line);
    write(line);
  });
}

/** The pattern of the route that answered: what was asked for, without the ids and words in it. */
function patternOf(c: Context): string {
  const patterns = matchedRoutes(c).map(({ path }) => path);
  return patterns.findLast((path) => !path.includes('*')) ?? patterns.at(-1) ?? '';
}
