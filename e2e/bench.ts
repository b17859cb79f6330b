import { expect, type Page } from '@playwright/test';

const nextPass = (page: Page) => page.getByTestId('next-pass');
/** Presses Start, and says yes where it is asked: with a clock that stands still what comes next may be too soon. */
export async function begin(page: Page): Promise<void> {
  await page.getByTestId('start').click();
  const anyway = page.getByTestId('start-all-the-same');
  const done = page.getByTestId('done');
  await expect(anyway.or(done)).toBeVisible();
  if (await anyway.isVisible()) await anyway.click();
  await expect(done).toBeVisible();
}

/** The pieces of the batch that comes next. */
export const batchOf = (page: Page) => page.getByRole('list', { name: 'Pieces of this batch' });

/** What the bench says comes next: the pass and its pieces. Which that is, is up to the planner. */
export async function nextOf(page: Page): Promise<string> {
  return `${await nextPass(page).innerText()}: ${await batchOf(page).innerText()}`;
}

/** Starts what comes next and logs it as done; the bench then has something else. */
export async function logNext(page: Page): Promise<void> {
  const before = await nextOf(page);
  await begin(page);
  await page.getByTestId('done').click();
  await expect(page.getByTestId('start').or(page.getByTestId('all-right'))).toBeVisible();
  await expect.poll(() => nextOf(page)).not.toBe(before);
}

/** More batches than anybody gets done in an evening. */
const MOST_BATCHES = 16;

/** Logs one batch after the other until a pass with a piece comes next; returns how many were logged. */
export async function logUntil(page: Page, pass: RegExp, piece: string): Promise<number> {
  await expect(page.getByTestId('start')).toBeVisible();
  for (let logged = 0; logged < MOST_BATCHES; logged += 1) {
    if (pass.test(await nextPass(page).innerText()) && (await batchOf(page).innerText()).includes(piece))
      return logged;
    await logNext(page);
  }
  throw new Error(`${pass} of ${piece} did not come up in ${MOST_BATCHES} batches`);
}

/** Leaves one piece of the batch that comes next ticked, and no other. Which others there are is up to the planner. */
export async function keepOnly(page: Page, piece: string): Promise<void> {
  const boxes = batchOf(page).getByRole('checkbox');
  for (let n = 0; n < (await boxes.count()); n += 1) {
    const box = boxes.nth(n);
    const name =
      (await box.getAttribute('aria-label')) ??
      (await box.evaluate((one) => one.closest('li')?.textContent ?? ''));
    if (!name.includes(piece)) await box.uncheck();
  }
}
