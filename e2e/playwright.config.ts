import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';
import { PORT, WORKSHOPS } from './ports';

process.env.FUKUSA_E2E_DATA ??= mkdtempSync(join(tmpdir(), 'fukusa-e2e-'));

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
    // Nothing fades: what is looked at is what stays on the screen.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    },
  },
  webServer: Array.from({ length: WORKSHOPS }, (_, i) => ({
    command: `node dist/server/main.js serve --demo --port ${PORT + i} --data ${join(process.env.FUKUSA_E2E_DATA ?? '', String(i))}`,
    cwd: '..',
    url: `http://localhost:${PORT + i}/api/start`,
    timeout: 90_000,
    reuseExistingServer: false,
  })),
});
