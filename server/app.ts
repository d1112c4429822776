import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { serveStatic } from '@hono/node-server/serve-static';
import { Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { compress } from 'hono/compress';
import { csrf } from 'hono/csrf';
import { createMiddleware } from 'hono/factory';
import { NONCE, secureHeaders } from 'hono/secure-headers';
import { createApi } from './api';
import { answerFault, Fault } from './ground/fault';
import type { Env } from './services/access';
import type { Services } from './services/services';

const JSON_LIMIT_BYTES = 8 * 1024 * 1024;

export interface AppOptions {
  readonly services: Services;
  /** The built web app; without it only the API is served. */
  readonly webFolder?: string;
  /** Gets one line for every request. */
  readonly logRequest?: (line: string) => void;
}

export function createApp({ services, webFolder, logRequest }: AppOptions) {
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
  app.use(compress());

  app.use('/api/*', csrf());
  app.use('/api/*', async (c, next) => {
    // Photos, videos and packages with them bring their own, larger limits.
    const limited = ['/api/photos', '/api/videos', '/api/packages/zip'].includes(c.req.path)
      ? next()
      : bodyLimit({ maxSize: JSON_LIMIT_BYTES })(c, next);
    c.header('Cache-Control', 'no-store');
    return limited;
  });
  app.use('/api/*', async (c, next) => {
    c.set('person', await services.accounts.personOf(c.req.raw.headers));
    await next();
  });
  app.route('/api', createApi(services));
  app.all('/api/*', () => {
    throw new Fault(404, 'no-route', 'There is nothing at this address.', 'Reload the page.');
  });

  if (webFolder) serveWeb(app, webFolder);
  return app;
}

function serveWeb(app: Hono<Env>, folder: string): void {
  app.use('/assets/*', async (c, next) => {
    await next();
    if (c.res.ok) c.header('Cache-Control', 'public, max-age=31536000, immutable');
  });
  app.use('/assets/*', serveStatic({ root: folder }));
  // Beside the assets: the icon and the worker that keeps the app on the device, asked for anew each time.
  app.use('/:file{[^/]+[.](?:js|svg|webmanifest)}', async (c, next) => {
    await next();
    c.header('Cache-Control', 'no-cache');
  });
  app.get('/:file{[^/]+[.](?:js|svg|webmanifest)}', serveStatic({ root: folder }));
  app.get('/assets/*', (c) => c.notFound());
  // Every other address is a screen: the page is the same, with a fresh nonce for its styles.
  app.get('*', async (c) => {
    const page = await readFile(join(folder, 'index.html'), 'utf8');
    c.header('Cache-Control', 'no-store');
    return c.html(page.replaceAll('__STYLE_NONCE__', c.get('secureHeadersNonce') ?? ''));
  });
}

function requestLog(write: (line: string) => void) {
  return createMiddleware<Env>(async (c, next) => {
    const started = performance.now();
    await next();
    const ms = Math.round(performance.now() - started);
    const who = c.get('person')?.username ?? '-';
    write(`${new Date().toISOString()} ${c.req.method} ${c.req.path} ${c.res.status} ${ms}ms ${who}`);
  });
}
