import { expect, newProcedure, release, signIn, startJob, stepDone, test, typeLines } from './workshop';

test('a step that waits is counted down, through a reload, and the record says how long each step took', async ({
  page,
}) => {
  await signIn(page, 'Ines Harrowgate');
  await newProcedure(page, 'Curing');
  await typeLines(page, ['clean cover', 'wait until the sealant has cured ~30', 'clean casing']);
  await release(page);
  await startJob(page, 'Curing', 'CL-1');
  await expect(page.getByText('Left of this step')).toHaveCount(0);
  await stepDone(page);
  await expect(page.getByText('Left of this step')).toBeVisible();
  await expect(page.getByText(/^(30:00|29:5\d)$/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/^(30:00|29:[345]\d)$/)).toBeVisible();
  await stepDone(page);
  await expect(page.getByText('Left of this step')).toHaveCount(0);
  await stepDone(page);
  await page.getByRole('button', { name: 'Finish and seal the record' }).click();
  await expect(page.getByText('took 0 min').first()).toBeVisible();
  await expect(page.getByText(/^3 of 3 steps, .* of work, 0 photos$/)).toBeVisible();
});
