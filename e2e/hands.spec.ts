import { expect, newProcedure, release, signIn, startJob, test, typeLines } from './workshop';

test('the whole flow by keys: numbers choose, digits go into the reading, space goes on, an arrow goes back', async ({
  page,
}) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Cover by keys');
  await typeLines(page, ['isolate the drive', 'torque cover nuts =45 N·m', 'restore the drive']);
  await release(page);
  await startJob(page, 'Cover by keys', 'KEY-1');
  const press = (key: string) => page.keyboard.press(key);
  await expect(page.getByRole('heading', { name: 'Isolate the drive' })).toBeVisible();
  // Nothing happens before it is confirmed.
  await press(' ');
  await press('1');
  await expect(page.getByRole('button', { name: 'Confirmed by Ines Harrowgate' })).toBeVisible();
  await press(' ');
  await expect(page.getByText('2 of 3')).toBeVisible();
  await press('4');
  await press('5');
  await press('Enter');
  await expect(page.getByText('within')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Done', exact: true })).toBeEnabled();
  await press(' ');
  await expect(page.getByText('3 of 3')).toBeVisible();
  await press('ArrowLeft');
  await expect(page.getByText('2 of 3')).toBeVisible();
});

test('the left hand, the light and the size of the text are kept on the tablet', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Cover by lamp');
  await typeLines(page, ['take off cover', 'fit cover']);
  await release(page);
  await startJob(page, 'Cover by lamp', 'KEY-2');
  const done = page.getByRole('button', { name: 'Done', exact: true });
  const sizes = async () => ({
    done: (await done.boundingBox())?.x ?? 0,
    text: (await page.getByRole('heading', { level: 1 }).boundingBox())?.height ?? 0,
    sheet: await page.evaluate(() => getComputedStyle(document.documentElement).getPropertyValue('--sheet').trim()),
  });
  const before = await sizes();
  await page.getByRole('button', { name: 'Display' }).click();
  for (const name of ['Left hand', 'Dim', 'Largest']) await page.getByRole('button', { name }).click();
  await page.keyboard.press('Escape');
  await page.reload();
  // Nothing was entered yet, so it begins with what to know.
  await page.getByRole('button', { name: 'I have read it: begin' }).click();
  await expect(done).toBeVisible();
  const after = await sizes();
  expect(after.done).toBeLessThan(before.done);
  expect(after.text).toBeGreaterThan(before.text * 1.2);
  expect(after.sheet).not.toBe(before.sheet);
  // Only the bench is dim.
  await page.getByRole('link', { name: 'Jobs' }).click();
  await expect(page.getByRole('button', { name: 'Start a job' })).toBeVisible();
  expect((await page.evaluate(() => document.documentElement.dataset.benchTheme)) ?? '').toBe('');
});
