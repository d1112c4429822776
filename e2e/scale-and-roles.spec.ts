import { expect, newProcedure, post, saved, signIn, startJob, stepDone, test, typeLines } from './workshop';

/** A teardown of 240 parts and its way back, with looks in between: five hundred steps. */
function fiveHundredSteps() {
  const step = (id: string, stage: string, verb: string, more: object) => ({ id, stage, verb, ...more });
  const components = Array.from({ length: 240 }, (_, i) => ({
    id: `part-${i}`,
    name: `part ${String.fromCharCode(97 + (i % 26))}${i}`,
    kind: 'other',
    count: 2,
  }));
  const on = (i: number) => ({ targets: [{ componentId: `part-${i}` }] });
  const steps = [
    step('isolate', 'make-safe', 'isolate', { about: 'the drive' }),
    step('bleed', 'make-safe', 'release-pressure', { about: 'the casing' }),
    ...components.map((_, i) => step(`down-${i}`, 'take-down', 'take-off', on(i))),
    ...Array.from({ length: 17 }, (_, i) =>
      step(`look-${i}`, 'look', 'inspect', { ...on(i), detail: 'Look for cracks and bright edges.' }),
    ),
    ...components.map((_, i) => step(`up-${i}`, 'put-back', 'fit', on(i))).reverse(),
    step('restore', 'prove', 'restore', { about: 'the drive' }),
  ];
  return {
    format: 'fukusa/1',
    series: { id: 'large', name: 'Large', code: 'L-500', pumpType: 'other', components },
    procedures: [{ id: 'large-p', seriesId: 'large', title: 'Five hundred steps', steps }],
  };
}

test('five hundred steps: only what is in sight is drawn, and every step is a key or a word away', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await post(page, '/api/packages', { package: fiveHundredSteps(), when: 'new' });
  await page.goto('/procedures/large-p');
  await expect(page.getByText('500 steps')).toBeVisible();
  await expect(page.getByText('No findings. The cloth is empty at the end.')).toBeVisible();
  const chips = page.locator('[data-step]');
  expect(await chips.count()).toBeLessThan(110);

  await page.getByRole('button', { name: /^Step 1, / }).focus();
  await page.keyboard.press('/');
  await page.keyboard.type('k10');
  // It comes off, is looked at, and goes back.
  await expect(page.getByText('3 steps', { exact: true })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText('On the cloth after step 13')).toBeVisible();
  await page.getByRole('textbox', { name: 'Search in the fold' }).press('Escape');
  const inHand = page.getByRole('button', { name: /^Step 13, Take off part k10s/ });
  await expect(inHand).toBeVisible();
  await inHand.focus();
  for (let i = 0; i < 30; i += 1) await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('button', { name: /^Step 43, / })).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: /^Step 459, Fit part/ })).toBeFocused();
  expect(await chips.count()).toBeLessThan(110);

  // One part forgotten in the middle of all that is named at once.
  await page.keyboard.press('Delete');
  await expect(page.getByText(/stay on the cloth: step 43 takes them off and nothing puts them back/)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('No findings. The cloth is empty at the end.')).toBeVisible();
});

test('an apprentice reads everything and changes nothing', async ({ page }) => {
  await signIn(page, 'Pia Lindqvist');
  await page.goto('/procedures/dd-40-field-balls');
  await expect(page.getByRole('button', { name: /^Step 6, Take off seat O-rings/ })).toBeVisible();
  await expect(page.getByLabel('Next step')).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Add the step' })).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Accept' })).toHaveCount(0);
  await page.getByRole('button', { name: /^Step 6/ }).focus();
  for (const key of ['b', 'f', 'x', 'Delete', 'Control+d', 't']) await page.keyboard.press(key);
  await expect(page.getByText('12 steps')).toBeVisible();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('g');
  await expect(page.getByText(/stay on the cloth/)).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog').getByText('Search in the fold')).toBeVisible();
  await expect(page.getByRole('dialog').getByText('Draft reassembly')).toHaveCount(0);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Step 5, Draw out valve seats/ }).click();
  await page.keyboard.press('w');
  await expect(page.getByRole('link', { name: 'Back to writing' })).toBeVisible();
  await page.goto('/procedures/dd-40-wet-end');
  await page.getByRole('button', { name: /^Step 6, Take off upper manifold/ }).click();
  await expect(page.getByText('pry both sides evenly: Pry off. With two wedges, opposite one another.')).toBeVisible();
});

test('at the bench the cautions of a method stand with it, and a question is answered without the network', async ({
  page,
  context,
}) => {
  await signIn(page, 'Tobias Quell');
  await startJob(page, 'Wet end service', 'SB-9100');
  const done = page.getByRole('button', { name: 'Done', exact: true });
  await stepDone(page, 5);
  await expect(page.getByRole('heading', { name: 'Take off the upper manifold' })).toBeVisible();
  await expect(page.getByText('Or: pry both sides evenly')).toBeVisible();
  await expect(page.getByText('Pried from one side the flange cracks.')).toBeVisible();
  // Another way is taken, and given up again.
  await page.getByRole('button', { name: 'Method used: pry both sides evenly' }).click();
  await expect(page.getByText('With two wedges, opposite one another.')).toBeVisible();
  await expect(page.getByText('Or: pry both sides evenly')).toHaveCount(0);
  await page.getByRole('button', { name: 'Method used: the usual method' }).click();
  await expect(page.getByText('Or: pry both sides evenly')).toBeVisible();
  await page.getByRole('button', { name: 'Continue without a photo' }).click();
  await page.getByLabel('Reason').fill('No camera on this bench');
  await page.getByRole('button', { name: 'Skip' }).click();
  await done.click();

  await context.setOffline(true);
  await expect(page.getByRole('heading', { name: 'Did the seats come out with the balls?' })).toBeVisible();
  await page.getByRole('button', { name: 'They came out' }).click();
  await done.click();
  // The step for the other answer is passed over.
  await expect(
    page.getByRole('heading', { name: 'Take off the valve seat at upper left and upper right' }),
  ).toBeVisible();
  await expect(page.getByText(/Offline, \d saved on this device/)).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText(/Offline/)).toHaveCount(0);
  await page.reload();
  await expect(
    page.getByRole('heading', { name: 'Take off the valve seat at upper left and upper right' }),
  ).toBeVisible();
});

test('a part is meant to leave the pump: said so, it is no part forgotten', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Conversion');
  await typeLines(page, ['isolate the drive', 'bleed the casing', 'take off stay bracket', 'restore the drive']);
  // Nothing is refitted yet, so what is out is one quiet line.
  await page.getByRole('button', { name: /^Reassembly not written yet/ }).click();
  await expect(page.getByText(/The stay bracket stays on the cloth/)).toBeVisible();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: /About this procedure/ }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('combobox', { name: 'Add a part that changes' }).click();
  await page.getByRole('option', { name: 'stay bracket' }).click();
  await expect(dialog.getByRole('combobox', { name: 'Kind of change' })).toHaveValue('is left out');
  await dialog.getByLabel('Purpose').fill('Takes the bracket off for good');
  await page.keyboard.press('Escape');
  await expect(page.getByText('No findings. The cloth is empty at the end.')).toBeVisible();
  await expect(page.getByText('stay bracket: not refitted')).toHaveCount(0);
  await saved(page);
  await page.reload();
  await expect(page.getByText('No findings. The cloth is empty at the end.')).toBeVisible();
});

test('what a line would do is said while it is typed', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Outlook');
  await typeLines(page, ['isolate the drive', 'bleed the casing', 'take off cover']);
  const line = page.getByLabel('Next step');
  await line.fill('draw rotor @each shaft');
  await expect(page.getByText('Would be laid in cell 2')).toBeVisible();
  await line.fill('fit cover');
  await expect(page.getByText('Would be taken from cell 1')).toBeVisible();
  await line.fill('fit gasket');
  await expect(page.getByText(/the gasket is neither on the cloth nor ready in the tray/)).toBeVisible();
  await line.fill('');
  await expect(page.getByText('New step after 3')).toBeVisible();
  await expect(page.getByText('3 steps')).toBeVisible();
});
