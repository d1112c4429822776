import { MantineProvider } from '@mantine/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { setNonce } from 'get-nonce';
import { RouterProvider } from 'react-router/dom';
import { useStore } from 'zustand';
import { ApiFault } from '../ground/api';
import { lendNavigation } from '../ground/navigate';
import { overlayState } from '../ground/overlays';
import { readableColours, theme } from '../ground/theme';
import { router } from './router';

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      // A refusal does not get better by asking again; a lost network may.
      retry: (failures, error) =>
        failures < 2 && !(error instanceof ApiFault && error.status > 0 && error.status < 500),
      networkMode: 'always',
      refetchOnWindowFocus: true,
    },
    mutations: { networkMode: 'always' },
  },
});

/** The server lets in only styles that carry this page's nonce. */
const nonce = document.querySelector<HTMLMetaElement>('meta[name="style-nonce"]')?.content ?? '';
setNonce(nonce);
lendNavigation((path) => void router.navigate(path));

export function App() {
  const { Overlays, onReady } = useStore(overlayState);
  return (
    <MantineProvider
      theme={theme}
      forceColorScheme="light"
      cssVariablesResolver={readableColours}
      getStyleNonce={() => nonce}
    >
      <QueryClientProvider client={queries}>
        <RouterProvider router={router} />
        {Overlays && <Overlays onReady={onReady} />}
      </QueryClientProvider>
    </MantineProvider>
  );
}
