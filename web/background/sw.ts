import { clientsClaim } from 'workbox-core';
import { ExpirationPlugin } from 'workbox-expiration';
import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { CacheFirst } from 'workbox-strategies';
import { IN_BACKGROUND } from '../sync/engine';
import { sendInBackground } from './send';

/**
 * The service worker. It keeps the whole app on the device, so that the bench opens without the network, and sends what
 * waits when the network is back while nobody has the app open. The page is kept as the server sent it, nonce and
 * policy together. Browsers allow this on https and on localhost only.
 */
declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: Parameters<typeof precacheAndRoute>[0] };

/** Missing from the type library, as it is no full standard yet. */
interface SyncEvent extends ExtendableEvent {
  readonly tag: string;
}

// A new version waits until the page says so: the one in use may still need its pieces.
self.addEventListener('message', ({ data }) => {
  if ((data as { type?: unknown } | null)?.type === 'SKIP_WAITING') void self.skipWaiting();
});
clientsClaim();
cleanupOutdatedCaches();
precacheAndRoute(self.__WB_MANIFEST);
registerRoute(new NavigationRoute(createHandlerBoundToURL('/index.html'), { denylist: [/^\/api\//] }));
registerRoute(
  ({ url }) => url.pathname.startsWith('/api/photos/') && url.searchParams.get('size') === 'thumb',
  new CacheFirst({ cacheName: 'thumbnails', plugins: [new ExpirationPlugin({ maxEntries: 400 })] }),
);

self.addEventListener('sync', (event) => {
  const { tag } = event as SyncEvent;
  if (tag !== IN_BACKGROUND) return;
  const sending = self.clients.matchAll({ type: 'window' }).then((pages) => sendInBackground(pages.length > 0));
  (event as SyncEvent).waitUntil(sending);
});
