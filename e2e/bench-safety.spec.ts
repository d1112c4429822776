import {
  addField,
  expect,
  newProcedure,
  release,
  saved,
  signIn,
  startJob,
  stepDone,
  test,
  typeLines,
} from './workshop';

test.describe.configure({ mode: 'serial' });

test('a hold point waits for a second person with their own password; a problem is answered at its step and named in the release', async ({
  page,
  browser,
}) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Cover with a hold point');
  await typeLines(page, ['isolate the drive', 'take off cover', 'fit cover', 'restore the drive']);
  await page.getByRole('button', { name: 'Step 1, Isolate the drive' }).click();
  await addField(page, 'Second person');
  await page.getByRole('switch', { name: 'Goes on only when a second person has signed' }).check({ force: true });
  await page.getByLabel('What the second person checks').fill('The lock is on, and the key is away');
  await page.keyboard.press('Enter');
  const author = page.url();
  await release(page);

  const context = await browser.newContext();
  const bench = await context.newPage();
  await signIn(bench, 'Mara Oduya');
  await startJob(bench, 'Cover with a hold point', 'HP-1');
  await expect(bench.getByText('The lock is on, and the key is away')).toBeVisible();
  const sign = async (username: string, password: string) => {
    const dialog = bench.getByRole('dialog');
    await dialog.getByLabel('User name').fill(username);
    await dialog.getByLabel('Password', { exact: true }).fill(password);
    await dialog.getByRole('button', { name: 'Sign', exact: true }).click();
    return dialog;
  };
  await bench.getByRole('button', { name: 'Second person signs' }).click();
  await expect((await sign('tobias', 'not his')).getByText(/User name or password is wrong/)).toBeVisible();
  // Who does the work cannot check it.
  await expect((await sign('mara', 'sallow-bridge')).getByText(/Another person than the one/)).toBeVisible();
  await sign('tobias', 'sallow-bridge');
  await expect(bench.getByText(/^Checked by Tobias Quell/)).toBeVisible();

  await bench.getByRole('button', { name: 'Something is wrong' }).click();
  const dialog = bench.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Instruction' }).click();
  await dialog.getByLabel('Reason').fill('There are two switches');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(bench.getByText('Sent to the trainer. The answer appears here.')).toBeVisible();

  // It stands at its step in the author, and the answer reaches the bench.
  await page.goto(author);
  await page.getByRole('button', { name: 'Step 1, Isolate the drive' }).click();
  const told = page.getByRole('region', { name: 'From the bench' });
  await expect(told.getByText('There are two switches')).toBeVisible();
  await told.getByRole('button', { name: 'Answer' }).click();
  await told.getByLabel('Answer, shown at the bench').fill('Lock both. I add the second one.');
  await told.getByRole('button', { name: 'Send' }).click();
  await expect(told.getByText('Lock both. I add the second one.')).toBeVisible();
  await bench.reload();
  await expect(bench.getByText('Lock both. I add the second one.')).toBeVisible();

  await stepDone(bench);
  await bench.getByRole('button', { name: 'Back', exact: true }).click();
  await expect(bench.getByText(/^Checked by Tobias Quell/)).toBeVisible();

  await typeLines(page, ['clean cover']);
  await saved(page);
  await page.getByRole('link', { name: 'Release', exact: true }).click();
  await page.getByLabel(/^Corrects step 1 \(job \d+\): There are two switches$/).check();
  await page.getByRole('button', { name: 'Release number 2' }).click();
  await expect(page.getByText('Release 2 is ready for the bench.')).toBeVisible();
  await bench.reload();
  await expect(bench.getByText(/Corrected in release 2\./)).toBeVisible();
  await context.close();
});

test('a paused job says what it waits for, and is found by it and by its pump', async ({ page }) => {
  await signIn(page, 'Mara Oduya');
  await startJob(page, 'Cover with a hold point', 'WT-1');
  await page.getByRole('button', { name: 'Pause' }).click();
  await page.getByRole('button', { name: 'Parts', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Parts', pressed: true })).toBeVisible();
  // It stands in the list when the server has it.
  const id = page.url().split('/').at(-1);
  const isTold = async () => (await (await page.request.get(`/api/jobs/${id}`)).json()).entries.length;
  await expect.poll(isTold).toBe(2);
  await page.goto('/jobs');
  await page.getByLabel('Waits for').click();
  await page.getByRole('option', { name: 'Parts' }).click();
  const job = page.getByRole('article').filter({ hasText: 'WT-1' });
  await expect(job.getByText('Waits for: parts')).toBeVisible();
  await job.getByRole('link', { name: 'serial 50-0999' }).click();
  await expect(page.getByRole('heading', { name: 'Pump 50-0999' })).toBeVisible();
  await expect(page.getByText('WT-1')).toBeVisible();
});
