import { Workbox } from 'workbox-window';
import { createStore } from 'zustand/vanilla';

/*
 * The service worker as the page knows it. A new version of the app is fetched beside the one in use and waits: what is
 * open goes on with its own pieces, until somebody says that the new one may take over.
 */

/** Takes the new version over and loads the page again; nothing while no new version waits. */
export const newVersion = createStore<{ takeOver: (() => void) | null }>(() => ({ takeOver: null }));

/** A tablet may be open for weeks. */
const LOOK_AGAIN_MS = 60 * 60 * 1000;

export function registerWorker(): void {
  if (!('serviceWorker' in navigator)) return;
  const worker = new Workbox('/sw.js');
  worker.addEventListener('waiting', () => {
    const takeOver = () => {
      worker.addEventListener('controlling', () => location.reload());
      worker.messageSkipWaiting();
    };
    newVersion.setState({ takeOver });
  });
  void worker.register().catch(() => undefined);
  setInterval(() => void worker.update().catch(() => undefined), LOOK_AGAIN_MS);
}
