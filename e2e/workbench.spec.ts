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

/** A part taken off and never put back, over one that is. */
const FRAYED = [
  'isolate the drive',
  'bleed the casing',
  'take off cover',
  'take off gasket',
  'fit cover',
  'restore the drive',
];

test('the fold: pairs show under the pointer, stages fold away, a search finds, and a key fills the gap', async ({
  page,
}) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Gap');
  await typeLines(page, FRAYED);
  const chip = (name: RegExp) => page.getByRole('button', { name });

  await chip(/^Step 3, Take off cover/).hover();
  await expect(chip(/^Step 5, Fit cover/)).toHaveClass(/partner/);
  await page.getByRole('button', { name: /^Make safe \/ Test/ }).click();
  await expect(chip(/^Step 1, Isolate/)).toHaveCount(0);
  await page.getByRole('button', { name: /^Make safe \/ Test/ }).click();
  await expect(chip(/^Step 1, Isolate/)).toBeVisible();

  await chip(/^Step 4, Take off gasket/).focus();
  await page.keyboard.press('/');
  await page.keyboard.type('gasket');
  await expect(page.getByText('1 step', { exact: true })).toBeVisible();
  await expect(chip(/^Step 3, Take off cover/)).toHaveCount(0);
  await page.keyboard.press('Escape');

  await expect(page.getByText('gasket: not refitted')).toBeVisible();
  await chip(/^Step 4, Take off gasket/).focus();
  await page.keyboard.press('f');
  await expect(page.getByText('gasket: not refitted')).toHaveCount(0);
  await expect(chip(/^Step 5, Fit gasket/)).toBeVisible();
  await expect(page.getByText('Drafted from the teardown.')).toBeVisible();
  await page.getByRole('button', { name: 'Confirm', exact: true }).click();
  await expect(page.getByText('Drafted from the teardown.')).toHaveCount(0);
});

test('a warning is let stand for a reason, which the release shows, and can be counted again', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Stands');
  await typeLines(page, ['isolate the drive', 'take off cover', 'fit cover', 'restore the drive']);
  const findings = page.getByRole('region', { name: 'Findings' });
  await expect(findings.getByText(/before the pressure is released/)).toBeVisible();
  await page.getByRole('button', { name: /^Step 4/ }).focus();
  await page.keyboard.press('g');
  await expect(page.getByText('On the cloth after step 2')).toBeVisible();
  await page.keyboard.press('a');
  const reason = page.getByRole('textbox', { name: /Reason/ });
  await expect(reason).toBeFocused();
  await reason.fill('no');
  await page.keyboard.press('Control+Enter');
  await expect(findings.getByText('Give the reason in a few words.')).toBeVisible();
  await reason.fill('It comes in flushed, on a pallet');
  await page.keyboard.press('Control+Enter');
  await expect(findings.getByRole('button', { name: /^Accepted/ })).toBeVisible();
  await saved(page);
  await page.getByRole('link', { name: 'Release', exact: true }).click();
  await expect(page.getByText('Accepted: It comes in flushed, on a pallet')).toBeVisible();
  await page.getByRole('link', { name: 'Back to writing' }).click();
  await findings.getByRole('button', { name: /^Accepted/ }).click();
  await findings.getByRole('button', { name: 'Undo acceptance' }).click();
  await expect(findings.getByRole('button', { name: /^Warnings/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(findings.getByRole('button', { name: /^Accepted/ })).toBeVisible();
});

test('a question is written, walked through both ways, and asked at the bench', async ({ page, browser }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Branch');
  await typeLines(page, [
    'isolate the drive',
    'bleed the casing',
    'take off ball',
    'draw seat',
    'fit seat',
    'fit ball',
    'restore the drive',
  ]);
  await page.getByRole('button', { name: /^Step 3, Take off ball/ }).click();
  await addField(page, 'Question');
  await page.getByRole('textbox', { name: 'Question', exact: true }).fill('Did the seat stay behind?');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('textbox', { name: 'Answer 2' })).toHaveValue('no');
  await expect(page.getByText('asks a question and no step depends on the answer.')).toBeVisible();
  for (const step of [/^Step 4, Draw out seat/, /^Step 5, Fit seat/]) {
    await page.getByRole('button', { name: step }).click();
    await addField(page, 'Only when');
    await page.getByRole('combobox', { name: 'Which question' }).click();
    await page.getByRole('option', { name: /Did the seat stay behind/ }).click();
  }
  await expect(page.getByText('Only when step 3 is answered "yes"')).toBeVisible();
  await expect(page.getByText('asks a question')).toHaveCount(0);
  await expect(page.getByText('No findings', { exact: false })).toBeVisible();
  await saved(page);

  await page.getByRole('link', { name: 'Preview' }).click();
  await expect(page.getByRole('heading', { name: 'Before you begin' })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: 'Isolate the drive' })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: 'answer needed' })).toBeDisabled();
  await page.getByRole('button', { name: 'no', exact: true }).click();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: 'Fit the ball' })).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await page.getByRole('button', { name: 'yes', exact: true }).click();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: 'Draw out the seat' })).toBeVisible();
  for (let i = 0; i < 4; i += 1) await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: 'End of the procedure' })).toBeVisible();

  await page.getByRole('link', { name: 'Back to writing' }).click();
  await page.getByRole('link', { name: 'Release', exact: true }).click();
  await page.getByRole('button', { name: 'Release number 1' }).click();
  await expect(page.getByText('Release 1 is ready for the bench.')).toBeVisible();

  const bench = await (await browser.newContext()).newPage();
  await signIn(bench, 'Mara Oduya');
  await startJob(bench, 'Branch', 'SB-9001');
  await stepDone(bench, 2);
  await expect(bench.getByRole('button', { name: 'answer needed' })).toBeDisabled();
  await bench.getByRole('button', { name: 'no', exact: true }).click();
  await stepDone(bench);
  await expect(bench.getByRole('heading', { name: 'Fit the ball' })).toBeVisible();
  // Going back, the answer is still there and can be another.
  await bench.getByRole('button', { name: 'Back', exact: true }).click();
  await expect(bench.getByRole('button', { name: 'no', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await bench.getByRole('button', { name: 'yes', exact: true }).click();
  await stepDone(bench);
  await expect(bench.getByRole('heading', { name: 'Draw out the seat' })).toBeVisible();
  await bench.reload();
  await expect(bench.getByRole('heading', { name: 'Draw out the seat' })).toBeVisible();
  await stepDone(bench, 4);
  await bench.getByRole('button', { name: 'Finish and seal the record' }).click();
  await expect(bench.getByText('Did the seat stay behind?')).toBeVisible();
  await bench.context().close();
});

test('a question is asked at each place, and what follows is done where it was answered so', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Each shaft');
  await typeLines(page, [
    'isolate the drive',
    'bleed the casing',
    'take off ball @each shaft',
    'draw seat @each shaft',
    'fit seat @each shaft',
    'fit ball @each shaft',
    'restore the drive',
  ]);
  await page.getByRole('button', { name: /^Step 3, Take off ball/ }).click();
  await addField(page, 'Question');
  await page.getByRole('textbox', { name: 'Question', exact: true }).fill('Did the seat stay behind?');
  await page.keyboard.press('Tab');
  await page.getByRole('combobox', { name: 'Where it is asked' }).click();
  await page.getByRole('option', { name: 'Asked at each shaft' }).click();
  for (const step of [/^Step 4, Draw out seat/, /^Step 5, Fit seat/]) {
    await page.getByRole('button', { name: step }).click();
    await addField(page, 'Only when');
    await page.getByRole('combobox', { name: 'Which question' }).click();
    await page.getByRole('option', { name: /Did the seat stay behind/ }).click();
  }
  await expect(page.getByText('No findings', { exact: false })).toBeVisible();
  await release(page);

  await startJob(page, 'Each shaft', 'SB-4004');
  await stepDone(page, 2);
  await expect(page.getByText('3 of 7')).toBeVisible();
  await page.getByRole('group', { name: 'shaft 1' }).getByRole('button', { name: 'no' }).click();
  await expect(page.getByRole('button', { name: /answer/i })).toBeDisabled();
  await page.getByRole('group', { name: 'shaft 2' }).getByRole('button', { name: 'yes' }).click();
  await stepDone(page);
  // The seat stayed at shaft 2 only.
  await expect(page.getByRole('heading', { name: 'Draw out the seat at shaft 2' })).toBeVisible();
  await stepDone(page);
  await expect(page.getByRole('heading', { name: 'Fit the seat at shaft 2' })).toBeVisible();
});

test('steps are done together, one place after the other, with parts on the bench to begin with', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Block');
  await typeLines(page, ['fit seal @each shaft +silicone grease', 'fit rotor @each shaft']);
  await expect(page.getByText(/is neither on the cloth nor ready in the tray|are neither/).first()).toBeVisible();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: /About this procedure/ }).click();
  await page.getByRole('checkbox', { name: /Starts with parts on the bench/ }).check();
  await page.keyboard.press('Escape');
  await expect(page.getByText('No findings. The cloth is empty at the end.')).toBeVisible();
  await page.getByRole('button', { name: /^Step 2, Fit rotors/ }).click();
  await addField(page, 'One by one');
  await page.getByRole('combobox', { name: 'Order of places' }).click();
  await page.getByRole('option', { name: 'with the previous step, place by place' }).click();
  await expect(page.getByText('Steps 1 to 2 are done together, one place after the other')).toBeVisible();
  await expect(page.getByText('No findings. The cloth is empty at the end.')).toBeVisible();
  await release(page);
  await startJob(page, 'Block', 'SB-5005');
  for (const told of ['the seal at shaft 1', 'the rotor at shaft 1', 'the seal at shaft 2', 'the rotor at shaft 2']) {
    await expect(page.getByRole('heading', { name: `Fit ${told}`, exact: false, level: 1 })).toBeVisible();
    await stepDone(page);
  }
  await expect(page.getByRole('button', { name: 'Finish and seal the record' })).toBeVisible();
});

test('what lies over a part is presumed, struck out or confirmed, and says what must come off to reach it', async ({
  page,
}) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Structure');
  await typeLines(page, [
    'take off side plate',
    'take off cover',
    'draw seal',
    'fit cover',
    'fit seal',
    'fit side plate',
  ]);
  await expect(page.getByText('the cover fits over the seal, which is not yet back in')).toBeVisible();
  await page.getByRole('button', { name: /^Step 3, Draw out seal/ }).click();
  await page.getByRole('button', { name: 'About seal' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('listitem')).toHaveText(['side plate, from the order', 'cover, from the order']);
  await dialog.getByRole('button', { name: 'side plate is not in the way' }).click();
  await dialog.getByRole('button', { name: 'cover covers it' }).click();
  // The cover still needs the side plate away, as far as anybody said.
  await expect(dialog.getByRole('listitem')).toHaveText(['side plate, from the order', 'cover, covers it']);
  await page.keyboard.press('Escape');
  // What was presumed is sure now: put back first, the cover is a stop.
  await expect(page.getByRole('link', { name: '1 issue blocks release' })).toBeVisible();
  await page.getByRole('button', { name: /^Step 4, Fit cover/ }).focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect(page.getByText('the cover fits over')).toHaveCount(0);
  await expect(page.getByRole('link', { name: '1 issue blocks release' })).toHaveCount(0);
});

test('fewer tool changes are found beside the screen, shown, and used as one edit', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Tools');
  await typeLines(page, [
    'take off 4 nuts @shaft 1 /socket',
    'draw cover @shaft 1 /puller',
    'take off 4 nuts @shaft 2 /socket',
    'draw cover @shaft 2 /puller',
  ]);
  await page.getByRole('button', { name: /^Step 4/ }).focus();
  await page.keyboard.press('t');
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText('Take down: 2 tools picked up instead of 4')).toBeVisible();
  await expect(dialog.getByText('No possible order needs fewer.')).toBeVisible();
  await dialog.getByRole('button', { name: 'Use this order' }).click();
  await expect(page.getByRole('button', { name: /^Step 2, Take off nuts/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Step 2, Draw out cover/ })).toBeVisible();
});

test('the cloth: scrubbing moves the parts, a cell tells its journey, and the mat is printed to scale', async ({
  page,
}) => {
  await signIn(page, 'Ines Harrowgate');
  await page.goto('/procedures/dd-40-wet-end');
  await page.getByRole('slider', { name: 'Steps done' }).focus();
  await page.keyboard.press('Home');
  await expect(page.getByText('Before the first step')).toBeVisible();
  await expect(page.getByText('The cloth is empty', { exact: true })).toBeVisible();
  for (let i = 0; i < 6; i += 1) await page.keyboard.press('ArrowRight');
  await expect(page.getByText('On the cloth after step 6')).toBeVisible();
  await page.getByRole('button', { name: 'Cell 2, upper manifold' }).click();
  const details = page.getByRole('region', { name: 'About this cell' });
  await expect(details.getByRole('button', { name: '6 Take off upper manifold' })).toBeVisible();
  await details.getByRole('button', { name: '48 Fit upper manifold' }).click();
  await expect(page.getByText('On the cloth after step 48')).toBeVisible();

  await page.getByRole('button', { name: 'Print the cloth' }).click();
  const link = page.getByRole('link', { name: 'One A3 sheet' });
  const address = await link.getAttribute('href');
  const mat = await page.request.get(address ?? '');
  expect(mat.headers()['content-type']).toBe('application/pdf');
});

test('on a way of its own a step shows the cloth of that way', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await page.goto('/procedures/dd-40-wet-end');
  await page.getByRole('button', { name: /^Step 9, Take off valve seats/ }).click();
  await expect(page.getByText('Only when step 7 is answered "They came out"')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Cell \d+, 2 valve seats/ })).toBeVisible();
});

test('everything is a key away: the palette goes anywhere and "?" lists the keys', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await page.goto('/procedures/dd-40-wet-end');
  await expect(page.getByText('52 steps')).toBeVisible();
  await page.keyboard.press('?');
  const keys = page.getByRole('dialog');
  await expect(keys.getByText('Draft reassembly')).toBeVisible();
  await expect(keys.getByText('Preview as a technician')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(keys).toBeHidden();
  await page.keyboard.press('Control+k');
  await expect(page.getByPlaceholder('Type what you want to do, or a step')).toBeFocused();
  await page.keyboard.type('torque diaphragm');
  await page.keyboard.press('Enter');
  await expect(page.getByText('On the cloth after step 38')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Step 38, Torque diaphragm nuts/ })).toBeVisible();
  await page.keyboard.press(']');
  await expect(page.getByText('On the cloth after step 39')).toBeVisible();
  await page.keyboard.press('n');
  await expect(page.getByLabel('Next step')).toBeFocused();
});

test('a module takes over the bench of another, and kits are counted against what is renewed', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  const { code } = await newProcedure(page, 'Tear down');
  await typeLines(page, ['isolate the drive', 'bleed the casing', 'take off 4 seals', 'renew seals']);
  await page.getByRole('button', { name: /^Reassembly not written yet/ }).click();
  await expect(page.getByText(/New four seals stay in the kit tray/)).toBeVisible();
  await page.getByRole('button', { name: /^Step 3/ }).focus();
  await page.keyboard.press('i');
  await page
    .getByRole('dialog')
    .getByLabel(/Another procedure continues from here/)
    .check();
  await page.keyboard.press('Escape');
  await expect(page.getByText('stay in the kit tray')).toHaveCount(0);
  await saved(page);

  await page.getByRole('link', { name: `Testwick ${code}` }).click();
  await page.getByRole('textbox', { name: 'Name of a kit' }).fill('Seal kit');
  await page.getByRole('button', { name: 'New kit' }).click();
  await page.getByRole('combobox', { name: 'Add a part' }).click();
  await page.getByRole('option', { name: 'seal' }).click();
  await expect(page.getByRole('textbox', { name: 'Pieces in the kit' })).toHaveValue('1');
  await page.getByRole('button', { name: 'New procedure' }).click();
  await page.getByLabel('What is it for').fill('Put together');
  await page.getByRole('button', { name: 'Start writing' }).click();
  await expect(page.getByLabel('Next step')).toBeVisible();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: /About this procedure/ }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('combobox', { name: 'Continues from' }).click();
  await page.getByRole('option', { name: 'Tear down' }).click();
  await page.keyboard.press('Escape');
  await typeLines(page, ['fit seals +silicone grease', 'restore the drive']);
  await saved(page);
  await expect(page.getByText('No findings. The cloth is empty at the end.')).toBeVisible();
});

test('a part whose name tells no kind is asked about once; looks, other hosts and what does instead are said', async ({
  page,
}) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Kinds');
  await typeLines(page, ['take off cover @each shaft +silicone grease', 'take off wobbler @each shaft']);
  const kind = page.getByRole('combobox', { name: 'What kind of part is the wobbler?' });
  await kind.click();
  await page.getByRole('option', { name: 'Spring', exact: true }).click();
  await expect(kind).toBeHidden();
  await typeLines(page, ['clean wobbler @each shaft', 'take off housing @each shaft +PTFE grease']);
  await expect(kind).toBeHidden();

  // Facts are asked in passing, and answered without leaving the line.
  await typeLines(page, ['take off lid bolts']);
  await expect(page.getByText('How many lid bolts are there?')).toBeVisible();
  await expect(page.getByRole('button', { name: 'About lid bolt' })).toContainText('how many?');
  await page.keyboard.press('Alt+4');
  await expect(page.getByText('How many lid bolts are there?')).toBeHidden();
  await typeLines(page, ['take off lid']);
  await expect(page.getByText('What holds the lid?')).toBeVisible();
  await page.keyboard.press('Alt+1');
  await expect(page.getByText('What holds the lid?')).toBeHidden();
  await page.getByRole('button', { name: 'About lid' }).click();
  await expect(page.getByRole('dialog').getByText('lid bolt', { exact: true }).first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'About lid bolt' })).toBeHidden();
  await page.getByRole('button', { name: /^Step \d+, Take off lid bolts/ }).click();
  await expect(page.getByRole('button', { name: 'About lid bolt' })).toContainText('6 in all');

  await page.getByRole('button', { name: /^Step 2, Take off wobblers/ }).click();
  await page.getByRole('button', { name: 'About wobbler' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('combobox', { name: 'Kind' })).toHaveValue('Spring');
  await dialog.getByRole('combobox', { name: 'Sits in', exact: true }).click();
  await page.getByRole('option', { name: 'cover', exact: true }).click();
  await dialog.getByRole('combobox', { name: 'Sits in another part at' }).click();
  await page.getByRole('option').last().click();
  await dialog.getByRole('combobox', { name: /^At .* it sits in$/ }).click();
  await page.getByRole('option', { name: 'housing', exact: true }).click();
  await dialog.getByRole('textbox', { name: 'What to inspect' }).fill('the coils');
  await page.keyboard.press('Tab');
  await expect(dialog.getByRole('textbox', { name: 'What to inspect' }).first()).toHaveValue('the coils');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Step 1, Take off covers/ }).click();
  await page.getByRole('combobox', { name: 'Or instead' }).click();
  await page.getByRole('option', { name: 'PTFE grease' }).click();
  await saved(page);
  await page.reload();
  await expect(page.getByText(/the wobblers? .* to be looked at when out|are to be looked at when out/)).toBeVisible();
});

test('steps are copied as a run and pasted into a procedure of another series, with the parts they name', async ({
  page,
}) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Copied from');
  await typeLines(page, ['isolate the drive', 'undo 6 cap bolts /socket, 10 mm', 'take off cap', 'inspect cap']);
  // The fold follows the line as soon as there is time.
  await expect(page.getByRole('button', { name: /^Step 4, / })).toBeVisible();
  await page.getByRole('button', { name: /^Step 2, / }).focus();
  await page.keyboard.press('Shift+ArrowDown');
  await expect(page.getByRole('button', { name: /^Step 3, / })).toBeFocused();
  await page.keyboard.press('Control+c');
  await expect(page.getByText('2 steps were copied.', { exact: false })).toBeVisible();
  await saved(page);
  await newProcedure(page, 'Copied to');
  await typeLines(page, ['isolate the drive']);
  await page.getByRole('button', { name: /^Step 1, / }).focus();
  await page.keyboard.press('Control+v');
  await expect(page.getByRole('button', { name: /^Step 2, Take off cap bolts/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Step 3, Take off cap/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Step' }).getByText('cap', { exact: true }).first()).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Step 2, / })).toBeHidden();
  await page.keyboard.press('Control+y');
  // A whole procedure is copied on the page of its series, and opened.
  await saved(page);
  await page.getByRole('link', { name: /^Testwick/ }).click();
  await page.getByRole('button', { name: 'Copy Copied to' }).click();
  await expect(page.getByText('Copied to (copy)')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Step 3, Take off cap/ })).toBeVisible();
});
