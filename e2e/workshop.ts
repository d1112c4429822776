import { type BrowserContext, test as base, expect, type Page } from '@playwright/test';
import { PORT } from './ports';

export type Somebody = 'Ines Harrowgate' | 'Mara Oduya' | 'Tobias Quell' | 'Jun Vestergaard' | 'Pia Lindqvist';

type Cookies = Awaited<ReturnType<BrowserContext['cookies']>>;
const remembered = new Map<Somebody, Cookies>();

/**
 * Signs in once a person, by one click on the demo page; later contexts take over the cookie. Where to go next is for
 * the test to say.
 */
export async function signIn(page: Page, name: Somebody): Promise<void> {
  const cookies = remembered.get(name);
  if (cookies) return page.context().addCookies(cookies);
  await page.goto('/');
  await page.getByRole('button', { name: new RegExp(`^${name}`) }).click();
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
  remembered.set(name, await page.context().cookies());
}

/** Each worker has a workshop of its own. */
const addressOf = (worker: number) => `http://localhost:${PORT + worker}`;

/** Every test runs in the workshop of its worker and fails on an error in the page or a breach of its security policy. */
export const test = base.extend<{ noErrors: undefined }>({
  baseURL: async ({ browserName: _ }, use, { parallelIndex }) => use(addressOf(parallelIndex)),
  noErrors: [
    async ({ context }, use, info) => {
      const errors: string[] = [];
      const watch = (page: Page) => {
        page.on('pageerror', (error) => errors.push(error.message));
        page.on('console', (message) => {
          if (message.type() === 'error' && !/Failed to load resource|ERR_INTERNET_DISCONNECTED/.test(message.text())) {
            errors.push(message.text());
          }
        });
      };
      context.pages().forEach(watch);
      context.on('page', watch);
      await use(undefined);
      if (info.status !== info.expectedStatus) await tellWhatIsSeen(context);
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };

/** What stands on the screens of a test that failed: its report shows no picture where it runs without a monitor. */
async function tellWhatIsSeen(context: BrowserContext): Promise<void> {
  for (const page of context.pages()) {
    const seen = await page
      .locator('body')
      .ariaSnapshot()
      .catch(() => '');
    console.log(`Seen at ${page.url()}:\n${seen.slice(0, 1200)}`);
  }
}

let made = 0;

/** A new series with two shafts and a new, empty procedure, open for writing. */
export async function newProcedure(page: Page, title: string): Promise<{ code: string }> {
  made += 1;
  const code = `T-${made}-${Date.now() % 100_000}`;
  const positions = [1, 2].map((number) => ({ id: `shaft-${number}`, name: `shaft ${number}` }));
  const positionSets = [{ id: 'shaft', name: 'shaft', positions }];
  const series = await post(page, '/api/series', { name: 'Testwick', code, pumpType: 'other', positionSets });
  const procedure = await post(page, '/api/procedures', { seriesId: series.id, title });
  await page.goto(`/procedures/${procedure.id}`);
  await expect(page.getByLabel('Next step')).toBeVisible();
  return { code };
}

/** A new series and procedure made through the interface, as somebody does who is new to it. */
export async function newProcedureByHand(page: Page, title: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'New series' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill('Testwick');
  await dialog.getByLabel('Code').fill(`H-${Date.now() % 100_000}`);
  await dialog.getByLabel('What repeats in it').fill('shaft');
  await dialog.getByRole('button', { name: 'Create the series' }).click();
  await expect(page.getByRole('heading', { name: /^Testwick H-/, level: 1 })).toBeVisible();
  await page.getByRole('button', { name: 'New procedure' }).click();
  await page.getByLabel('What is it for').fill(title);
  await page.getByRole('button', { name: 'Start writing' }).click();
  await expect(page.getByLabel('Next step')).toBeVisible();
}

/** Asks the server as the page would: it takes orders from its own pages only. */
export async function post(page: Page, path: string, data: object): Promise<{ id: string }> {
  const here = page.url();
  const origin = here.startsWith('http') ? new URL(here).origin : addressOf(test.info().parallelIndex);
  const answer = await page.request.post(path, { data, headers: { origin } });
  expect(answer.status(), await answer.text()).toBe(201);
  return answer.json();
}

/** Adds lines in the author screen by keyboard alone, each at once; or key by key. */
export async function typeLines(page: Page, lines: readonly string[], how: 'at-once' | 'by-key' = 'at-once') {
  await page.getByLabel('Next step').focus();
  for (const line of lines) {
    if (how === 'by-key') await page.keyboard.type(line);
    else await page.keyboard.insertText(line);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Enter');
    await expect(page.getByLabel('Next step')).toHaveValue('');
  }
}

export async function saved(page: Page): Promise<void> {
  await expect(page.getByText(/^Saved( \d|$)/)).toBeVisible();
}

/** Releases the procedure that is open. */
export async function release(page: Page, number = 1): Promise<void> {
  await saved(page);
  await page.getByRole('link', { name: 'Release', exact: true }).click();
  await page.getByRole('button', { name: `Release number ${number}` }).click();
  await expect(page.getByText(`Release ${number} is ready for the bench.`)).toBeVisible();
}

/** A job on the newest release whose title is given; ends at its first step. */
export async function startJob(page: Page, title: string, workOrder: string): Promise<void> {
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'Start a job' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Instruction').click();
  await page.getByRole('option', { name: new RegExp(`: ${title}, `) }).click();
  await dialog.getByLabel('Work order').fill(workOrder);
  await dialog.getByLabel('Pump serial number').fill('50-0999');
  await dialog.getByLabel('Customer').fill('Glasshouse Number Four');
  await dialog.getByRole('button', { name: 'Start', exact: true }).click();
  await page.getByRole('button', { name: 'I have read it: begin' }).click();
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
}

/** Says "Done" to the step in hand, `times` times; each waits for the next step to stand there, as a hand would. */
export async function stepDone(page: Page, times = 1): Promise<void> {
  const count = page.getByText(/^\d+ of \d+$/).first();
  let before: string | null = null;
  for (let i = 0; i < times; i += 1) {
    if (before) await expect(count).not.toHaveText(before);
    before = await count.textContent();
    await confirmed(page);
    await page.getByRole('button', { name: 'Done', exact: true }).click();
  }
}

/** Confirms by name where the step in hand asks for it. */
export async function confirmed(page: Page): Promise<void> {
  const confirm = page.getByRole('button', { name: /: I did this and checked it$/ });
  await expect(confirm.or(page.getByRole('button', { name: 'Done', exact: true })).first()).toBeVisible();
  if (await confirm.isVisible()) await confirm.click();
}

/** Opens a field of the step in hand: it may stand there already, be offered first, or be among the others. */
export async function addField(page: Page, name: string): Promise<void> {
  const add = page.getByRole('button', { name, exact: true });
  const more = page.getByRole('button', { name: 'More fields' });
  await expect(add.or(more).first()).toBeVisible();
  if (!(await add.isVisible()) && (await more.isVisible())) await more.click();
  if (await add.isVisible()) await add.click();
}
