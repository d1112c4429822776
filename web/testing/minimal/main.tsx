import '@mantine/core/styles.css';
import { AppShell, Button, MantineProvider, Title } from '@mantine/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import i18next from 'i18next';
import { createRoot } from 'react-dom/client';
import { initReactI18next, useTranslation } from 'react-i18next';
import { createBrowserRouter } from 'react-router';
import { RouterProvider } from 'react-router/dom';

/* A heading and a button with the libraries the bench stands on: what a tablet has to load before anything of ours. */

void i18next
  .use(initReactI18next)
  .init({ lng: 'en', resources: { en: { translation: { app: { name: 'Minimal', cancel: 'Cancel' } } } } });

function Step() {
  const { t } = useTranslation();
  return (
    <AppShell padding="md">
      <AppShell.Main>
        <Title order={1}>{t('app.name')}</Title>
        <Button>{t('app.cancel')}</Button>
      </AppShell.Main>
    </AppShell>
  );
}

const router = createBrowserRouter([{ path: '*', element: <Step /> }]);
const root = document.getElementById('root');
if (root)
  createRoot(root).render(
    <MantineProvider>
      <QueryClientProvider client={new QueryClient()}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </MantineProvider>,
  );
