import './all-styles';
import { ModalsProvider, modals } from '@mantine/modals';
import { Notifications, notifications } from '@mantine/notifications';
import { useEffect } from 'react';

export { modals, notifications };

/** Where dialogs and notices appear. */
export function Overlays({ onReady }: { onReady: () => void }) {
  useEffect(onReady, [onReady]);
  return (
    <>
      <ModalsProvider />
      <Notifications position="bottom-left" limit={3} containerWidth={370} />
    </>
  );
}
