import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import sharp from 'sharp';
import type { OpenJob } from '../server/store/jobs';
import { expect, newProcedure, release, signIn, startJob, stepDone, test, typeLines } from './workshop';

/** A photo of something round, as sharp as asked for. */
const photo = async (colour: string, blur = 0) => {
  const drawn = sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="1280" height="960"><rect width="1280" height="960" fill="#596068"/><circle cx="600" cy="480" r="300" fill="${colour}"/><circle cx="600" cy="480" r="110" fill="#1d2127"/><path d="M200 120h180v90h-180z" fill="#e6e8ea"/></svg>`,
    ),
  );
  return {
    name: 'bench.jpg',
    mimeType: 'image/jpeg',
    buffer: await (blur > 0 ? drawn.blur(blur) : drawn).jpeg().toBuffer(),
  };
};

interface CodeDrawn {
  readonly _width: number;
  readonly _canvas: readonly { x: number; y: number; w: number; h: number; color: string }[];
}

/** A photo of a label with this code, a little askew and not in the middle, as the one that prints labels draws it. */
async function photoOfCode(text: string): Promise<{ name: string; mimeType: string; buffer: Buffer }> {
  const drawer = createRequire(import.meta.url)('pdfmake/js/qrEnc.js').default as {
    measure(node: { qr: string; fit: number }): CodeDrawn;
  };
  const { _canvas: cells, _width: width } = drawer.measure({ qr: text, fit: 420 });
  const code = cells
    .map(({ x, y, w, h, color }) => `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="${color}"/>`)
    .join('');
  const drawn = `<svg xmlns="http://www.w3.org/2000/svg" width="1600" height="1200"><rect width="1600" height="1200" fill="#8a8f94"/><g transform="translate(620 330) rotate(9)"><rect x="-40" y="-40" width="${width + 80}" height="${width + 80}" fill="#f4f2ec"/>${code}</g></svg>`;
  return { name: 'label.jpg', mimeType: 'image/jpeg', buffer: await sharp(Buffer.from(drawn)).jpeg().toBuffer() };
}

test.describe.configure({ mode: 'serial' });

test('a short procedure is released for the bench', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Bench trial');
  await typeLines(page, [
    'isolate the drive !!!Lock the switch and keep the key',
    'take off 8 cover nuts /socket, 17 mm',
    'draw rotor @each shaft /rotor puller ?both rotors on the cloth',
    'fit rotor @each shaft',
    'torque rotor nut @each shaft =92 N·m /torque wrench, 20-120 N·m',
    'fit cover nuts',
    'torque cover nuts =45 N·m',
  ]);
  await release(page);
});

test('a technician carries it out, with a photo, a wrong torque, a reload, a hand-over and a sealed record', async ({
  page,
  browser,
}) => {
  await signIn(page, 'Mara Oduya');
  await startJob(page, 'Bench trial', 'SB-3001');
  const done = page.getByRole('button', { name: 'Done' });
  await expect(page.getByRole('heading', { name: 'Isolate the drive' })).toBeVisible();
  await expect(page.getByText('DANGERLock the switch and keep the key')).toBeVisible();
  // Nothing is opened before the isolation is confirmed by name.
  await expect(page.getByRole('button', { name: 'Confirmation by name needed' })).toBeDisabled();
  await page.getByRole('button', { name: 'Mara Oduya: I did this and checked it' }).click();
  await expect(page.getByRole('button', { name: 'Confirmed by Mara Oduya' })).toBeVisible();
  await done.click();
  await expect(page.getByText('Lay the cover nuts in cell 1.')).toBeVisible();
  await expect(page.getByText('socket, 17 mm')).toBeVisible();
  await done.click();

  // The photo step does not go on without its photo.
  await expect(page.getByRole('button', { name: 'photo needed' })).toBeDisabled();
  // A blurred one is told on the spot, and taken again; one more is kept with a reason.
  const file = page.locator('input[type=file]').last();
  await file.setInputFiles(await photo('silver', 12));
  const doubts = page.getByRole('dialog', { name: 'The photo may not show enough' });
  await expect(doubts.getByText('It is blurred.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'photo needed' })).toBeDisabled();
  await file.setInputFiles(await photo('silver'));
  await expect(page.getByRole('img', { name: 'Photo 1' })).toBeVisible();
  await file.setInputFiles(await photo('white', 12));
  await doubts.getByRole('button', { name: 'Keep it with a reason' }).click();
  await doubts.getByLabel('Reason').fill('Oil mist, no better one to be had');
  await doubts.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('img', { name: 'Photo 2' })).toBeVisible();
  await page.getByRole('button', { name: 'Something is wrong' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Part', exact: true }).click();
  await page.getByLabel('Reason').fill('Lobe of rotor 2 has a dent');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect(page.getByText('Lobe of rotor 2 has a dent')).toBeVisible();
  await done.click();

  // A reload in the middle comes back to the same step with everything entered.
  await expect(page.getByRole('heading', { name: 'Fit the rotor at each shaft' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Fit the rotor at each shaft' })).toBeVisible();
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  await expect(page.getByText('3 of 7')).toBeVisible();
  await expect(page.getByRole('img', { name: 'Photo 1' })).toBeVisible();
  await stepDone(page, 2);

  // Two shafts, two readings, in whatever unit the wrench shows; a wrong one is told and stays in the record.
  await expect(page.getByRole('button', { name: '2 readings needed' })).toBeDisabled();
  const first = page.getByLabel('Reading, shaft 1');
  await first.fill('tight');
  await page.getByRole('button', { name: 'Enter' }).first().click();
  await expect(page.getByRole('alert')).toContainText('"tight" is not a number');
  await first.fill('80');
  await page.keyboard.press('Enter');
  await expect(page.getByText('too low')).toBeVisible();
  await first.fill('92.5');
  await page.keyboard.press('Enter');
  await expect(page.getByText('within')).toBeVisible();
  await page.getByLabel('Reading, shaft 2').fill('68');
  await page.getByLabel('Unit').nth(1).selectOption('lbf·ft');
  await page.getByRole('button', { name: 'Enter' }).nth(1).click();
  await expect(page.getByText('within')).toHaveCount(2);
  await done.click();
  await page.getByRole('button', { name: 'Pause' }).click();
  await expect(page.getByText('The job is paused.')).toBeVisible();

  // Tobias takes over on another tablet.
  const context = await browser.newContext();
  const tablet = await context.newPage();
  await signIn(tablet, 'Tobias Quell');
  await tablet.goto(page.url());
  await expect(tablet.getByText('Mara Oduya is working on this job.')).toBeVisible();
  await expect(tablet.getByRole('button', { name: 'Done' })).toBeDisabled();
  await tablet.getByRole('button', { name: 'Take over this job' }).click();
  // The locks protect who has put them on: who takes over checks them first.
  await expect(tablet.getByText('Check the locks first')).toBeVisible();
  await expect(tablet.getByRole('button', { name: 'Check of the locks needed' })).toBeDisabled();
  await tablet.getByRole('button', { name: 'Tobias Quell: I checked all of them' }).click();
  await stepDone(tablet);
  await tablet.getByLabel('Reading', { exact: true }).fill('60');
  await tablet.keyboard.press('Enter');
  await expect(tablet.getByText('too high')).toBeVisible();
  await tablet.getByRole('button', { name: 'Continue without a good reading' }).click();
  await tablet.getByRole('button', { name: 'Skip' }).click();
  await expect(tablet.getByText('Give the reason in a few words.')).toBeVisible();
  await tablet.getByLabel('Reason').fill('Old studs, renewed at next service');
  await tablet.getByRole('button', { name: 'Skip' }).click();
  await stepDone(tablet);
  await expect(tablet.getByRole('heading', { name: 'All 7 steps are done' })).toBeVisible();
  await tablet.getByRole('button', { name: 'Finish and seal the record' }).click();

  await expect(tablet.getByRole('heading', { name: /Record of job/ })).toBeVisible();
  await expect(tablet.getByText('Old studs, renewed at next service')).toBeVisible();
  await expect(tablet.getByText('blurred; kept: Oil mist, no better one to be had')).toBeVisible();
  await expect(tablet.getByRole('img', { name: /Photo 1: both rotors/ })).toBeVisible();
  const href = await tablet.getByRole('link', { name: 'Print the record' }).getAttribute('href');
  const pdf = await context.request.get(href ?? '');
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  const text = await pdfText(await pdf.body());
  for (const words of [
    'SB-3001',
    'Glasshouse Number Four',
    'Mara Oduya',
    'Tobias Quell took the job over',
    '80 N·m too low',
    '68 lbf·ft within',
    'Lobe of rotor 2 has a dent',
  ]) {
    expect(text).toContain(words);
  }
  await context.close();
});

test('an exported record is checked in a page, and what was changed in it is named', async ({ page }) => {
  await signIn(page, 'Mara Oduya');
  await page.goto('/jobs');
  await page.getByText('Finished', { exact: true }).click();
  await page.getByRole('link', { name: 'Record' }).first().click();
  const exported = async (format: string) => {
    await page.getByRole('button', { name: 'Export' }).click();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('menuitem', { name: format }).click(),
    ]);
    return readFile(await download.path(), 'utf8');
  };
  expect(await exported('CSV')).toMatch(/^\uFEFFStep,Instruction,What,.*\r\n1,/);
  const text = await exported('JSON with seal');
  await page.getByRole('link', { name: 'Check an exported record' }).click();
  const check = (name: string, content: string) =>
    page
      .locator('input[type=file]')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(content) });
  await check('record.json', text);
  await expect(page.getByRole('heading', { name: 'record.json is as it was signed' })).toBeVisible();
  const { customer } = JSON.parse(text).record.job;
  await check('forged.json', text.replaceAll(JSON.stringify(customer), '"Somebody else"'));
  await expect(page.getByRole('heading', { name: 'forged.json is not as it was signed' })).toBeVisible();
  await expect(page.getByText('The customer was changed, added or left out.')).toBeVisible();
  await check('no.json', 'no record');
  await expect(page.getByText(/^This is no exported record/)).toBeVisible();
});

test.describe('with the app kept on the device', () => {
  test.use({ serviceWorkers: 'allow' });
  test('the bench goes on without the network, and what was entered arrives later', async ({ page, context }) => {
    await signIn(page, 'Mara Oduya');
    await startJob(page, 'Bench trial', 'SB-3002');
    await page.evaluate(() => navigator.serviceWorker.ready);
    await context.setOffline(true);
    await stepDone(page, 2);
    await page
      .locator('input[type=file]')
      .last()
      .setInputFiles(await photo('silver'));
    await expect(page.getByRole('img', { name: 'Photo 1' })).toBeVisible();
    await stepDone(page);
    await expect(page.getByText('Offline, 4 saved on this device')).toBeVisible();
    await expect(page.getByText('4 of 7')).toBeVisible();
    // Even reloaded without the network the bench opens, photo and all.
    await page.reload();
    await expect(page.getByText('4 of 7')).toBeVisible();
    await expect(page.getByText('Offline, 4 saved on this device')).toBeVisible();
    await context.setOffline(false);
    await expect(page.getByText(/Offline/)).toBeHidden();
    await expect(page.getByText('Sending')).toBeHidden();
    const jobId = page.url().split('/').at(-1);
    const job = await (await context.request.get(`/api/jobs/${jobId}`)).json();
    expect(job.entries.map((entry: { content: { kind: string } }) => entry.content.kind)).toEqual([
      'step-done',
      'step-done',
      'photo-taken',
      'step-done',
    ]);
  });

  test('what was entered arrives even if nobody opens the app again', async ({ page, context }) => {
    await signIn(page, 'Mara Oduya');
    await startJob(page, 'Bench trial', 'SB-3005');
    const address = new URL(page.url());
    await page.evaluate(() => navigator.serviceWorker.ready);
    await context.setOffline(true);
    await stepDone(page);
    await expect(page.getByText('Offline, 1 saved on this device')).toBeVisible();
    await page.close();
    await context.setOffline(false);
    const job = `/api/jobs/${address.pathname.split('/').at(-1)}`;
    const kept = async () => (await (await context.request.get(address.origin + job)).json()).entries.length;
    await expect.poll(kept).toBe(1);
  });
});

test('entries made while another took over are not lost unseen', async ({ page, context, browser }) => {
  await signIn(page, 'Mara Oduya');
  await startJob(page, 'Bench trial', 'SB-3003');
  await context.setOffline(true);
  await stepDone(page);
  const elsewhere = await browser.newContext();
  const tablet = await elsewhere.newPage();
  await signIn(tablet, 'Tobias Quell');
  await tablet.goto(page.url());
  await tablet.getByRole('button', { name: 'Take over this job' }).click();
  await expect(tablet.getByRole('button', { name: 'Pause' })).toBeVisible();
  await expect(tablet.getByText('Sending')).toBeHidden();
  await context.setOffline(false);
  await expect(page.getByText('One entry was rejected: Somebody else is working on this job now.')).toBeVisible();
  await page.getByRole('button', { name: 'Show rejected entries' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Discard the rejected item' }).click();
  await page.getByRole('dialog').last().getByRole('button', { name: 'Discard the rejected item' }).click();
  await expect(page.getByText('Everything is sent.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('Tobias Quell is working on this job.')).toBeVisible();
  await elsewhere.close();
});

test('on a shared tablet an entry goes under the name of who made it, whoever is signed in when it is sent', async ({
  page,
  context,
}) => {
  await signIn(page, 'Mara Oduya');
  await startJob(page, 'Bench trial', 'SB-3004');
  const jobId = page.url().split('/').at(-1);
  await context.setOffline(true);
  await stepDone(page);
  await expect(page.getByText('Offline, 1 saved on this device')).toBeVisible();
  // Her session ends while she is away from the network.
  await context.clearCookies();
  await context.setOffline(false);
  await expect(page.getByText('Signed out, 1 saved on this device')).toBeVisible();
  await signIn(page, 'Tobias Quell');
  const entries = async () => (await (await context.request.get(`/api/jobs/${jobId}`)).json()) as OpenJob;
  await expect(async () => expect((await entries()).entries).toHaveLength(1)).toPass();
  const {
    entries: [entry],
    people,
  } = await entries();
  expect([people[entry?.by ?? ''], people[entry?.sentBy ?? '']]).toEqual(['Mara Oduya', 'Tobias Quell']);
});

test('an apprentice looks on but cannot enter anything', async ({ page }) => {
  await signIn(page, 'Pia Lindqvist');
  await page.goto('/jobs');
  await expect(page.getByRole('button', { name: 'Start a job' })).toHaveCount(0);
  await page.getByRole('link', { name: 'Open' }).first().click();
  await expect(page.getByText('View only.')).toBeVisible();
  const begin = page.getByRole('button', { name: 'I have read it: begin' });
  if (await begin.isVisible()) await begin.click();
  await expect(page.getByRole('button', { name: 'Something is wrong' })).toBeDisabled();
});

async function pdfText(pdf: Buffer): Promise<string> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  let text = '';
  for (let n = 1; n <= document.numPages; n += 1) {
    const content = await (await document.getPage(n)).getTextContent();
    text += content.items.map((item) => ('str' in item ? item.str : '')).join(' ');
  }
  return text.replace(/\s+/g, ' ');
}

test('the code on a pump opens its page; another code and a wrong photo are told', async ({ page }) => {
  await signIn(page, 'Tobias Quell');
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'Scan a pump' }).click();
  const dialog = page.getByRole('dialog', { name: 'Find a pump by its code' });
  const picture = dialog.locator('input[type=file]');
  await picture.setInputFiles(await photo('#b0302a'));
  await expect(dialog.getByRole('alert')).toContainText('No code was found in the photo');
  await picture.setInputFiles(await photoOfCode('https://example.com/manual'));
  await expect(dialog.getByRole('alert')).toContainText('This code is not the label of a pump');
  await picture.setInputFiles(await photoOfCode('http://another-server.local/pumps/50-0412'));
  await expect(page.getByRole('heading', { name: 'Pump 50-0412' })).toBeVisible();
  // Its parts were measured at two readings of the hour meter.
  const wear = page.getByRole('region', { name: 'Wear over the hours' });
  await expect(wear.getByRole('img', { name: /^Sizes over the running hours: shaft spline/ })).toBeVisible();
  await expect(wear.getByText(/hours are left, from/).first()).toBeVisible();
  const label = await page.request.get('/api/pumps/50-0412/label.pdf');
  const { numPages } = await getDocument({ data: new Uint8Array(await label.body()) }).promise;
  expect(numPages).toBe(1);
});

test('the record opens after the job, however late its screen and all that is asked anew', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Cover and a slow record');
  await typeLines(page, ['inspect cover']);
  await release(page);
  const late = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
  let isFinishing = false;
  let arrive = () => {};
  const arrived = new Promise<void>((resolve) => {
    arrive = resolve;
  });
  await page.route('**/assets/RecordScreen-*.js', (route) => arrived.then(() => route.continue()));
  await page.route('**/api/**', async (route) => {
    if (isFinishing && route.request().method() === 'GET') await late(1500);
    await route.continue();
  });
  await startJob(page, 'Cover and a slow record', 'SLOW-1');
  await stepDone(page);
  isFinishing = true;
  await page.getByRole('button', { name: 'Finish and seal the record' }).click();
  await late(4000);
  arrive();
  await expect(page.getByRole('heading', { name: /^Record of job/ })).toBeVisible();
});
