import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { addField, expect, signIn, test } from './workshop';

/**
 * Nothing but words on the screen, and no serious fault by the rules of axe. There are no frames, so one look in the page
 * itself does.
 */
async function accessible(page: Page): Promise<void> {
  await expect(page.locator('body')).not.toContainText(/\[object |undefined|NaN/);
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode()
    .options({ resultTypes: ['violations'] })
    .analyze();
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(serious.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 140)).join(' | ')}`)).toEqual(
    [],
  );
}

/** Each with what stands on it when it is there; those of one kind are opened one after the other, as one does. */
const SCREENS = {
  'the shelf and its series': [
    ['shelf', '/', 'heading', 'Shelf'],
    ['series', '/series/pellwick-rl-50', 'heading', 'Pellwick RL-50'],
    ['series with a stack', '/series/fennimoor-es-40', 'heading', 'Stacks'],
    ['series with kits', '/series/corrick-dd-40', 'heading', 'Corrick DD-40'],
  ],
  'the author': [
    [
      'with a photo check',
      '/procedures/rl-50-shaft-seals',
      'button',
      'Step 22, Press stationary rings, Faces, Photo check',
    ],
    ['with findings', '/procedures/rl-50-rotor-look', 'link', '1 issue blocks release'],
    ['with branches', '/procedures/dd-40-wet-end', 'button', 'Step 7, Take off valve balls, Question'],
    ['with many findings', '/procedures/dd-40-field-balls', 'link', '2 issues block release'],
    ['with a stack', '/procedures/es-40-packing', 'button', 'Step 53, Test the gland: forty to sixty drops a minute'],
  ],
  'release, walk and workshop': [
    ['release', '/procedures/rl-50-rotor-look/release', 'heading', 'Rotor inspection: release 1'],
    ['walk', '/procedures/dd-40-wet-end/walk', 'heading', 'Before you begin'],
    ['settings', '/settings', 'heading', 'Words of this workshop'],
    ['jobs', '/jobs', 'heading', 'Jobs'],
    ['people', '/people', 'heading', 'People'],
    ['lost', '/no/such/place', 'heading', 'Page not found'],
  ],
} as const;

for (const [kind, screens] of Object.entries(SCREENS)) {
  test(`${kind}: readable by everybody`, async ({ page }) => {
    await signIn(page, 'Jun Vestergaard');
    for (const [name, path, role, text] of screens)
      await test.step(name, async () => {
        await page.goto(path);
        const told = page.getByRole(role, { name: text, exact: true });
        await expect(told).toBeVisible();
        if (role === 'button') await told.click();
        await accessible(page);
      });
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
  await page.getByRole('link', { name: 'Continue' }).first().click();
  await expect(page.getByRole('button', { name: 'Something is wrong' })).toBeVisible();
  await accessible(page);
  for (const button of await page.getByRole('button').all()) {
    const size = await button.boundingBox();
    expect(size?.height ?? 0, (await button.textContent()) ?? '').toBeGreaterThanOrEqual(64);
  }
  await page.goto('/jobs');
  await page.getByText('Finished', { exact: true }).click();
  await page.getByRole('link', { name: 'Record' }).first().click();
  await expect(page.getByRole('heading', { name: /Record of job/ })).toBeVisible();
  await accessible(page);
});

test('the bench fits a tablet held upright, and says there as well where parts go', async ({ page }) => {
  await page.setViewportSize({ width: 600, height: 960 });
  await signIn(page, 'Tobias Quell');
  await page.goto('/jobs');
  await page.getByRole('link', { name: 'Continue' }).first().click();
  const foot = page.getByRole('contentinfo');
  await expect(foot.getByRole('button', { name: 'Something is wrong' })).toBeInViewport();
  await expect(foot.getByText(/cell|cloth|kit tray|bin/)).toBeInViewport();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(600);
  for (const button of await foot.getByRole('button').all()) {
    const box = await button.boundingBox();
    expect(box?.height ?? 0).toBeGreaterThanOrEqual(64);
    expect((box?.x ?? 0) + (box?.width ?? 601)).toBeLessThanOrEqual(600);
  }
  // On a phone the head is one row of buttons, and head and foot leave two thirds of the height to the step.
  await page.setViewportSize({ width: 390, height: 844 });
  const [head, below] = await Promise.all([page.getByRole('banner').boundingBox(), foot.boundingBox()]);
  expect(head?.height ?? 844).toBeLessThan(2 * 64);
  expect((below?.y ?? 0) - (head?.height ?? 844)).toBeGreaterThan((844 * 2) / 3);
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

test('dialogs of the author: readable by everybody', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await page.goto('/procedures/dd-40-wet-end');
  await expect(page.getByText('52 steps')).toBeVisible();
  const dialog = page.getByRole('dialog');
  for (const [key, title] of [
    ['?', 'Keys'],
    ['i', 'About this procedure'],
    ['l', 'Tools, consumables and safety'],
    ['p', 'Print the cloth'],
    ['t', 'Fewest tool changes'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(dialog.getByRole('heading', { name: title })).toBeVisible();
    await expect(dialog).toHaveCSS('opacity', '1');
    if (key === 't') await expect(dialog.getByRole('button', { name: 'Use this order' })).toBeVisible();
    await accessible(page);
    await page.keyboard.press('Escape');
    await expect(dialog).toBeHidden();
  }
  await page.getByRole('button', { name: /^Step 5, Take off upper manifold bolts/ }).click();
  await page.getByRole('button', { name: 'About upper manifold bolt' }).click();
  await expect(dialog.getByText('To reach it, take off first')).toBeVisible();
  await accessible(page);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+k');
  await expect(page.getByPlaceholder('Type what you want to do, or a step')).toBeFocused();
  await accessible(page);
});

test('a step with everything said: readable by everybody', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await page.goto('/procedures/dd-40-wet-end');
  await page.getByRole('button', { name: /^Step 6, Take off upper manifold/ }).click();
  await expect(page.getByRole('textbox', { name: 'Another method' }).first()).toHaveValue(
    'a few blows with a soft mallet',
  );
  await addField(page, 'Aids');
  await addField(page, 'Position on bench');
  await page.getByRole('combobox', { name: 'How it lies' }).click();
  await page.getByRole('option', { name: 'face down' }).click();
  await page.getByRole('combobox', { name: 'Put in and left in' }).fill('wooden blocks');
  await page.keyboard.press('Enter');
  // The list of tools that opens by itself is put away again.
  await page.keyboard.press('Escape');
  await expect(page.getByRole('listbox')).toHaveCount(0);
  await expect(page.getByText('Nothing takes out the wooden blocks that step 6 puts in.')).toBeVisible();
  await accessible(page);
  for (let i = 0; i < 2; i += 1) await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByText('Nothing takes out')).toHaveCount(0);
});

test('the lead adds a person, who signs in with the first password and changes it', async ({ page, browser }) => {
  await signIn(page, 'Jun Vestergaard');
  await page.goto('/people');
  await page.getByRole('button', { name: 'Add a person' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name', { exact: true }).fill('Nell Ashdown');
  await dialog.getByLabel('User name').fill('nell');
  await dialog.getByLabel('First password').fill('first-password');
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
  await hers.getByLabel('Current password').fill('first-password');
  await hers.getByLabel('New password').fill('second-password');
  await hers.getByRole('button', { name: 'Change password' }).click();
  await expect(hers.getByText('Password changed.')).toBeVisible();
  await hers.getByRole('button', { name: 'Signed in as Nell Ashdown' }).click();
  await hers.getByRole('menuitem', { name: 'Sign out' }).click();
  await enter('second-password');
  await expect(hers.getByRole('heading', { name: 'Shelf' })).toBeVisible();
  await context.close();
});
