import type { modals as mantineModals } from '@mantine/modals';
import type { notifications as mantineNotifications } from '@mantine/notifications';
import type { ComponentType } from 'react';
import { createStore } from 'zustand/vanilla';

/*
 * Dialogs and notices, with the library they are made of: it comes when the first of them is told, or a little after the
 * first screen stands, so that the bench opens without it.
 */

/** What the app shows above its screens; nothing while no dialog was ever opened. */
export const overlayState = createStore<{
  Overlays: ComponentType<{ onReady: () => void }> | null;
  onReady: () => void;
}>(() => ({ Overlays: null, onReady: () => undefined }));

type Parts = typeof import('./shown-overlays');

let parts: Promise<Parts> | undefined;

/** The library of dialogs and notices, once what shows them is on the page. */
export function overlays(): Promise<Parts> {
  parts ??= import('./shown-overlays').then(
    (loaded) =>
      new Promise<Parts>((ready) => {
        overlayState.setState({ Overlays: loaded.Overlays, onReady: () => ready(loaded) });
      }),
  );
  // Without the network it is asked for again at the next one.
  parts.catch(() => {
    parts = undefined;
  });
  return parts;
}

export const modals = {
  open: (dialog: Parameters<typeof mantineModals.open>[0]): void => {
    void overlays().then((loaded) => loaded.modals.open(dialog));
  },
  openConfirmModal: (dialog: Parameters<typeof mantineModals.openConfirmModal>[0]): void => {
    void overlays().then((loaded) => loaded.modals.openConfirmModal(dialog));
  },
  closeAll: (): void => {
    void parts?.then((loaded) => loaded.modals.closeAll());
  },
};

export const notifications = {
  show: (notice: Parameters<typeof mantineNotifications.show>[0]): void => {
    void overlays().then((loaded) => loaded.notifications.show(notice));
  },
  hide: (id: string): void => {
    void parts?.then((loaded) => loaded.notifications.hide(id));
  },
};
