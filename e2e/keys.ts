import { expect, type Locator, type Page } from '@playwright/test';

/** More stops than any screen has on the way to anything. */
const MOST_STOPS = 120;

/** What is wrong with where the focus is: nothing has it, or something lies over it. */
const faultOfFocus = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const at = document.activeElement;
    if (!(at instanceof HTMLElement) || at === document.body) return 'nothing has the focus';
    // A field's own input can be no more than a dot: the field is what is seen.
    const seen = at.closest<HTMLElement>('.v-input, .drop, .take') ?? at;
    const box = seen.getBoundingClientRect();
    const said = at.getAttribute('aria-label') ?? at.textContent?.trim().slice(0, 40) ?? at.tagName;
    if (box.width === 0 || box.height === 0) return `“${said}” has the focus and is not seen`;
    const x = Math.min(Math.max(box.left + box.width / 2, 1), window.innerWidth - 1);
    const y = box.top + Math.min(box.height / 2, 20);
    if (y < 0 || y > window.innerHeight) return `“${said}” has the focus out of sight`;
    const top = document.elementFromPoint(x, y);
    if (!top || seen.contains(top) || top.contains(seen) || top.closest('label')?.control === at) return '';
    return `“${said}” has the focus and lies under ${top.outerHTML.slice(0, 120)}`;
  });

/** The focus is on something, and that is in sight: not beyond the edge of the window, and under no bar. */
export const expectFocusSeen = (page: Page): Promise<void> =>
  expect.poll(() => faultOfFocus(page), { timeout: 5000 }).toBe('');

/** Whether something has the focus, or holds what has it. */
const hasFocus = async (target: Locator): Promise<boolean> =>
  (await target.count()) === 1 &&
  (await target.evaluate((one) => one === document.activeElement || one.contains(document.activeElement)));

/** Goes to something with Tab, or Shift+Tab, as who has no mouse does; every stop on the way is in sight. */
export async function tabTo(page: Page, target: Locator, back = false): Promise<void> {
  await expect(target).toHaveCount(1);
  for (let stops = 0; stops < MOST_STOPS; stops += 1) {
    if (await hasFocus(target)) return;
    await page.keyboard.press(back ? 'Shift+Tab' : 'Tab');
    await expectFocusSeen(page);
  }
  throw new Error(`Tab does not come to ${target} in ${MOST_STOPS} stops`);
}

/** Goes to something and presses it. */
export async function pressByKey(page: Page, target: Locator, key = 'Enter'): Promise<void> {
  await tabTo(page, target);
  await page.keyboard.press(key);
}

/** Goes to a field and writes into it, in place of what stands there. */
export async function typeInto(page: Page, target: Locator, text: string): Promise<void> {
  await tabTo(page, target);
  await page.keyboard.press('Control+a');
  await page.keyboard.type(text);
}

/** Chooses an option of a field: opened by the arrow, gone to by the arrow. */
export async function chooseByKey(page: Page, label: string, option: string, back = false): Promise<void> {
  await tabTo(page, page.getByRole('combobox', { name: label, exact: true }), back);
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('listbox')).toBeVisible();
  // Of a long list only what is in sight is there.
  const wanted = page.getByRole('option', { name: option, exact: true });
  for (let moves = 0; moves < MOST_STOPS && !(await hasFocus(wanted)); moves += 1)
    await page.keyboard.press('ArrowDown');
  await expect(wanted).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('listbox')).toHaveCount(0);
}
