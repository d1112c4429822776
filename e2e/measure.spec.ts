import type { Page } from '@playwright/test';
import { expect, newProcedure, post, release, saved, signIn, startJob, stepDone, test, typeLines } from './workshop';

/** A series with a plunger that is measured, and a pump that is run on the test bench. */
async function measured(page: Page, title: string): Promise<void> {
  const positions = [1, 2].map((number) => ({ id: `bore-${number}`, name: `bore ${number}` }));
  const series = await post(page, '/api/series', {
    ...{ name: 'Gaugewick', code: `G-${Date.now() % 100_000}`, pumpType: 'plunger' },
    positionSets: [{ id: 'bore', name: 'bore', positions }],
  });
  const procedure = await post(page, '/api/procedures', { seriesId: series.id, title });
  await page.goto(`/procedures/${procedure.id}`);
  await expect(page.getByLabel('Next step')).toBeVisible();
  await typeLines(page, ['measure plunger @each bore', 'test the pump']);
  await provedByHand(page);
  await saved(page);
  const mm = (value: number) => ({ value, unit: 'mm' });
  const { procedure: open, series: of } = await (await page.request.get(`/api/procedures/${procedure.id}`)).json();
  const [measuring, running] = open.document.steps;
  const measurement = {
    ...{ id: 'od', what: 'diameter', nominal: mm(36), least: mm(35.9), toolId: 'calliper' },
    ...{ points: ['top', 'bottom'], directions: 1, follows: 'renew' },
  };
  const run = { speed: { value: 1450, unit: 'rpm' }, pressure: { value: 100, unit: 'bar' }, grade: '2B' };
  const origin = new URL(page.url()).origin;
  const answer = await page.request.patch(`/api/procedures/${procedure.id}`, {
    headers: { origin },
    data: {
      seriesVersion: of.version,
      procedureVersion: open.version,
      edits: [
        { kind: 'add', list: 'tools', item: { id: 'calliper', name: 'calliper', kind: 'measuring' } },
        { kind: 'change', stepId: measuring.id, fields: { measurements: [measurement] } },
        { kind: 'change', stepId: running.id, fields: { run: { ...run, flow: { value: 15, unit: 'L/min' } } } },
      ],
    },
  });
  expect(answer.status(), await answer.text()).toBe(200);
  await page.reload();
  await release(page);
  await startJob(page, title, 'ME-1');
}

/** The last step also asks for the turning by hand and the leak check, as the trainer sets it in the fields. */
async function provedByHand(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Check by hand' }).click();
  await page.getByLabel('It is turned by hand').check();
  await page.getByLabel('It is watched for leaks').check();
  await page.getByLabel('Most drops a minute').fill('2');
  await page.getByLabel('Most drops a minute').blur();
}

/** A stand-in for a device in a page of its own, paired with the bench. */
async function pair(bench: Page, device: 'calliper' | 'test bench'): Promise<Page> {
  await bench.getByRole('button', { name: `Connect a ${device}` }).click();
  const [page] = await Promise.all([
    bench.context().waitForEvent('page'),
    bench.getByRole('link', { name: `Open the simulated ${device}` }).click(),
  ]);
  await page.getByRole('button', { name: 'Connect' }).click();
  await bench.getByRole('dialog').getByRole('button', { name: 'Connect', exact: true }).click();
  await expect(page.getByText('connected', { exact: true })).toBeVisible();
  return page;
}

test('a calliper fills the sizes one after the other; what it cannot prove is said; then the pump is run and judged', async ({
  page,
}) => {
  await signIn(page, 'Ines Harrowgate');
  await measured(page, 'Plunger measured');
  await expect(page.getByRole('button', { name: '4 readings needed' })).toBeDisabled();
  await expect(page.getByText('Within 0.029 mm of a limit it proves nothing.')).toBeVisible();
  const calliper = await pair(page, 'calliper');
  const send = async (size: string) => {
    await calliper.getByLabel('Size of the part, mm').fill(size);
    await calliper.getByRole('button', { name: 'Measure and send' }).click();
  };
  await send('35.98');
  await expect(page.getByRole('button', { name: '3 readings needed' })).toBeVisible();
  await send('35.98');
  await expect(page.getByRole('button', { name: '2 readings needed' })).toBeVisible();
  // Close to the limit, and out of it.
  await page.getByLabel('bore 2, top').fill('35.91');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^Too close to the limit for this instrument/)).toBeVisible();
  await send('35.6');
  await expect(page.getByText('under the limit').first()).toBeVisible();
  await expect(page.getByRole('img', { name: /Sizes along bore 2/ })).toBeVisible();
  // Nothing is left to measure: it is told and changes nothing.
  await send('36');
  await expect(page.getByText(/is not used: nothing is left to measure here/)).toBeVisible();
  await stepDone(page);

  await expect(page.getByText('Expected: 15 L/min.', { exact: false })).toBeVisible();
  await page.getByLabel('Flow, L/min').fill('11');
  await page.getByLabel('Speed, rpm').fill('1450');
  await page.keyboard.press('Enter');
  await expect(page.getByText('too low')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Test run/ })).toBeDisabled();
  const bench = await pair(page, 'test bench');
  await bench.getByRole('textbox', { name: 'Flow' }).fill('15');
  await bench.getByRole('button', { name: 'Start the pump' }).click();
  await expect(page.getByRole('button', { name: 'Keep these readings' })).toBeEnabled({ timeout: 40_000 });
  await page.getByRole('button', { name: 'Keep these readings' }).click();
  await expect(page.getByText('accepted')).toBeVisible();

  // By hand: what is not good keeps the step open, and a pump goes on being watched through a reload.
  // Its choices are pressed by number keys; the figures of the leak check may be typed, and take none.
  const choices = await page.locator('[data-choices] button:not(:disabled)').allTextContents();
  await page.keyboard.press(String(choices.indexOf('Rough') + 1));
  await expect(page.getByText('Dirt or a damaged bearing. Do not run it.')).toBeVisible();
  await page.getByRole('button', { name: 'Turns freely' }).click();
  await expect(page.getByRole('button', { name: 'Check by hand' })).toBeDisabled();
  await page.getByRole('button', { name: 'Start watching' }).click();
  await page.getByRole('button', { name: 'A drop' }).click();
  await expect(page.getByText(/watched, drops: 1$/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/watched, drops: 1$/)).toBeVisible();
  await page.getByRole('button', { name: 'Stop watching' }).click();
  await expect(page.getByText('Watched too short to be sure.', { exact: false })).toBeVisible();
  await page.getByLabel('Minutes watched').fill('5');
  await page.getByLabel('Drops counted').fill('six');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'six' })).toBeVisible();
  await page.getByLabel('Drops counted').fill('6');
  await page.keyboard.press('Enter');
  await expect(page.getByText('6 drops in 5 min, about 3.6 mL an hour')).toBeVisible();
  await stepDone(page);

  // Signed by hand, it is finished; the record says first what counts.
  await page.getByRole('button', { name: 'Sign here' }).last().click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill('Ada Test');
  const sheet = await dialog.getByTestId('signature-sheet').boundingBox();
  const [x, y] = [(sheet?.x ?? 0) + 40, (sheet?.y ?? 0) + 60];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 160, y - 30, { steps: 8 });
  await page.mouse.up();
  await dialog.getByRole('button', { name: 'Keep the signature' }).click();
  await expect(page.getByRole('img', { name: 'Ada Test' })).toBeVisible();
  await page.getByRole('button', { name: 'Finish and seal the record' }).click();
  const summary = page.getByRole('region', { name: 'Summary' });
  await expect(summary.getByText(/plunger, bore 2, diameter: .* out of its limits/)).toBeVisible();
  await expect(summary.getByText(/^Flow .* accepted$/)).toBeVisible();
  await expect(summary.getByText('Turned by hand: turns freely')).toBeVisible();
  await expect(summary.getByText('Leak check: 6 drops in 5 min, about 3.6 mL an hour')).toBeVisible();
  await expect(summary.getByText(/plunger, needed for|plunger$/).first()).toBeVisible();
  await expect(page.getByText('Customer: Ada Test', { exact: false })).toBeVisible();
});

test('a spring is measured by its free length and its force, which its gauge proves to one in a hundred', async ({
  page,
}) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Spring measured');
  await typeLines(page, ['measure "valve spring" /calliper /spring tester']);
  for (const [what, least, tool] of [
    ['free length', '61.5 mm', 'calliper'],
    ['force at 40 mm', '200 N', 'spring tester'],
  ] as const) {
    await page.getByRole('textbox', { name: 'What to measure' }).last().fill(what);
    await page.keyboard.press('Enter');
    await page.getByLabel('Least').last().fill(least);
    await page.keyboard.press('Enter');
    await page.getByRole('combobox', { name: 'Measured with' }).or(page.getByLabel('Measured with')).last().click();
    await page.getByRole('option', { name: tool }).click();
  }
  await release(page);
  await startJob(page, 'Spring measured', 'ME-2');
  await expect(page.getByRole('button', { name: '2 readings needed' })).toBeDisabled();
  await expect(page.getByText('At least 200 N.')).toBeVisible();
  await expect(page.getByText('Within 1.9 N of a limit it proves nothing.')).toBeVisible();
  // A new ring tells a length, and no force.
  await expect(page.getByText('No instrument at hand: use a new ring')).toHaveCount(1);
  await page.getByLabel('free length', { exact: true }).last().fill('62');
  await page.keyboard.press('Enter');
  await page.getByLabel('force at 40 mm', { exact: true }).last().fill('201');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^Too close to the limit for this instrument/)).toBeVisible();
  await expect(page.getByText('too close to tell')).toBeVisible();
  await page.getByLabel('force at 40 mm', { exact: true }).last().fill('188');
  await page.keyboard.press('Enter');
  await expect(page.getByText('under the limit')).toBeVisible();
  await stepDone(page);
  await page.getByRole('button', { name: 'Finish and seal the record' }).click();
  const summary = page.getByRole('region', { name: 'Summary' });
  await expect(summary.getByText(/valve spring, free length: 62 mm, within its limits/)).toBeVisible();
  await expect(summary.getByText(/valve spring, force at 40 mm: 188 N, out of its limits/)).toBeVisible();
});
