import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { brotliCompressSync } from 'node:zlib';
import { type BrowserContext, chromium } from '@playwright/test';
import react from '@vitejs/plugin-react';
import { build } from 'vite';
import { ended, startMain } from '../server/testing/process';

/**
 * What a tablet has to load before a step stands on the bench screen, against a page with a heading and a button made of
 * the same libraries (React, router, Mantine, queries, texts); and how long it takes from the service worker on a
 * processor slowed four times. The server sends what was compressed when it was built (Brotli). `npm run build` comes first.
 */
const SLOWED = 4;
const ROUNDS = 5;
const KIB = 1024;

/** Bytes of script and style of the smallest page with these libraries, compressed as ours are. */
async function minimalPage(): Promise<number> {
  const built = await build({
    configFile: false,
    root: fileURLToPath(new URL('../web/testing/minimal', import.meta.url)),
    plugins: [react()],
    build: { write: false },
    logLevel: 'silent',
  });
  const outputs = Array.isArray(built) ? built : [built];
  return outputs
    .flatMap((one) => ('output' in one ? one.output : []))
    .filter(({ fileName }) => /\.(?:js|css)$/.test(fileName))
    .reduce((sum, file) => sum + brotliCompressSync(file.type === 'chunk' ? file.code : file.source).length, 0);
}

const folder = await mkdtemp(join(tmpdir(), 'fukusa-bench-screen-'));
const main = await startMain(['--demo', '--data', folder, '--port', '0']);
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
const fresh = (serviceWorkers: 'allow' | 'block') =>
  browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: main.url, serviceWorkers });

async function signIn(context: BrowserContext): Promise<string> {
  const page = await context.newPage();
  await page.goto('/');
  await page.getByRole('button', { name: /^Tobias Quell/ }).click();
  await page.getByRole('heading', { name: 'Shelf' }).waitFor();
  const listed = await (await page.request.get('/api/jobs')).json();
  const jobs: { id: string; finishedAt: string | null }[] = listed.jobs ?? listed;
  await page.close();
  return jobs.find(({ finishedAt }) => !finishedAt)?.id ?? '';
}

/** Loads the bench with nothing kept, and adds up what comes over the wire until the step stands there and all is quiet. */
async function coldBytes(): Promise<{ scripts: number; fonts: number; other: number; requests: number }> {
  const signedIn = await fresh('block');
  const job = await signIn(signedIn);
  const context = await fresh('block');
  await context.addCookies(await signedIn.cookies());
  const page = await context.newPage();
  const wire = await context.newCDPSession(page);
  await wire.send('Network.enable');
  const urls = new Map<string, string>();
  const bytes = { scripts: 0, fonts: 0, other: 0, requests: 0 };
  wire.on('Network.responseReceived', ({ requestId, response }) => urls.set(requestId, response.url));
  wire.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    const url = urls.get(requestId) ?? '';
    bytes[/\.(?:js|css)$/.test(url) ? 'scripts' : /\.woff2$/.test(url) ? 'fonts' : 'other'] += encodedDataLength;
    bytes.requests += 1;
  });
  await page.goto(`/jobs/${job}`);
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.waitForLoadState('networkidle');
  await context.close();
  await signedIn.close();
  return bytes;
}

/** Milliseconds until the step is painted, from the service worker, without the network. */
async function fromWorker(): Promise<number[]> {
  const context = await fresh('allow');
  const job = await signIn(context);
  const page = await context.newPage();
  await page.goto(`/jobs/${job}`);
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await page.waitForTimeout(3000);
  await context.setOffline(true);
  const slow = await context.newCDPSession(page);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: SLOWED });
  const times: number[] = [];
  for (let i = 0; i < ROUNDS; i += 1) {
    await page.reload({ waitUntil: 'commit' });
    await page.getByRole('heading', { level: 1 }).waitFor();
    times.push(
      await page.evaluate(() => new Promise<number>((done) => requestAnimationFrame(() => done(performance.now())))),
    );
  }
  await context.close();
  return times.sort((a, b) => a - b);
}

const minimal = await minimalPage();
const { scripts, fonts, other, requests } = await coldBytes();
const times = await fromWorker();
const kib = (bytes: number) => `${(bytes / KIB).toFixed(0)} KiB`;
console.log(
  `Bench screen, nothing kept: ${kib(scripts)} of script and style, ${(scripts / minimal).toFixed(2)} times a page with a heading and a button of the same libraries (${kib(minimal)}); ${kib(fonts)} of fonts and ${kib(other)} else, ${requests} requests`,
);
console.log(
  `From the service worker without the network, processor slowed ${SLOWED} times: median ${(times[times.length >> 1] ?? 0).toFixed(0)} ms, most ${(times.at(-1) ?? 0).toFixed(0)} ms`,
);
await browser.close();
main.child.kill('SIGTERM');
await ended(main.child);
await rm(folder, { recursive: true, force: true });
