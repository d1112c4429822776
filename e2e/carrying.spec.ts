import sharp from 'sharp';
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

/** Everything a step has to carry: faces, consumables, tools, pictures, looks, lengths and words. */
const photo = async () => ({
  name: 'bench.png',
  mimeType: 'image/png',
  buffer: await sharp({ create: { width: 900, height: 600, channels: 3, background: 'seagreen' } })
    .png()
    .toBuffer(),
});

test('a stack is drawn while it is said, and a ring the wrong way round shows as such', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Packing');
  await typeLines(page, ['take off gland', 'draw packing ring', 'fit packing ring', 'fit gland']);
  await saved(page);
  await page.getByRole('link', { name: /^Testwick/ }).click();
  await page.getByRole('button', { name: 'New stack' }).click();
  const dialog = page.getByRole('dialog');
  for (const part of ['packing ring', 'gland']) {
    await dialog.getByLabel('Put a part on top').first().click();
    await page.getByRole('option', { name: part, exact: true }).click();
  }
  await dialog.getByLabel('Pressure acts from').first().click();
  await page.getByRole('option', { name: 'the bottom' }).click();
  await expect(dialog.getByRole('img', { name: /from the mouth down: gland, packing ring/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'packing ring', exact: true }).click();
  await page.getByRole('dialog').getByLabel('Which end').fill('lip');
  await page.getByRole('dialog').getByLabel('Faces toward').fill('the pressure');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Packing' }).click();

  await page.getByRole('button', { name: /^Step 3, Fit packing ring/ }).click();
  await addField(page, 'Faces');
  const step = page.getByRole('region', { name: 'Step' });
  await step.getByLabel('Which end').fill('lip');
  await step.getByLabel('Faces toward').fill('the gland');
  await page.keyboard.press('Enter');
  await expect(step.getByRole('img', { name: /The wrong way round: packing ring/ })).toBeVisible();
  await expect(page.getByText('elsewhere the packing ring has lip facing the pressure.')).toBeVisible();
  // Said in other words it is the same facing, and nothing is found.
  await step.getByLabel('Faces toward').fill('into the bore');
  await page.keyboard.press('Enter');
  await expect(step.getByRole('img', { name: /The wrong way round/ })).toBeHidden();
  await expect(page.getByText('elsewhere the packing ring')).toBeHidden();
});

test('grease that attacks a seal stops the release, and one key takes the right one', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Greasing');
  await typeLines(page, ['isolate the drive', 'bleed the casing', 'take off EPDM ring', 'fit EPDM ring']);
  await page.getByRole('button', { name: /^Step 4, Fit EPDM ring/ }).click();
  await addField(page, 'Apply');
  const grease = page.getByLabel('Grease, oil or compound');
  await grease.first().fill('silicone grease');
  await page.keyboard.press('Tab');
  await expect(page.getByLabel('Where', { exact: true }).first()).toBeEditable();
  await grease.first().fill('mineral grease');
  await page.keyboard.press('Tab');
  const finding = page.getByText('mineral grease attacks the EPDM of the EPDM ring.');
  await expect(finding).toBeVisible();
  await expect(page.getByRole('link', { name: '1 issue blocks release' })).toBeVisible();
  await page.getByRole('button', { name: 'Use silicone grease' }).click();
  await expect(finding).toBeHidden();
  await saved(page);
  // The library says what it knows, and where from.
  await page.getByRole('link', { name: /^Testwick/ }).click();
  await page.getByRole('button', { name: 'mineral grease', exact: true }).click();
  await expect(page.getByText('EPDM unsuitable')).toBeVisible();
  await expect(page.getByText(/Source: ISO\/TR 7620/)).toBeVisible();
});

test('a photo is put on a step, drawn on, kept editable, and shown at the bench as drawn', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Pictures');
  await typeLines(page, ['take off cover', 'fit cover ?the cover flat on its seat']);
  await addField(page, 'Pictures');
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles(await photo());
  const draw = page.getByRole('button', { name: 'Draw on it' });
  await draw.last().click();
  const dialog = page.getByRole('dialog');
  const canvas = dialog.locator('canvas').first();
  await expect(canvas).toBeVisible();
  const box = await canvas.boundingBox();
  if (!box) throw new Error('no canvas');
  const drag = async (from: [number, number], to: [number, number]) => {
    await page.mouse.move(box.x + box.width * from[0], box.y + box.height * from[1]);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width * to[0], box.y + box.height * to[1], { steps: 4 });
    await page.mouse.up();
  };
  await drag([0.2, 0.2], [0.5, 0.5]);
  await dialog.getByText('Blur', { exact: true }).click();
  await drag([0.6, 0.6], [0.9, 0.9]);
  await dialog.getByText('Ring', { exact: true }).click();
  await drag([0.1, 0.6], [0.3, 0.8]);
  await dialog.getByRole('button', { name: 'Undo' }).click();
  await dialog.getByText('Number', { exact: true }).click();
  await page.mouse.click(box.x + box.width * 0.5, box.y + box.height * 0.2);
  await dialog.getByRole('button', { name: 'Save the drawing' }).click();
  await expect(dialog).toBeHidden();
  await page.getByRole('button', { name: 'How it should look' }).click();
  await saved(page);
  await page.reload();

  const id = new URL(page.url()).pathname.split('/').at(-1);
  const { procedure } = await (await page.request.get(`/api/procedures/${id}`)).json();
  const step = procedure.document.steps.at(-1);
  const [picture] = step.pictures;
  expect(picture.marks.map(({ kind }: { kind: string }) => kind)).toEqual(['arrow', 'blur', 'number']);
  expect(step.photo.referenceId).toBe(picture.id);
  // The drawing is a photo of its own: the blurred part cannot be read back from it.
  expect(picture.flat).not.toBe(picture.photo);
  const bytes = async (hash: string) => (await page.request.get(`/api/photos/${hash}`)).body();
  const [bare, drawn] = [await bytes(picture.photo), await bytes(picture.flat)];
  const width = (await sharp(drawn).metadata()).width ?? 0;
  expect(width).toBeGreaterThan(600);
  const at = async (picture: Buffer, x: number, y: number) => {
    const { data, info } = await sharp(picture).raw().toBuffer({ resolveWithObject: true });
    const i = (Math.round(y * info.height) * info.width + Math.round(x * info.width)) * info.channels;
    return [...data.subarray(i, i + 3)];
  };
  // Along the arrow the drawing is red where the photo was green.
  const [red = 0, green = 0] = await at(drawn, 0.35, 0.35);
  expect(red).toBeGreaterThan(green);
  const [bareRed = 0, bareGreen = 0] = await at(bare, 0.35, 0.35);
  expect(bareGreen).toBeGreaterThan(bareRed);

  await page.goto(`/procedures/${id}/walk`);
  for (const _ of [1, 2]) await page.getByRole('button', { name: 'Next' }).click();
  await page.getByRole('button', { name: /^Show large/ }).click();
  await expect(page.getByRole('dialog').locator('img')).toHaveAttribute('src', `/api/photos/${picture.flat}`);
});

test('looks, lengths and places one by one are asked for at the bench and kept in the record', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Worn plungers');
  await typeLines(page, [
    'isolate the drive',
    'bleed the casing',
    'measure sleeve @each shaft /calliper',
    'restore the drive',
  ]);
  await page.getByRole('button', { name: /^Step 3, Measure sleeves/ }).click();
  await addField(page, 'Look for');
  await page.getByLabel('What to inspect').fill('the running surface');
  await page.keyboard.press('Enter');
  const addFault = page.getByLabel('Add a possible defect').first();
  await addFault.fill('a step in the diameter');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Cause')).toHaveValue(/Worn packing/);
  await addField(page, 'Measure');
  await page.getByLabel('What to measure').last().fill('outside diameter');
  await page.keyboard.press('Enter');
  await page.getByLabel('Size when new').fill('40 mm');
  await page.keyboard.press('Enter');
  await page.getByRole('textbox', { name: 'Least' }).fill('39.9 lbs');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Least' })).toHaveAttribute('aria-invalid', 'true');
  await page.getByRole('textbox', { name: 'Least' }).fill('39.9 mm');
  await page.keyboard.press('Enter');
  await addField(page, 'One by one');
  await page.getByLabel('Order of places').first().click();
  await page.getByRole('option', { name: 'one by one' }).click();
  await page.getByRole('button', { name: 'shaft 2 earlier' }).click();
  await expect(page.getByText('each shaft, shaft 2 first')).toBeVisible();
  await release(page);

  await startJob(page, 'Worn plungers', 'SB-4100');
  await stepDone(page, 2);
  // Shaft 2 first, and only shaft 2.
  await expect(page.getByRole('heading', { name: 'Measure the sleeve at shaft 2' })).toBeVisible();
  await page.getByRole('button', { name: 'OK', exact: true }).click();
  await page.getByLabel('shaft 2').last().fill('39.95');
  await page.keyboard.press('Enter');
  await expect(page.getByText('within', { exact: true })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Done at shaft 2' })).toBeEnabled();
  // The size stands in its field still; it was entered, and a space goes on.
  await page.keyboard.press(' ');
  await expect(page.getByRole('heading', { name: 'Measure the sleeve at shaft 1' })).toBeVisible();
  await page.getByRole('button', { name: 'a step in the diameter' }).click();
  await expect(page.getByText('Renew it.')).toBeVisible();
  await page.getByLabel('shaft 1').last().fill('39.8');
  await page.keyboard.press('Enter');
  await expect(page.getByText('under the limit', { exact: true })).toBeVisible();
  await stepDone(page, 2);
  await page.getByRole('button', { name: 'Finish and seal the record' }).click();
  await expect(page.getByText('shaft 1, outside diameter: 39.8 mm under the limit')).toBeVisible();
  await expect(page.getByText('shaft 1, the running surface: a step in the diameter').last()).toBeVisible();
});

test('own words are compared with the step, and the words of the workshop are put right by a key', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await page.goto('/settings');
  await page.getByLabel('New word to say').fill('bore');
  await page.getByLabel('Word it replaces').fill('hole');
  await page.getByRole('button', { name: 'Add the word' }).click();
  await expect(page.getByRole('textbox', { name: 'Say', exact: true }).last()).toHaveValue('bore');
  await newProcedure(page, 'Words');
  await typeLines(page, ['torque 4 cover bolts =45 N·m /torque wrench']);
  await addField(page, 'Own words');
  await page
    .getByLabel("The sentence in the trainer's own words")
    .fill('Torque the cover bolts round the hole to 54 N·m with the torque wrench.');
  await page.keyboard.press('Control+Enter');
  await expect(page.getByText('its sentence says the figure "54 N·m", the step does not.')).toBeVisible();
  await expect(page.getByText('says "hole"; here it is called "bore".')).toBeVisible();
  await page.getByRole('button', { name: 'Use "bore"' }).click();
  await expect(page.getByText(/round the bore to 54/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Rebuild the sentence' }).click();
  await expect(page.getByText('its sentence says')).toBeHidden();

  // The reader's units are a matter of the reader; the step keeps what was given.
  await saved(page);
  const author = page.url();
  await page.goto('/settings');
  await page.getByText('US', { exact: true }).click();
  await page.goto(author);
  await expect(page.getByText('33.2 lbf·ft (45 N·m)')).toBeVisible();
  await expect(page.getByLabel('Torque figure with unit')).toHaveValue('45 N·m');
});

test('the field has methods of its own, chosen before the first step', async ({ page }) => {
  await signIn(page, 'Mara Oduya');
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'Start a job' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Instruction').click();
  await page.getByRole('option', { name: /Rotor, stator and joints/ }).click();
  await dialog.getByLabel('Work order').fill('SB-4200');
  await dialog.getByLabel('Pump serial number').fill('30-0007');
  await dialog.getByLabel('Customer').fill('Tile works');
  await dialog.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Before you begin' })).toBeVisible();
  await expect(page.getByText('It rolls off: keep feet clear and the stands level.')).toBeHidden();
  await page.getByRole('button', { name: 'In the field' }).click();
  await expect(page.getByText('It rolls off: keep feet clear and the stands level.')).toBeVisible();
  await page.getByRole('button', { name: 'I have read it: begin' }).click();
  await stepDone(page, 5);
  await expect(page.getByRole('heading', { name: 'Draw out the stator' })).toBeVisible();
  await expect(page.getByText('on two roller stands')).toBeVisible();
  await expect(page.getByText('roller stands, pair')).toBeVisible();
});

test('the tool list is computed, with order numbers, hands and calibration', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await page.goto('/procedures/es-40-packing');
  await expect(page.getByText('53 steps')).toBeVisible();
  await page.getByRole('button', { name: /^Step 53/ }).focus();
  await page.keyboard.press('l');
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('row', { name: /packing hook ES-T-04 20, 21, 22 1/ })).toBeVisible();
  await expect(dialog.getByText(/TW-03: calibration expired/)).toBeVisible();
  await expect(dialog.getByText('anti-seize paste')).toHaveCount(2);
});
