import { type ChildProcess, spawn } from 'node:child_process';
import { appendFile, cp, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Page } from '@playwright/test';
import type { OpenJob } from '../server/store/jobs';
import { PORT, SET_UP, WORKSHOPS } from './ports';
import { expect, newProcedure, release, signIn, startJob, stepDone, test, typeLines } from './workshop';

const LINES = [
  'isolate the drive',
  'take off cover',
  'inspect cover',
  'fit cover',
  'torque 4 cover nuts =45 N·m',
  'restore the drive',
];

/** One step as a technician does it, whatever it asks for. */
async function doStep(page: Page): Promise<void> {
  // What the step asks for is shown together with its number.
  await expect(page.getByText(/^\d+ of \d+$/).first()).toBeVisible();
  const reading = page.getByLabel('Reading', { exact: true });
  if (await reading.isVisible()) {
    await reading.fill('45');
    await page.keyboard.press('Enter');
    await expect(page.getByText('within')).toBeVisible();
  }
  await stepDone(page);
}

/** What the record of a job says, without what differs from one job to the next. */
async function told(page: Page): Promise<unknown[]> {
  const id = page.url().split('/').at(-2);
  const job = (await (await page.request.get(`/api/jobs/${id}`)).json()) as OpenJob;
  return job.entries.map(({ content, by }) => ({ content, by }));
}

/** Of a job over LINES in which nothing was done twice and nothing is lost. */
const UNDISTURBED = [...Array(4).fill('step-done'), 'torque-read', 'step-done', 'step-done', 'finished'];

async function kindsTold(page: Page): Promise<string[]> {
  return ((await told(page)) as { content: { kind: string } }[]).map(({ content }) => content.kind);
}

async function finish(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Finish and seal the record' }).click();
  await expect(page.getByRole('heading', { name: /Record of job/ })).toBeVisible();
}

test('reloaded at every step, a job has the same record as one that was left alone', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Cover reloaded');
  await typeLines(page, LINES);
  await release(page);
  const records: unknown[] = [];
  for (const isReloaded of [false, true]) {
    await startJob(page, 'Cover reloaded', `RE-${Number(isReloaded)}`);
    for (let step = 0; step < LINES.length; step += 1) {
      if (isReloaded && step > 0) await page.reload();
      await expect(page.getByText(`${step + 1} of ${LINES.length}`)).toBeVisible();
      await doStep(page);
      // It stands on the screen when it is kept.
      const next = step + 2 > LINES.length ? `All ${LINES.length} steps are done` : `${step + 2} of ${LINES.length}`;
      await expect(page.getByText(next)).toBeVisible();
    }
    if (isReloaded) await page.reload();
    await finish(page);
    records.push(await told(page));
  }
  expect(records[0]).toHaveLength(LINES.length + 2);
  expect(records[1]).toEqual(records[0]);
});

test('a tablet that is full says so, keeps what is there, and goes on when there is room', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Cover on a full tablet');
  await typeLines(page, ['take off cover', 'clean cover', 'fit cover']);
  await release(page);
  await startJob(page, 'Cover on a full tablet', 'FULL-1');
  await stepDone(page);
  await expect(page.getByText('2 of 3')).toBeVisible();
  await page.evaluate(() => {
    const add = IDBObjectStore.prototype.add;
    Object.assign(window, { giveRoom: () => Object.assign(IDBObjectStore.prototype, { add }) });
    IDBObjectStore.prototype.add = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.getByText('The storage of this device is full. This was not saved.')).toBeVisible();
  await expect(page.getByText('2 of 3')).toBeVisible();
  await page.evaluate(() => (window as unknown as { giveRoom: () => void }).giveRoom());
  await stepDone(page, 2);
  await finish(page);
  expect(await told(page)).toHaveLength(4);
});

const built = fileURLToPath(new URL('../dist', import.meta.url));

test.describe('a server of its own', () => {
  const port = PORT + WORKSHOPS + 7;
  const url = `http://localhost:${port}`;
  test.use({ serviceWorkers: 'allow', baseURL: url });
  let folder: string;
  let server: ChildProcess | undefined;

  async function startServer(): Promise<void> {
    const args = ['serve', '--demo', '--data', folder, '--port', String(port)];
    server = spawn(process.execPath, [join(built, 'server', 'main.js'), ...args], { stdio: 'ignore', detached: true });
    await expect(async () => expect((await fetch(`${url}/api/start`)).ok).toBe(true)).toPass({ timeout: 80_000 });
  }
  /** As when the power goes: nothing is tidied up. */
  function killServer(): void {
    if (server?.pid) process.kill(-server.pid, 'SIGKILL');
    server = undefined;
  }
  test.beforeAll(async () => {
    folder = await mkdtemp(join(tmpdir(), 'fukusa-killed-'));
    await cp(SET_UP, folder, { recursive: true });
  });
  test.afterAll(async () => {
    killServer();
    await rm(folder, { recursive: true, force: true });
  });

  test('killed in the middle of a job it loses nothing: what was taken in is there, what waited arrives', async ({
    page,
  }) => {
    test.setTimeout(240_000);
    await startServer();
    await page.goto(url);
    await page.getByRole('button', { name: /^Ines Harrowgate/ }).click();
    await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
    await newProcedure(page, 'Cover without power');
    await typeLines(page, LINES);
    await release(page);
    await startJob(page, 'Cover without power', 'PWR-1');
    await page.evaluate(() => navigator.serviceWorker.ready);
    await doStep(page);
    await expect(page.getByText('2 of 6')).toBeVisible();
    await expect(page.getByText('Sending')).toBeHidden();
    killServer();
    for (let step = 2; step <= 4; step += 1) {
      await expect(page.getByText(`${step} of 6`)).toBeVisible();
      await doStep(page);
    }
    await expect(page.getByText(/Offline, \d saved on this device/)).toBeVisible();
    // It stands on the screen when it is kept.
    await expect(page.getByText('5 of 6')).toBeVisible();
    await page.reload();
    await expect(page.getByText('5 of 6')).toBeVisible();
    await startServer();
    await doStep(page);
    await expect(page.getByText('6 of 6')).toBeVisible();
    await doStep(page);
    await expect(page.getByText(/Offline/)).toBeHidden({ timeout: 70_000 });
    await finish(page);
    expect(await kindsTold(page)).toEqual(UNDISTURBED);
  });
});

test.describe('an update of the app', () => {
  const port = PORT + WORKSHOPS + 8;
  const url = `http://localhost:${port}`;
  test.use({ serviceWorkers: 'allow', baseURL: url });
  // Beside the one that is built, so that its packages and the demo are found.
  const copy = fileURLToPath(new URL(`../.dist-${process.pid}`, import.meta.url));
  let folder: string;
  let server: ChildProcess | undefined;

  test.beforeAll(async () => {
    folder = await mkdtemp(join(tmpdir(), 'fukusa-updated-'));
    await Promise.all([cp(SET_UP, folder, { recursive: true }), cp(built, copy, { recursive: true })]);
    const args = ['serve', '--demo', '--data', folder, '--port', String(port)];
    server = spawn(process.execPath, [join(copy, 'server', 'main.js'), ...args], { stdio: 'ignore' });
    await expect(async () => expect((await fetch(`${url}/api/start`)).ok).toBe(true)).toPass({ timeout: 80_000 });
  });
  test.afterAll(async () => {
    server?.kill('SIGKILL');
    await Promise.all([folder, copy].map((one) => rm(one, { recursive: true, force: true })));
  });

  test('waits until it is let in, and what was entered and not sent outlives it', async ({ page }) => {
    test.setTimeout(240_000);
    await page.goto(url);
    await page.getByRole('button', { name: /^Ines Harrowgate/ }).click();
    await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
    await newProcedure(page, 'Cover updated');
    await typeLines(page, LINES);
    await release(page);
    await startJob(page, 'Cover updated', 'UPD-1');
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await doStep(page);
    await expect(page.getByText('2 of 6')).toBeVisible();
    await expect(page.getByText('Sending')).toBeHidden();
    const other = await page.context().newPage();
    await other.goto(url);
    await expect(other.getByRole('heading', { name: 'Shelf' })).toBeVisible();
    await appendFile(join(copy, 'web', 'sw.js'), '\n// The next version.\n');
    await Promise.all(['sw.js.gz', 'sw.js.br'].map((name) => rm(join(copy, 'web', name), { force: true })));
    await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update());
    const note = page.getByRole('button', { name: 'New version' });
    await expect(note).toBeVisible({ timeout: 30_000 });
    await page.context().setOffline(true);
    for (let step = 2; step <= 3; step += 1) {
      await expect(page.getByText(`${step} of 6`)).toBeVisible();
      await doStep(page);
    }
    await expect(page.getByText(/Offline, \d saved on this device/)).toBeVisible();
    await expect(page.getByText('4 of 6')).toBeVisible();
    await note.click();
    await expect(page.getByRole('dialog', { name: 'A new version of the app is ready' })).toBeVisible();
    await Promise.all([page.waitForEvent('load'), page.getByRole('button', { name: 'Load it now' }).click()]);
    await expect(page.getByText('4 of 6')).toBeVisible();
    await expect(page.getByText(/Offline, \d saved on this device/)).toBeVisible();
    await expect(note).toBeHidden();
    await page.context().setOffline(false);
    for (let step = 4; step <= 6; step += 1) {
      await expect(page.getByText(`${step} of 6`)).toBeVisible();
      await doStep(page);
    }
    await expect(page.getByText(/Offline/)).toBeHidden({ timeout: 70_000 });
    await finish(page);
    expect(await kindsTold(page)).toEqual(UNDISTURBED);
    // What another tab had open goes on, and is loaded with the new version when somebody says so.
    await other.getByRole('button', { name: 'New version' }).click();
    await Promise.all([other.waitForEvent('load'), other.getByRole('button', { name: 'Load it now' }).click()]);
    await expect(other.getByRole('heading', { name: 'Shelf' })).toBeVisible();
    await expect(other.getByRole('button', { name: 'New version' })).toBeHidden();
  });
});
