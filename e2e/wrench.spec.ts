import type { Page } from '@playwright/test';
import { expect, newProcedure, release, signIn, startJob, stepDone, test, typeLines } from './workshop';

/** A cover with four nuts in two passes, open at the bench. */
async function coverAtBench(page: Page, title: string): Promise<void> {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, title);
  await typeLines(page, ['torque 4 cover nuts =45 N·m star 2 passes /torque wrench, 10-60 N·m', 'clean cover']);
  await release(page);
  await startJob(page, title, 'WR-1');
}

const left = (page: Page, count: number) =>
  expect(page.getByRole('button', { name: new RegExp(`^${count} readings? needed$`) })).toBeVisible();

/** The simulated wrench in a page of its own, paired with the bench. */
async function pair(bench: Page): Promise<Page> {
  await bench.getByRole('button', { name: 'Connect a wrench' }).click();
  const [wrench] = await Promise.all([
    bench.context().waitForEvent('page'),
    bench.getByRole('link', { name: 'Open the simulated wrench' }).click(),
  ]);
  await wrench.getByRole('button', { name: 'Connect' }).click();
  await expect(wrench.getByText('waits to be accepted on the tablet')).toBeVisible();
  const dialog = bench.getByRole('dialog');
  await expect(dialog.getByText(/^Wrench TW-05 wants to connect to this job\./)).toBeVisible();
  await dialog.getByRole('button', { name: 'Connect', exact: true }).click();
  await expect(wrench.getByText('Target 22.5 N·m')).toBeVisible();
  return wrench;
}

async function pull(wrench: Page, how = 'As it should'): Promise<void> {
  // A hand needs as long to get to the next fastener.
  await wrench.waitForTimeout(2600);
  await wrench.getByRole('radio', { name: how }).check();
  await wrench.getByRole('button', { name: 'Pull' }).click();
  // It is done when the next one can begin, or no fastener is left.
  await expect(wrench.getByRole('button', { name: 'Pull', disabled: true })).toHaveCount(0);
}

test('a connected wrench sends its readings to the fastener in hand, and what goes wrong is told', async ({ page }) => {
  await coverAtBench(page, 'Cover with a wrench');
  await left(page, 12);
  const wrench = await pair(page);

  await pull(wrench);
  await left(page, 11);
  await expect(page.getByText(/N·m from TW-05: cover nut 1$/)).toBeVisible();
  await expect(wrench.getByText('on the tablet')).toHaveCount(1);

  // Sent twice, it is taken once.
  await pull(wrench, 'Sent twice');
  await left(page, 10);

  // Too far: the fastener stays in hand.
  await pull(wrench, 'Too far');
  await expect(page.getByText('too high')).toBeVisible();
  await left(page, 10);
  await pull(wrench);
  await left(page, 9);

  // A second click is of the same fastener, unless the technician says otherwise.
  await pull(wrench, 'Two clicks');
  await left(page, 8);
  await expect(page.getByText(/second click on cover nut 4/)).toBeVisible();

  // A number that fits another unit says so.
  await pull(wrench, 'Wrong unit on display');
  await expect(page.getByText(/It would be right as .* N·m\. Check the unit/)).toBeVisible();
  await left(page, 8);
  await pull(wrench, 'In another unit');
  await left(page, 7);

  // What is no torque is set aside.
  await pull(wrench, 'Not a torque');
  await expect(page.getByText(/which is no torque/)).toBeVisible();
  await left(page, 7);

  // The reading was of another fastener: tapped on the plan, it moves there.
  await pull(wrench);
  await left(page, 6);
  await page.getByRole('button', { name: 'Wrong fastener' }).click();
  await page.getByRole('button', { name: 'Place 4, 4' }).click();
  await expect(page.getByText('Cover nut 2 of 4')).toBeVisible();
  await left(page, 6);
  await pull(wrench);
  // Typed and sent readings go together.
  for (let count = 5; count > 0; count -= 1) {
    await left(page, count);
    await page.getByLabel('Reading', { exact: true }).press('Enter');
  }
  await stepDone(page);

  // Where no torque is asked for, a reading is told and kept out of the step. The wrench has no target there.
  await expect(wrench.getByRole('button', { name: 'No fastener in hand' })).toBeDisabled();
  await stepDone(page);
  await page.getByRole('button', { name: 'Finish and seal the record' }).click();
  await expect(page.getByText(/^Wrench TW-05, calibrated until .*2027: \d+ readings$/)).toBeVisible();
  await expect(page.getByText('Typed: 5 readings')).toBeVisible();
  await expect(page.getByText(/Wrench TW-05 sent .* kN, not used: it is no torque$/)).toBeVisible();
});

test('a lost link loses no reading: late ones are asked about, also after a reload of the tablet', async ({ page }) => {
  await coverAtBench(page, 'Cover with a lost link');
  // A code from before a pause is replaced by one that holds.
  await page.getByRole('button', { name: 'Connect a wrench' }).click();
  await expect(page.getByText('Type this code on the device:')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Pause' }).click();
  await page.getByRole('button', { name: 'Continue', exact: true }).click();
  const wrench = await pair(page);
  await pull(wrench);
  await left(page, 11);
  await wrench.getByLabel('Link lost').check({ force: true });
  await expect(page.getByText('not connected')).toBeVisible();
  // The wrench still knows its target, and keeps what it reads.
  await pull(wrench);
  await expect(wrench.getByText('kept in the device')).toBeVisible();
  await page.reload();
  await expect(page.getByText('not connected')).toBeVisible();
  await page.waitForTimeout(15_500);
  await wrench.getByLabel('Link lost').uncheck({ force: true });
  await expect(page.getByText(/sent .* late, read .* min ago/)).toBeVisible();
  await left(page, 11);
  await page.getByRole('button', { name: 'Use it for cover nut 2' }).click();
  await left(page, 10);
  await expect(wrench.getByText('on the tablet')).toHaveCount(2);

  // Disconnected for good, it cannot come back.
  await page.getByRole('button', { name: /^TW-05/ }).click();
  await page.getByRole('button', { name: 'Disconnect' }).click();
  await expect(wrench.getByText(/has disconnected it/)).toBeVisible();
  await expect(wrench.getByRole('button', { name: 'Connect' })).toBeVisible();
});

test.describe('with the app kept on the device', () => {
  test.use({ serviceWorkers: 'allow' });
  test('without the server a wrench still reaches the bench on the same tablet, and is sent on later', async ({
    page,
    context,
  }) => {
    await coverAtBench(page, 'Cover without a server');
    await page.evaluate(() => navigator.serviceWorker.ready);
    const wrench = await pair(page);
    await pull(wrench);
    await left(page, 11);

    // The server is gone for every page of this tablet; both come back by themselves.
    await context.setOffline(true);
    await page.reload();
    await wrench.getByLabel('Link lost').check({ force: true });
    await expect(page.getByText('The server is not reachable.')).toBeVisible();
    await wrench.getByLabel('Link lost').uncheck({ force: true });
    await expect(page.getByText('connected', { exact: true })).toBeVisible();
    await pull(wrench);
    await left(page, 10);
    await expect(wrench.getByText('on the tablet')).toHaveCount(2);

    await context.setOffline(false);
    await pull(wrench);
    await left(page, 9);
    await page.reload();
    await left(page, 9);
  });
});
