import { chooseByKey, expectFocusSeen, pressByKey, tabTo, typeInto } from '../keys';
import { startDemo, type Demo } from '../server';
import { expect, test, type Page } from '../test';

// What is done most, by somebody who has no mouse at all: each stop of the focus is in sight, and it is never lost.

let demo: Demo;
test.beforeEach(async () => {
  demo = await startDemo();
});
test.afterEach(() => demo.server.stop());

const open = async (page: Page, path: string) => {
  await page.goto(`${demo.server.url}/b/${demo.lantern}/${path}`);
  await expect(page.locator('h1').first()).toBeVisible();
  await expect(page.locator('.working.on')).toHaveCount(0);
};
const isFocused = (one: Element) => one === document.activeElement;
const button = (page: Page, name: string | RegExp) =>
  page.getByRole('button', { name, exact: typeof name === 'string' });

test('a build is made', async ({ page }) => {
  await page.goto(demo.server.url);
  await pressByKey(page, button(page, 'New build'));
  const dialog = page.getByRole('dialog', { name: 'New build' });
  await typeInto(page, dialog.getByLabel('What is it called?'), 'Heron mask');
  await typeInto(page, dialog.getByRole('textbox', { name: 'Worn on' }), '20 March 2027');
  await tabTo(page, dialog.getByLabel('Packed by 18:00 the day before'));
  await page.keyboard.press('Space');
  await expect(dialog.getByLabel('Packed by 18:00 the day before')).not.toBeChecked();
  // The way back out leads to where it was opened from.
  await page.keyboard.press('Escape');
  await page.getByRole('dialog', { name: 'Leave what you typed?' }).waitFor();
  await pressByKey(page, button(page, 'Keep on'));
  await pressByKey(page, dialog.getByRole('button', { name: 'Make it' }));
  await expect(page).toHaveURL(/\/b\/[^/]+\/bench$/);
  await expectFocusSeen(page);
});

test('a piece is added in a look, and its steps are put in another order', async ({ page }) => {
  await open(page, 'pieces');
  await pressByKey(page, button(page, 'Add a piece'));
  const dialog = page.getByRole('dialog', { name: 'New piece' });
  await typeInto(page, dialog.getByLabel('Name', { exact: true }), 'Kelp mask');
  await typeInto(page, dialog.getByLabel('Width', { exact: true }), '250');
  await typeInto(page, dialog.getByLabel('Height', { exact: true }), '300');
  await chooseByKey(page, 'Look', 'Battle-worn steel');
  await pressByKey(page, dialog.getByRole('button', { name: 'Add it' }));
  await expect(page.getByRole('heading', { name: 'Kelp mask' })).toBeVisible();
  const steps = page.locator('.step-row');
  const first = await steps.nth(0).getAttribute('data-testid');
  const second = await steps.nth(1).getAttribute('data-testid');
  await tabTo(page, steps.nth(0));
  await page.keyboard.press('Alt+ArrowDown');
  await expect(steps.nth(1)).toHaveAttribute('data-testid', first!);
  await expect(steps.nth(0)).toHaveAttribute('data-testid', second!);
  // The step takes the focus along.
  await expect(steps.nth(1)).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeVisible();
  await expectFocusSeen(page);
  await page.keyboard.press('Escape');
  await expect(steps.nth(1)).toBeFocused();
});

test('a coat is begun, logged, taken back and done again', async ({ page }) => {
  await open(page, 'bench');
  await tabTo(page, page.getByTestId('start'));
  await page.keyboard.press('Enter');
  const anyway = page.getByTestId('start-all-the-same');
  const done = page.getByTestId('done');
  await expect(anyway.or(done)).toBeVisible();
  if (await anyway.isVisible()) await pressByKey(page, anyway);
  const logged = async () => (await demo.stored(demo.lantern)).log?.length ?? 0;
  const before = await logged();
  await pressByKey(page, done);
  await expect.poll(logged).toBe(before + 1);
  await expectFocusSeen(page);
  await page.keyboard.press('u');
  await expect.poll(logged).toBe(before);
  await page.keyboard.press('r');
  await expect.poll(logged).toBe(before + 1);
  await expectFocusSeen(page);
});

test('a timer is set and stopped', async ({ page }) => {
  await open(page, 'bench');
  await pressByKey(page, button(page, 'Another timer'));
  await typeInto(page, page.getByLabel('What for'), 'Wipe back the wash');
  await typeInto(page, page.getByLabel('Minutes', { exact: true }), '3');
  await page.keyboard.press('Enter');
  const stop = button(page, 'Stop the timer: Wipe back the wash');
  await expect(stop).toBeVisible();
  await expectFocusSeen(page);
  await pressByKey(page, stop);
  await expect(stop).toHaveCount(0);
  await expectFocusSeen(page);
});

test('the plan is read, a pass moved and pinned, and let go', async ({ page }) => {
  await open(page, 'plan');
  const passes = page.locator('.lanes .pass[tabindex]');
  const reached = page.locator('.lanes .pass[tabindex="0"]');
  await tabTo(page, reached);
  const name = await reached.getAttribute('aria-label');
  await page.keyboard.press('ArrowRight');
  await expect(reached).not.toHaveAttribute('aria-label', name!);
  await expectFocusSeen(page);
  expect(await passes.count()).toBeGreaterThan(1);
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog');
  await pressByKey(page, dialog.getByRole('button', { name: 'Pin it' }));
  await expect(dialog).toHaveCount(0);
  await expect.poll(async () => (await demo.stored(demo.lantern)).pins?.length).toBe(1);
  await expectFocusSeen(page);
  await page.keyboard.press('Enter');
  await pressByKey(page, dialog.getByRole('button', { name: 'Let it go' }));
  await expect.poll(async () => (await demo.stored(demo.lantern)).pins?.length ?? 0).toBe(0);
  await expectFocusSeen(page);
});

test('a tin is put on the shelf, found by a few letters', async ({ page }) => {
  await open(page, 'shelf');
  const tins = page.getByTestId('tin');
  const before = await tins.count();
  await pressByKey(page, button(page, 'Add a tin'));
  const dialog = page.getByRole('dialog');
  await tabTo(page, dialog.getByRole('combobox', { name: 'What is in it' }));
  await page.keyboard.type('satin acr');
  await expect(page.getByRole('option')).toHaveCount(1);
  await page.keyboard.press('Enter');
  await typeInto(page, dialog.getByLabel('Holds, when full'), '250');
  await pressByKey(page, dialog.getByRole('button', { name: 'Put it on the shelf' }));
  await expect(dialog).toHaveCount(0);
  await expect(tins).toHaveCount(before + 1);
  await expect(button(page, 'Add a tin')).toBeFocused();
});

test('what goes over what is looked up, with the reason', async ({ page }) => {
  await open(page, 'materials');
  await pressByKey(page, page.getByRole('link', { name: 'Does it go over that?' }));
  // The board is one stop of Tab; arrows lead on from its first verdict.
  const wanted = button(page, 'Hobby enamel over Rubber dip spray: stop');
  await expect(wanted).toBeVisible();
  await tabTo(page, page.getByTestId('pair-board'));
  const row = page.getByRole('row', { name: /^Rubber dip spray/ });
  for (let moves = 0; moves < 40 && !(await row.getByRole('button').first().evaluate(isFocused)); moves += 1)
    await page.keyboard.press('ArrowDown');
  for (let moves = 0; moves < 40 && !(await wanted.evaluate(isFocused)); moves += 1)
    await page.keyboard.press('ArrowRight');
  await expectFocusSeen(page);
  await page.keyboard.press('Enter');
  await expect(page.getByText('stays tacky and may never cure')).toBeVisible();
  await expectFocusSeen(page);
  await chooseByKey(page, 'Laid as', 'dust coat', true);
  await expect(button(page, 'Low-pressure acrylic spray over Rubber dip spray: fine')).toBeVisible();
  await expect(page.getByRole('combobox', { name: 'Laid as' })).toBeFocused();
});
