import { readFile } from 'node:fs/promises';
import { expect, newProcedure, saved, signIn, startJob, stepDone, test, typeLines } from './workshop';

/** The torque sheet of a series, as a trainer works on it. */
test('a figure is judged, its unit is asked for, and the order is set by clicking', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await page.goto('/');
  await page
    .getByRole('link', { name: /Pellwick RL/ })
    .first()
    .click();
  await page.getByRole('link', { name: 'Torque sheet' }).click();
  const detail = page.getByRole('region', { name: 'dome nut' });
  await expect(detail.getByText('22.5 kN, 67 % of proof load')).toBeVisible();
  await expect(detail.getByRole('row', { name: /^2 60 % 27 N·m/ })).toBeVisible();
  // What each way of tightening leaves is computed beside the screen.
  // What finished jobs have left in these fasteners, by wrench and by person.
  await expect(detail.getByRole('row', { name: /^TW-05 24 in 3 0 / })).toBeVisible();
  await expect(detail.getByText(/^star \(crosswise\), 3 passes and check keeps the cover within/)).toBeVisible();

  const figure = detail.getByLabel('Figure', { exact: true });
  await figure.fill('450 Nm');
  await figure.press('Enter');
  await expect(detail.getByText('too much for M10 8.8')).toBeVisible();
  await detail.getByRole('button', { name: 'Use 45 N·m' }).click();
  await expect(detail.getByText('22.5 kN, 67 % of proof load')).toBeVisible();

  await figure.fill('33');
  await figure.press('Enter');
  await expect(detail.getByRole('group', { name: /The unit is missing/ })).toBeVisible();
  await detail.getByRole('button', { name: '33 lbf·ft (the thread bears it)' }).click();
  await expect(detail.getByText('33 lbf·ft').first()).toBeVisible();

  await detail.getByRole('button', { name: 'Change the order by clicking' }).click();
  for (const place of [1, 2, 3, 4, 5, 6, 7, 8]) await detail.getByRole('button', { name: `Place ${place},` }).click();
  await expect(detail.getByText('Place 2 follows its neighbour 1 although')).toBeVisible();
  await detail.getByRole('button', { name: 'Use the order of the pattern' }).click();
  await expect(detail.getByText(/follows its neighbour/)).toHaveCount(0);
});

test('a table is taken whole or not at all, and comes back as it went out', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await page.goto('/');
  await page
    .getByRole('link', { name: /Fennimoor ES/ })
    .first()
    .click();
  await page.getByRole('link', { name: 'Torque sheet' }).click();
  await expect(page.getByText('5 groups of fasteners')).toBeVisible();
  const bring = (name: string, text: string) =>
    page.locator('input[type=file]').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
  await bring('wrong.csv', 'Fastener,Figure,Class\ncasing nut,47,8.8\ngland nut,4 N·m,strong\n');
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText('Row 2, Figure:')).toBeVisible();
  await expect(dialog.getByText('Row 3, Class:')).toBeVisible();
  await page.keyboard.press('Escape');
  await bring('right.csv', 'Fastener;Figure;Class\ncasing nut;47 N·m;8.8\n');
  await expect(page.getByText('0 groups added, 1 changed')).toBeVisible();
  await expect(page.getByRole('button', { name: /Casing nuts 47 N·m/ })).toBeVisible();

  await page.getByRole('button', { name: 'Export' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'XLSX' }).click(),
  ]);
  const path = await download.path();
  await page.locator('input[type=file]').setInputFiles({
    name: 'back.xlsx',
    mimeType: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    buffer: await readFile(path),
  });
  await expect(page.getByText('0 groups added, 0 changed')).toBeVisible();
});

test('a joint is tightened fastener by fastener, at the bench and into the record', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  const { code } = await newProcedure(page, 'Cover on');
  await typeLines(page, ['torque 4 cover nuts =45 N·m /torque wrench, 10-60 N·m']);
  await saved(page);
  const written = page.url();
  await page.goto('/');
  await page
    .getByRole('link', { name: new RegExp(code) })
    .first()
    .click();
  await page.getByRole('link', { name: 'Torque sheet' }).click();
  await page.getByRole('button', { name: 'Add a group' }).click();
  await page.getByRole('menuitem', { name: 'cover nut' }).click();
  const enter = async (label: string, text: string) => {
    await page.getByLabel(label, { exact: true }).fill(text);
    await page.getByLabel(label, { exact: true }).press('Enter');
  };
  await enter('Thread', 'm10');
  await enter('Passes', '50 100 check');
  await enter('Figure', '45 N·m');
  await expect(page.getByRole('row', { name: /^1 50 % 22.5 N·m/ })).toBeVisible();
  await page.goto(written);
  await page.getByRole('link', { name: 'Release', exact: true }).click();
  await page.getByRole('button', { name: 'Release number 1' }).click();
  await expect(page.getByText('Release 1 is ready for the bench.')).toBeVisible();
  await startJob(page, 'Cover on', 'TQ-1');

  const clicked = page.getByRole('button', { name: /^Wrench clicked at/ });
  const reading = page.getByLabel('Reading', { exact: true });
  const left = (count: number) =>
    expect(page.getByRole('button', { name: new RegExp(`^${count} readings? needed$`) })).toBeVisible();
  await expect(page.getByText('Pass 1 of 2')).toBeVisible();
  await left(12);
  await clicked.click();
  await expect(page.getByText('Cover nut 2 of 4')).toBeVisible();

  // By keyboard: a number and Enter, or Enter alone; one out of its window is told and not passed over.
  await reading.fill('29');
  await page.keyboard.press('Enter');
  await expect(page.getByText('too high')).toBeVisible();
  await left(11);
  await reading.fill('22.2');
  await page.keyboard.press('Enter');
  await left(10);
  await reading.press('Enter');
  await left(9);

  // A reload loses nothing.
  await page.reload();
  await left(9);
  await clicked.click();
  await left(8);
  await expect(page.getByText('Pass 2 of 2')).toBeVisible();

  // Another fastener of the pass can be taken first; a reading is let stand with a reason.
  await page.getByRole('button', { name: 'Place 3, 2' }).click();
  await expect(page.getByText('Cover nut 2 of 4')).toBeVisible();
  await reading.fill('50');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Accept this reading with a reason' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('textbox').fill('Wrench reads high, checked against TW-03');
  await dialog.getByRole('button', { name: 'Accept', exact: true }).click();
  for (let count = 7; count > 0; count -= 1) {
    await left(count);
    await clicked.click();
  }
  await stepDone(page);
  await page.getByRole('button', { name: 'Finish and seal the record' }).click();
  await expect(page.getByRole('heading', { name: /^Record of job/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /^1, 22.5 N·m 22.5 29 → 22.2/ })).toBeVisible();
  await expect(page.getByText(/50 N·m: Wrench reads high, checked against TW-03/)).toBeVisible();
});
