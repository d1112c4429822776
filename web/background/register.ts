import { Workbox } from 'workbox-window';
import { createStore } from 'zustand/vanilla';

/*
 * The service worker as the page knows it. A new version of the app is fetched beside the one in use and waits: what is
 * open goes on with its own pieces, until somebody says that the new one may take over.
 */

/** Loads the page again with the new version; nothing while there is none. */
export const newVersion = createStore<{ takeOver: (() => void) | null }>(() => ({ takeOver: null }));

/** A tablet may be open for weeks. */
const LOOK_AGAIN_MS = 60 * 60 * 1000;
/** A piece that is still missing after a reload is missing for another reason. */
const NOT_AGAIN_MS = 60_000;
const RELOADED = 'fukusa-reloaded';

export function registerWorker(): void {
  window.addEventListener('vite:preloadError', reloadForPieces);
  if (!('serviceWorker' in navigator)) return;
  const worker = new Workbox('/sw.js');
  let isTakingOver = false;
  worker.addEventListener('waiting', () => {
    const takeOver = () => {
      isTakingOver = true;
      worker.messageSkipWaiting();
    };
    newVersion.setState({ takeOver });
  });
  // At the first visit it takes the page over as it is.
  let isFirst = navigator.serviceWorker.controller === null;
  navigator.serviceWorker.addEventListener('controllerchange', () => {
    if (isTakingOver) location.reload();
    // Let in by another tab: here the old one is still open.
    else if (!isFirst) newVersion.setState({ takeOver: () => location.reload() });
    isFirst = false;
  });
  void worker.register().catch(() => undefined);
  setInterval(() => void worker.update().catch(() => undefined), LOOK_AGAIN_MS);
}

/** A piece of the version that is open is gone where a newer one is in its place: it comes with that, once. */
function reloadForPieces(event: Event): void {
  const last = Number(sessionStorage.getItem(RELOADED) ?? 0);
  if (!navigator.onLine || Date.now() - last < NOT_AGAIN_MS) return;
  sessionStorage.setItem(RELOADED, String(Date.now()));
  event.preventDefault();
  location.reload();
}
