import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';

/** Drives the real interface in headless Chromium against a demo server on a data folder of its own. */
const PORT = 4399;
process.env.FUKUSA_E2E_DATA ??= mkdtempSync(join(tmpdir(), 'fukusa-e2e-'));

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  // The tests share one workshop, as its people do.
  workers: 1,
  timeout: 60_000,
  expect: { timeout: 10_000 },
  reporter: [['line'], ['json']],
  use: {
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    // Nothing fades: what is looked at is what stays on the screen.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    },
  },
  webServer: {
    command: `node dist/server/main.js serve --demo --port ${PORT} --data ${process.env.FUKUSA_E2E_DATA}`,
    cwd: '..',
    url: `http://localhost:${PORT}/api/start`,
    timeout: 90_000,
    reuseExistingServer: false,
  },
});
