import { addField, expect, newProcedure, newProcedureByHand, saved, signIn, test, typeLines } from './workshop';

const TEARDOWN = [
  'isolate the drive /padlock !!!Lock the switch and keep the key ~5',
  'bleed the casing /drain hose !!Liquid under pressure can injure',
  'drain the gear oil /drip tray ~4',
  'loosen 8 cover nuts /socket, 17 mm',
  'take off cover nuts /socket, 17 mm',
  'take off cover /plastic wedge ?rotors in place ~3',
  'take off cover O-ring /pick',
  'take off 1 rotor nut @each shaft /socket, 36 mm',
  'take off cup washer @each shaft',
  'draw rotor @each shaft /rotor puller',
  'draw stationary rings @each shaft /hook tool',
  'inspect rotor /lamp',
  'measure rotor /micrometer',
  'clean seal pocket @each shaft',
  'renew stationary ring',
  'renew cover O-ring',
  'press stationary ring into the seal pocket @each shaft /ring pusher, 50 mm !Press by hand only',
  'fit rotor @each shaft',
  'fit cup washer @each shaft',
  'start by hand rotor nut @each shaft',
  'torque rotor nut @each shaft =92 N·m /torque wrench, 20-120 N·m',
  'fit cover O-ring into the groove',
  'fit cover',
];
const CLOSE = [
  'start by hand cover nuts',
  'torque cover nuts =33 ft-lb /torque wrench, 20-120 N·m',
  'fill the gear oil',
  'restore the drive',
];

test('a trainer writes a procedure from the keyboard, is stopped while a part is left over, and releases it', async ({
  page,
}) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Typed seal renewal');

  await typeLines(page, TEARDOWN.slice(0, 5), 'by-key');
  await typeLines(page, TEARDOWN.slice(5));
  await expect(page.getByText('23 steps')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Step 10, Draw out rotors' })).toBeVisible();
  await expect(page.getByText('cover nuts: not refitted')).toBeVisible();
  await expect(
    page.getByText('The eight cover nuts stay on the cloth: step 5 takes them off and nothing puts them back.'),
  ).toBeVisible();
  await saved(page);

  await page.getByRole('link', { name: '1 issue blocks release' }).click();
  await expect(page.getByText('These block release')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Release number 1' })).toBeDisabled();
  await page.getByRole('link', { name: 'Back to writing' }).click();

  await typeLines(page, CLOSE, 'by-key');
  await expect(page.getByRole('link', { name: 'Release', exact: true })).toBeVisible();
  await expect(page.getByText('has no source.')).toHaveCount(2);
  await saved(page);
  // A reload in the middle finds everything as it was.
  await page.reload();
  await expect(page.getByText('27 steps')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Step 25, Torque cover nuts, Torque' })).toBeVisible();

  await page.getByRole('link', { name: 'Release', exact: true }).click();
  await page.getByLabel('What is new').fill('First release');
  await page.getByRole('button', { name: 'Release number 1' }).click();
  await expect(page.getByText('Release 1 is ready for the bench.')).toBeVisible();
  await expect(page.getByText('Release 1', { exact: true }).first()).toBeVisible();
});

test('completion knows what the series holds, and a line that makes no sense says why', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Completion');
  await typeLines(page, ['take off 8 cover nuts /socket, 17 mm', 'draw rotor @each shaft']);
  const line = page.getByLabel('Next step');
  await line.pressSequentially('torq');
  await page.keyboard.press('Tab');
  await line.pressSequentially('cov');
  await page.keyboard.press('Tab');
  await line.pressSequentially(' /soc');
  await page.keyboard.press('Tab');
  await expect(line).toHaveValue('torque cover nuts /socket, 17 mm');
  await line.pressSequentially(' =45');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('"45" is not a torque: say the unit as well');
  await line.pressSequentially(' N·m');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /Step 3, Torque cover nuts/ })).toBeVisible();

  await line.fill('caress the rotor');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('"caress" is not a known verb');
  await expect(line).toHaveValue('caress the rotor');
});

test('a line is written as one says it: two actions are two steps, and what is not clear is asked', async ({
  page,
}) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'As one says it');
  const line = page.getByLabel('Next step');
  const understood = page.getByRole('status', { name: 'Understood as' });
  const step = (number: number, title: string) => page.getByRole('button', { name: `Step ${number}, ${title}` });

  // As a tablet's microphone writes it.
  await line.fill('Undo the eight cover nuts with a seventeen millimetre socket. Then lift the cover off.');
  await expect(understood).toContainText('Take off the eight cover nuts with socket, 17 mm.');
  await expect(understood).toContainText('Take off the cover.');
  await expect(understood).toContainText('new part: cover nut');
  await expect(understood).toContainText('new tool: socket');
  await page.keyboard.press('Enter');
  await expect(step(2, 'Take off cover')).toBeVisible();

  // "It" is the cover; a caution that stands alone belongs to the step in hand.
  await line.fill('Lay it on a flat surface, be careful not to scratch the face.');
  await page.keyboard.press('Enter');
  await expect(step(3, 'Lay down cover')).toBeVisible();

  // "The nuts" are those that were taken off; any nuts are asked about, and Tab takes the likeliest.
  await line.fill('clean the nuts with a brush');
  await expect(understood).toContainText('Clean the eight cover nuts');
  await line.fill('clean any nuts with a brush');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('Which nuts?');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Tab');
  await expect(line).toHaveValue('clean any cover nuts with a brush');
  await page.keyboard.press('Enter');
  await expect(step(4, 'Clean cover nuts')).toBeVisible();

  // A figure without a unit is asked about as well.
  await line.fill('tighten the cover nuts to 45');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('45: which unit?');
  await page.getByRole('button', { name: '45 lbf·ft' }).click();
  await expect(line).toHaveValue('tighten the cover nuts to 45 lbf·ft');
  await expect(understood).toContainText('Torque the eight cover nuts to 45 lbf·ft.');
  await page.keyboard.press('Enter');
  await expect(step(5, 'Torque cover nuts')).toBeVisible();
  await saved(page);
});

test('a step that belongs elsewhere is added where it is typed, or there on request', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Elsewhere');
  await typeLines(page, ['isolate the drive', 'take off cover', 'inspect cover', 'take off seal']);
  const titles = page.getByRole('button', { name: /^Step \d+,/ });
  await expect(titles).toHaveCount(4);
  const line = page.getByLabel('Next step');
  await line.fill('release the pressure of the pump');
  await expect(page.getByText('This usually belongs in Make safe.')).toBeVisible();
  await page.keyboard.press('Control+Enter');
  await expect(page.getByRole('button', { name: 'Step 2, Release the pressure of the pump' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Step 4, Inspect cover' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Step 5, Take off seal' })).toBeVisible();
});

test('steps are reordered by keyboard and by dragging, duplicated, deleted, and all of it undone', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Order');
  await typeLines(page, ['take off cover', 'take off gasket', 'draw rotor @each shaft']);
  const step = (number: number, title: string) => page.getByRole('button', { name: `Step ${number}, ${title}` });

  await step(3, 'Draw out rotors').focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect(step(2, 'Draw out rotors')).toBeFocused();
  await page.keyboard.press('ArrowUp');
  await expect(step(1, 'Take off cover')).toBeFocused();
  await page.keyboard.press('Control+d');
  await expect(step(2, 'Take off cover')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(step(2, 'Draw out rotors')).toBeVisible();

  const from = await step(3, 'Take off gasket').boundingBox();
  const to = await step(1, 'Take off cover').boundingBox();
  if (!from || !to) throw new Error('no chips');
  await page.mouse.move(from.x + 40, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(from.x + 40, from.y - 10, { steps: 4 });
  await page.mouse.move(to.x + 40, to.y + 6, { steps: 8 });
  await page.mouse.up();
  await expect(step(1, 'Take off gasket')).toBeVisible();

  await step(1, 'Take off gasket').click();
  await page.keyboard.press('Delete');
  await expect(page.getByText('"Take off gasket" is deleted.')).toBeVisible();
  await page.getByRole('alert').getByRole('button', { name: 'Undo' }).click();
  await expect(step(1, 'Take off gasket')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(step(1, 'Take off cover')).toBeVisible();
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(step(1, 'Take off gasket')).toBeVisible();
});

test('every field of a step can be filled in, and the cloth follows the step in hand', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Fields');
  await typeLines(page, ['take off cover', 'draw rotor @each shaft', 'torque 4 bolts']);
  for (const field of ['Faces', 'Apply', 'Caution', 'How', 'Why', 'Photo check', 'Minutes']) {
    await addField(page, field);
  }
  const fill = async (label: string, text: string) => {
    await page.getByRole('textbox', { name: label, exact: true }).last().fill(text);
    await page.keyboard.press('Tab');
  };
  await fill('Torque figure with unit', '218 pounds');
  await expect(page.getByText('that is a unit of something else; use N·m')).toBeVisible();
  await fill('Torque figure with unit', '218 in-lb');
  await expect(page.locator('p').filter({ hasText: 'Torque the four bolts to 218 lbf·in' })).toBeVisible();
  await fill('Which end', 'stamped side');
  await fill('Faces toward', 'the cover');
  await fill('How', 'Crosswise');
  await fill('Why', 'It closes square');
  await fill('Caution', 'Keep fingers clear');
  await fill('Photo check', 'All four bolts');
  await page.getByRole('combobox', { name: 'Grease, oil or compound' }).fill('thread-locker');
  await page.keyboard.press('Tab');
  await page.getByRole('textbox', { name: 'Minutes' }).fill('7');
  await expect(page.locator('p').filter({ hasText: 'stamped side facing the cover' })).toBeVisible();
  await expect(page.getByText('CAUTIONKeep fingers clear', { exact: true })).toBeVisible();

  await page.getByRole('button', { name: 'About bolt' }).click();
  await page.getByLabel('Pieces').fill('6');
  await page.keyboard.press('Escape');
  await expect(page.locator('p').filter({ hasText: 'Torque the six bolts' })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Which end' })).toHaveValue('stamped side');
  await expect(page.getByRole('combobox', { name: 'Grease, oil or compound' }).first()).toHaveValue('thread-locker');

  await page.getByRole('button', { name: 'Step 1, Take off cover' }).click();
  await expect(page.getByText('On the cloth after step 1')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Cell 1, cover' })).toBeVisible();
  await expect(page.getByRole('button', { name: /Cell 2/ })).toHaveCount(0);
  await page.getByRole('button', { name: /Step 2, Draw out rotors/ }).click();
  await page.getByRole('button', { name: 'Cell 1, cover' }).click();
  await page.getByRole('button', { name: '1 Take off cover', exact: true }).click();
  await expect(page.getByText('On the cloth after step 1')).toBeVisible();
});

test('a stale tab is told, sees both versions, and loses nothing', async ({ page, context }) => {
  await signIn(page, 'Ines Harrowgate');
  const { code } = await newProcedure(page, 'Two tabs');
  await typeLines(page, ['take off cover', 'draw rotor @each shaft']);
  await saved(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByText('2 steps')).toBeVisible();

  await typeLines(page, ['inspect rotor']);
  await saved(page);
  await typeLines(other, ['clean rotor']);
  const dialog = other.getByRole('dialog');
  await expect(dialog.getByText('Also changed somewhere else')).toBeVisible();
  await expect(dialog.getByText('new: 3 Clean rotors')).toBeVisible();
  await expect(dialog.getByText('new: 3 Inspect rotors')).toBeVisible();
  await dialog.getByRole('button', { name: 'Merge both' }).click();
  await expect(other.getByText('4 steps')).toBeVisible();
  await saved(other);

  // Now both change the same words; mine is kept as a copy.
  const say = async (tab: typeof page, text: string) => {
    await tab.getByRole('button', { name: /Step 1, Take off cover/ }).click();
    await addField(tab, 'Why');
    await tab.getByRole('textbox', { name: 'Why' }).fill(text);
    await tab.keyboard.press('Tab');
  };
  await page.reload();
  await expect(page.getByText('4 steps')).toBeVisible();
  await say(other, 'said there');
  await saved(other);
  await say(page, 'said here');
  await expect(page.getByText('1 conflict')).toBeVisible();
  await page.getByRole('button', { name: 'Keep both (mine as a copy)' }).click();
  await expect(page.getByText('is on the shelf as "Two tabs (copy)"')).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Why' })).toHaveValue('said there');
  await page.getByRole('link', { name: `Testwick ${code}` }).click();
  await page.getByRole('link', { name: 'Two tabs (copy)' }).click();
  await page.getByRole('button', { name: /Step 1, Take off cover/ }).click();
  await expect(page.getByRole('textbox', { name: 'Why' })).toHaveValue('said here');
});

test('what is typed without a server is kept on the device and saved when it is back', async ({ page, context }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'No network');
  await typeLines(page, ['take off cover']);
  await saved(page);
  await context.setOffline(true);
  await typeLines(page, ['draw rotor @each shaft']);
  await expect(page.getByText('Saved on this device; server not reachable')).toBeVisible();
  await context.setOffline(false);
  await saved(page);
  await page.reload();
  await expect(page.getByText('2 steps')).toBeVisible();
});

test('a part typed by mistake can be deleted; one in use cannot, and it is said why', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  const { code } = await newProcedure(page, 'Misspelt');
  await typeLines(page, ['take off coverr', 'take off "cover" /spaner']);
  await page.getByRole('button', { name: 'Step 1, Take off coverr' }).focus();
  await page.keyboard.press('Delete');
  await saved(page);
  await page.getByRole('link', { name: `Testwick ${code}` }).click();
  await page.getByRole('button', { name: 'Delete cover', exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByText('"Misspelt" still uses what would be gone.')).toBeVisible();
  await expect(page.getByRole('cell', { name: 'cover', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Delete coverr' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByRole('cell', { name: 'coverr' })).toHaveCount(0);
});

test('a series goes out as a package and comes back; a broken file is told fault by fault', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await page.goto('/series/pellwick-rl-50');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Export package' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('rl-50.fukusa.json');
  const path = await file.path();

  await page.goto('/');
  await page.getByRole('button', { name: 'Import a package' }).click();
  const chooser = page.getByRole('dialog').locator('input[type=file]');
  await chooser.setInputFiles({
    name: 'broken.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"fukusa/1","series":{},"procedures":[]}'),
  });
  await expect(page.getByRole('alert')).toContainText('series.name');
  await expect(page.getByRole('button', { name: 'Import', exact: true })).toBeDisabled();
  await chooser.setInputFiles({
    name: 'later.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"fukusa/9"}'),
  });
  await expect(page.getByRole('alert')).toContainText('from a newer version');

  await chooser.setInputFiles(path);
  await expect(page.getByText('No errors.')).toBeVisible();
  await page.getByRole('button', { name: 'Import', exact: true }).click();
  await expect(page.getByText('This series is on the shelf already.')).toBeVisible();
  await page.getByRole('button', { name: 'Import', exact: true }).click();
  await expect(page.getByText('is on the shelf.', { exact: false }).first()).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Pellwick RL-50', level: 1 })).toBeVisible();
  expect(page.url()).not.toContain('pellwick-rl-50');
});

test('the way back is drafted from the way down with one key, completed and confirmed; findings mend themselves', async ({
  page,
}) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Drafted way back');
  await typeLines(page, ['isolate the drive', 'take off 8 cover nuts', 'take off cover', 'draw rotor @each shaft']);
  await page.getByRole('button', { name: 'Step 4, Draw out rotors' }).focus();
  await page.keyboard.press('b');
  await expect(page.getByText('5 steps are drafted.')).toBeVisible();
  for (const title of [
    'Step 5, Fit rotors',
    'Step 6, Fit cover',
    'Step 7, Start by hand cover nuts',
    'Step 8, Torque cover nuts',
    'Step 9, Restore the drive',
  ]) {
    await expect(page.getByRole('button', { name: title })).toBeVisible();
  }
  await expect(page.getByText('Drafted from the teardown.')).toBeVisible();
  await page.getByRole('button', { name: 'Confirm', exact: true }).click();
  await expect(page.getByText('4 drafted steps are not confirmed.')).toBeVisible();

  // Completing a step is not yet confirming what was drafted in it.
  await page.getByRole('button', { name: 'Step 8, Torque cover nuts' }).click();
  await page.getByRole('textbox', { name: 'Torque figure with unit' }).fill('45 N·m');
  await page.keyboard.press('Tab');
  await expect(page.getByText('4 drafted steps are not confirmed.')).toBeVisible();
  await page.getByRole('button', { name: 'Confirm', exact: true }).click();
  await expect(page.getByText('3 drafted steps are not confirmed.')).toBeVisible();
  await page.getByRole('button', { name: 'Confirm all' }).click();
  await expect(page.getByText('not confirmed')).toHaveCount(0);

  // One more part in the teardown: its fix puts the one missing step where it belongs, and can be undone.
  await page.getByRole('button', { name: 'Step 4, Draw out rotors' }).click();
  await typeLines(page, ['take off lock plate']);
  await expect(
    page.getByText('The lock plate stays on the cloth: step 5 takes it off and nothing puts it back.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Add the step' }).click();
  await expect(page.getByRole('button', { name: 'Step 6, Fit lock plate' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(page.getByText('The lock plate stays on the cloth')).toBeVisible();
});

test('a new series is typed from plain sentences, its way back drafted, filled in and released', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedureByHand(page, 'Seal change');
  const sentences = [
    'Switch off the motor and lock out the isolator.',
    'Close the suction valve and the discharge valve.',
    'Release the pressure at the drain cock.',
    'Drain the gear oil into a tray.',
    'Undo the eight cover nuts with a 17 mm socket.',
    'Take the front cover off, it is heavy.',
    'Peel the cover gasket off.',
    'Take out the rotor nut with a 30 mm socket, then slide the rotor off the shaft.',
    'Hook out the lip seal with a pick, do not scratch the bore.',
    'Check the rotor for scoring and cracks.',
  ];
  const plain = sentences.join('\n').length;
  let keys = 0;
  for (const sentence of sentences) {
    await page.getByLabel('Next step').fill(sentence);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Enter');
    keys += sentence.length + 1;
    await expect(page.getByLabel('Next step')).toHaveValue('');
    const none = page.getByRole('button', { name: 'None of these' });
    if (await none.isVisible()) await none.click();
  }
  await page.getByRole('button', { name: /^Step 1, / }).focus();
  await page.keyboard.press('b');
  keys += 1;
  await expect(page.getByText(/steps are drafted/)).toBeVisible();
  for (const [step, figure] of [
    [/^Step \d+, Torque rotor nut/, '40 N·m'],
    [/^Step \d+, Torque cover nuts/, '22 N·m'],
  ] as const) {
    await page.getByRole('button', { name: step }).click();
    await page.getByLabel('Torque figure with unit', { exact: true }).fill(figure);
    await page.keyboard.press('Enter');
    keys += figure.length + 1;
  }
  // Every drafted step is looked at: c confirms it and goes to the next.
  await page.getByRole('button', { name: /^Step 13, Renew/ }).click();
  for (let step = 13; step <= 24; step += 1) {
    await page.keyboard.press('c');
    keys += 1;
  }
  await expect(page.getByRole('button', { name: 'Confirm', exact: true })).toBeHidden();
  // The teardown was said once; its way back cost hardly more. As plain text it would have been written out in full.
  expect(keys).toBeLessThan(plain * 1.1);
  await saved(page);
  await page.getByRole('link', { name: 'Release', exact: true }).click();
  await page.getByLabel('What is new').fill('First release');
  await page
    .getByRole('button', { name: /^Release/ })
    .last()
    .click();
  await expect(page.getByText(/Release 1/).first()).toBeVisible();
});
