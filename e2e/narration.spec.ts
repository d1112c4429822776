import { readFile } from 'node:fs/promises';
import { expect, newProcedure, saved, signIn, test } from './workshop';

const FOLDER = new URL('../demo/narration/', import.meta.url);
const file = async (name: string, mimeType: string) => ({
  name,
  mimeType,
  buffer: await readFile(new URL(name, FOLDER)),
});

test('a narration with its video becomes a draft, by keyboard, each step links to its passage, and it is released', async ({
  page,
}) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Pilot service');
  await page.getByRole('link', { name: 'Write from a text or video' }).click();
  await page.getByLabel('Choose the video').setInputFiles(await file('pilot-service.webm', 'video/webm'));
  await page.getByLabel('Choose the text or captions').setInputFiles(await file('pilot-service.vtt', 'text/vtt'));
  const says = page.getByRole('region', { name: 'What it says' });
  const said = page.getByRole('region', { name: 'What was said' });
  await expect(said.getByText('Right, welcome back.')).toBeVisible();
  await expect(says.getByText('Take off the six cap bolts with socket, 10 mm.')).toBeVisible();
  await expect(page.getByLabel('Video of the work')).toBeVisible();

  let keys = 0;
  const press = async (key: string) => {
    keys += 1;
    await page.keyboard.press(key);
  };
  const write = async (line: string) => {
    await press('e');
    await page.getByLabel('Proposed step').fill('');
    keys += line.length;
    await page.keyboard.insertText(line);
    await press('Enter');
  };
  await page.getByRole('button', { name: /^Add \d+ complete steps$/ }).click();
  await expect(says.getByText('Take off the six cap bolts with socket, 10 mm.')).toBeVisible();
  // What has to be asked stays, one after the other.
  const open = says.locator('[data-row]', { hasText: 'to fill' });
  const lines = [
    [/closer/, undefined],
    [/same way as the others/, 'Put the two U-cups in with a little barrier grease, lips facing the pressure'],
    [/No figure is given/, 'Put the pilot cap back on, start the six cap bolts by hand and torque them to 9 N·m'],
  ] as const;
  for (const [text, line] of lines) {
    const card = says.locator('[data-row]', { hasText: text });
    await card.first().click();
    if (line) await write(line);
    else await press('x');
    await expect(open.filter({ hasText: text })).toHaveCount(0);
  }
  // The last one repeats what was done: it becomes a block over both sides.
  const repeat = says.locator('[data-row]', { hasText: 'Do the same on the other side' });
  await repeat.click();
  await repeat.getByLabel('At', { exact: true }).first().click();
  await page.getByRole('option', { name: 'Other places' }).click();
  await repeat.getByLabel('Names of the places').fill('left side, right side');
  await repeat.getByRole('button', { name: 'Repeat these steps' }).click();
  await expect(repeat).toHaveCount(0);
  // A checked draft of an 80-second narration takes little typing.
  expect(keys).toBeLessThan(300);

  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Parts list' }).click();
  const parts = page.getByRole('dialog');
  await expect(parts.getByLabel('Name of pilot cap')).toHaveValue('pilot cap');
  await expect(parts.getByLabel('Count of cap bolt')).toHaveValue('6');
  await parts.getByLabel('Paste rows from a spreadsheet').fill('name\tcount\nmuffler\tmany');
  await parts.getByRole('button', { name: 'Add the rows' }).click();
  await expect(parts.getByText('Row 2, count: use a whole number from 1 to 96, not "many".')).toBeVisible();
  await parts.getByLabel('Paste rows from a spreadsheet').fill('name\tcount\nmuffler\t2\nwear pad\t4');
  await parts.getByRole('button', { name: 'Add the rows' }).click();
  await expect(parts.getByLabel('Count of muffler')).toHaveValue('2');
  await page.keyboard.press('Escape');

  await page.getByRole('link', { name: 'Back to the steps' }).click();
  await page.getByRole('button', { name: /^Step \d+, Take off cap bolts/ }).click();
  const step = page.getByRole('region', { name: 'Step' });
  await expect(
    step.getByText('Then undo the six cap bolts with a 10 mm socket and lift the pilot cap off.'),
  ).toBeVisible();
  await saved(page);
  await step.getByRole('link', { name: 'From pilot-service.vtt' }).click();
  await expect(said.getByText('Right, welcome back.')).toBeVisible();

  // What was told is a whole instruction: it is released, with its clips.
  await page.getByRole('link', { name: 'Back to the steps' }).click();
  await page.getByRole('link', { name: 'Release', exact: true }).click();
  await page.getByRole('button', { name: 'Release number 1' }).click();
  await expect(page.getByText('Release 1 is ready for the bench.')).toBeVisible();
});

test('a wrong reading is corrected, split, joined and set aside; nothing of it is lost', async ({ page }) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Old instruction');
  await page.getByRole('link', { name: 'Write from a text or video' }).click();
  await page
    .getByLabel('Or paste the text here')
    .fill(
      [
        'Thanks for watching.',
        '1. Remove the pump cover and draw the rotor.',
        '2. Eight of the bolts.',
        '3. Clean the bore.',
      ].join('\n'),
    );
  await page.getByRole('button', { name: 'Read the pasted text' }).click();
  const says = page.getByRole('region', { name: 'What it says' });
  const card = (text: string | RegExp) => says.locator('[data-row]', { hasText: text });
  await expect(card('Take off the pump cover.')).toBeVisible();
  await expect(says.getByText('0 in steps, 1 set aside, 3 open')).toBeVisible();
  // Two actions are read as two steps; they can be kept apart, and joined again.
  await card('Take off the pump cover.').click();
  await page.keyboard.press('s');
  await expect(card('Draw out the rotor.')).toHaveCount(1);
  await expect(card('Take off the pump cover.')).not.toContainText('rotor');
  await page.keyboard.press('m');
  await expect(card('Take off the pump cover.')).toContainText('rotor');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(card('Take off the pump cover.')).toContainText('Read as 2 steps.');
  // What has no verb cannot be added; it is corrected in the line below.
  await card('Eight of the bolts').click();
  await page.keyboard.press('Enter');
  await expect(page.getByText('This cannot be added yet.', { exact: false })).toBeVisible();
  await page.keyboard.press('e');
  await page.getByLabel('Proposed step').fill('Undo the four cover bolts');
  await expect(card('Take off the four cover bolts.')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(says.getByText('1 in steps, 1 set aside, 2 open')).toBeVisible();
  await card('Clean the bore.').click();
  await page.keyboard.press('x');
  await expect(says.getByText('1 in steps, 2 set aside, 1 open')).toBeVisible();
  await page.getByRole('button', { name: 'Make a step of: Clean the bore.' }).click();
  await expect(card('Clean the bore.')).toBeVisible();
  // A correction that was begun is there after a visit elsewhere.
  await page.keyboard.press('e');
  await page.getByLabel('Proposed step').fill('Clean the bore with a nylon brush');
  await page.getByRole('link', { name: 'Back to the steps' }).click();
  await expect(page.getByLabel('Next step')).toBeVisible();
  await page.goBack();
  await expect(card('Clean the bore with nylon brush.')).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(card('Take off the four cover bolts.')).toBeVisible();
  // A file of another kind is told, and nothing changes.
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Add another source' }).click();
  await page.getByLabel('Choose the text or captions').setInputFiles({
    name: 'old.docx',
    mimeType: 'application/octet-stream',
    buffer: Buffer.from('no document'),
  });
  await expect(page.getByText('"old.docx" cannot be read.')).toBeVisible();
});
