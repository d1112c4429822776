import { defineConfig } from '@playwright/test';
import { HOME, PORT, WORKSHOPS } from './ports';

/**
 * Drives the real interface in headless Chromium against demo servers on data folders of their own. Files run beside
 * each other, each worker in its own workshop; the tests of one file share it, as its people do.
 */
export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  workers: WORKSHOPS,
  timeout: 90_000,
  expect: { timeout: 15_000 },
  reporter: [['line'], ['json']],
  use: {
    viewport: { width: 1280, height: 800 },
    // A new window compiles the whole app again; what one has stored is cleared between tests.
    reuseContext: true,
    // It keeps the whole app on the device, anew in every test; the tests that need it allow it.
    serviceWorkers: 'block',
    // Nothing fades: what is looked at is what stays on the screen.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    },
  },
  webServer: {
    command: `node workshops.mjs ${PORT} ${WORKSHOPS} ${HOME}`,
    url: `http://localhost:${PORT + WORKSHOPS - 1}/api/start`,
    timeout: 120_000,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 10_000 },
  },
});
