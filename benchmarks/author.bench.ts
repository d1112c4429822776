import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { ended, startMain } from '../server/testing/process';
import { longProcedure } from './clean-procedures';

/**
 * How long the author screen takes in the real browser, on a processor slowed four times, until what a key does is
 * shown: an arrow key until the step stands there, Enter until the typed step is in the fold. Median and the slowest of
 * twenty; the ratio is against a procedure of 50 steps in the same run. `npm run build` comes first.
 */
const SLOWED = 4;
const ROUNDS = 20;

const folder = await mkdtemp(join(tmpdir(), 'fukusa-author-bench-'));
const main = await startMain(['--demo', '--data', folder, '--port', '0']);
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
const page = await (
  await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block', baseURL: main.url })
).newPage();
await page.goto('/');
await page.getByRole('button', { name: /^Ines Harrowgate/ }).click();
await page.getByRole('heading', { name: 'Shelf' }).waitFor();
const slow = await page.context().newCDPSession(page);

/**
 * From a key until the frame is painted in which what the selector finds says something else, as the browser itself
 * measures it (W3C Event Timing, in steps of 8 ms). As text, so that no compiler adds to it.
 */
const WATCHED = `(selector) => {
  let changed = Infinity;
  window.shownAfter = 0;
  let said = document.querySelector(selector)?.textContent;
  new MutationObserver(() => {
    const now = document.querySelector(selector)?.textContent;
    if (now !== said) changed = performance.now();
    said = now;
  }).observe(document.body, { subtree: true, childList: true, characterData: true });
  new PerformanceObserver((list) => {
    for (const { name, startTime, duration } of list.getEntries())
      if (name === 'keydown') window.shownAfter = Math.max(duration, changed - startTime);
  }).observe({ type: 'event', durationThreshold: 16 });
}`;

async function timed(of: Page, key: string): Promise<number> {
  await of.evaluate('window.shownAfter = 0');
  await of.keyboard.press(key);
  await of.waitForTimeout(900);
  return of.evaluate('window.shownAfter');
}

const middle = (times: readonly number[]) => [...times].sort((a, b) => a - b)[times.length >> 1] ?? 0;
let base: { arrow: number; enter: number } | undefined;
for (const steps of [50, 220, 500]) {
  const { series, procedure } = longProcedure(steps, Math.min(220, steps));
  const id = `author-${steps}`;
  const sentPackage = {
    format: 'fukusa/2',
    series: { ...series, id: `series-${steps}`, code: `B-${steps}` },
    procedures: [{ ...procedure, id, seriesId: `series-${steps}`, title: `Author ${steps}` }],
  };
  const sent = await page.request.post('/api/packages', {
    data: { package: sentPackage, when: 'new' },
    headers: { origin: main.url },
  });
  if (!sent.ok()) throw new Error(await sent.text());
  await page.goto(`/procedures/${id}`);
  await page.getByRole('button', { name: /^Step 20, / }).click();
  await page.waitForTimeout(900);
  await page.evaluate(`(${WATCHED})('[aria-label="Step"] h1')`);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: SLOWED });
  const arrows: number[] = [];
  for (let i = 0; i < ROUNDS; i += 1) {
    arrows.push(await timed(page, i % 2 ? 'ArrowUp' : 'ArrowDown'));
  }
  const enters: number[] = [];
  for (let i = 0; i < ROUNDS / 2; i += 1) {
    await page.getByLabel('Next step').fill(`take off spare part ${String.fromCharCode(97 + i)}x`);
    await page.waitForTimeout(900);
    enters.push(await timed(page, 'Enter'));
  }
  await slow.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  const now = { arrow: middle(arrows), enter: middle(enters) };
  base ??= now;
  console.log(
    `${steps} steps, processor slowed ${SLOWED} times: arrow ${now.arrow.toFixed(0)} ms (most ${Math.max(...arrows).toFixed(0)}), ${(now.arrow / base.arrow).toFixed(1)} times that of 50 steps; Enter ${now.enter.toFixed(0)} ms (most ${Math.max(...enters).toFixed(0)}), ${(now.enter / base.enter).toFixed(1)} times`,
  );
}
await browser.close();
main.child.kill('SIGTERM');
await ended(main.child);
await rm(folder, { recursive: true, force: true });
