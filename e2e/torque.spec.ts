import { expect, saved, signIn, test } from './workshop';

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
    buffer: await (await import('node:fs/promises')).readFile(path),
  });
  await expect(page.getByText('0 groups added, 0 changed')).toBeVisible();
  await saved(page).catch(() => undefined);
});
