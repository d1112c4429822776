import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, signIn, test } from './workshop';

/** No serious fault on any screen, by the rules of axe. */
async function accessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(serious.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 140)).join(' | ')}`)).toEqual(
    [],
  );
}

const SCREENS = [
  ['shelf', '/', 'heading', 'Shelf'],
  ['series', '/series/pellwick-rl-50', 'heading', 'Pellwick RL-50'],
  ['author', '/procedures/rl-50-shaft-seals', 'button', 'Step 22, Press stationary rings, Faces, Photo check'],
  ['author with findings', '/procedures/rl-50-rotor-look', 'link', '1 stops release'],
  ['release', '/procedures/rl-50-rotor-look/release', 'heading', 'Rotor inspection: release 1'],
  ['jobs', '/jobs', 'heading', 'Jobs'],
  ['people', '/people', 'heading', 'People'],
  ['lost', '/no/such/place', 'heading', 'There is nothing here'],
] as const;

for (const [name, path, role, text] of SCREENS) {
  test(`${name}: readable by everybody`, async ({ page }) => {
    await signIn(page, 'Jun Vestergaard');
    await page.goto(path);
    await expect(page.getByRole(role, { name: text, exact: true })).toBeVisible();
    await accessible(page);
  });
}

test('sign-in: readable by everybody, and a wrong password is told', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('User name').fill('ines');
  await page.getByLabel('Password', { exact: true }).fill('wrong-password');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert')).toContainText('User name or password is wrong');
  await accessible(page);
});

test('bench and record: readable by everybody, and large enough for gloves', async ({ page }) => {
  await signIn(page, 'Tobias Quell');
  await page.goto('/jobs');
  await page.getByRole('link', { name: 'Go on' }).first().click();
  await expect(page.getByRole('button', { name: 'Something is wrong' })).toBeVisible();
  await accessible(page);
  for (const button of await page.getByRole('button').all()) {
    const size = await button.boundingBox();
    expect(size?.height ?? 0, (await button.textContent()) ?? '').toBeGreaterThanOrEqual(64);
  }
  await page.goto('/jobs');
  await page.getByRole('link', { name: 'Record' }).first().click();
  await expect(page.getByRole('heading', { name: /Record of job/ })).toBeVisible();
  await accessible(page);
});

test('dialogs: readable by everybody', async ({ page }) => {
  await signIn(page, 'Jun Vestergaard');
  await page.goto('/');
  for (const name of ['New series', 'Import a package']) {
    await page.getByRole('button', { name }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await expect(page.getByRole('dialog')).toHaveCSS('opacity', '1');
    await accessible(page);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
  }
});

test('the lead adds a person, who signs in with the first password and changes it', async ({ page, browser }) => {
  await signIn(page, 'Jun Vestergaard');
  await page.goto('/people');
  await page.getByRole('button', { name: 'Add a person' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name', { exact: true }).fill('Nell Ashdown');
  await dialog.getByLabel('User name').fill('nell');
  await dialog.getByLabel('Password to begin with').fill('first-password');
  await dialog.getByRole('button', { name: 'Add a person' }).click();
  await expect(page.getByRole('cell', { name: 'Nell Ashdown' })).toBeVisible();

  const context = await browser.newContext();
  const hers = await context.newPage();
  await hers.goto('/');
  const enter = async (password: string) => {
    await hers.getByLabel('User name').fill('nell');
    await hers.getByLabel('Password', { exact: true }).fill(password);
    await hers.getByRole('button', { name: 'Sign in' }).click();
  };
  await enter('first-password');
  await hers.getByRole('button', { name: 'Signed in as Nell Ashdown' }).click();
  await hers.getByRole('menuitem', { name: 'Change password' }).click();
  await hers.getByLabel('Present password').fill('first-password');
  await hers.getByLabel('New password').fill('second-password');
  await hers.getByRole('button', { name: 'Change it' }).click();
  await expect(hers.getByText('The password is changed.')).toBeVisible();
  await hers.getByRole('button', { name: 'Signed in as Nell Ashdown' }).click();
  await hers.getByRole('menuitem', { name: 'Sign out' }).click();
  await enter('second-password');
  await expect(hers.getByRole('heading', { name: 'Shelf' })).toBeVisible();
  await context.close();
});
