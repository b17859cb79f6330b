import { choose } from '../fields';
import { startDemo, type Demo } from '../server';
import { expect, test, type Page } from '../test';

let demo: Demo;
let server: Demo['server'];
let build: Demo['id'];
test.beforeEach(async () => {
  demo = await startDemo();
  ({ server, id: build } = demo);
});
test.afterEach(() => server.stop());

/** What has the focus, by its name. */
const focused = (page: Page) => page.locator(':focus');

test('the head fits at every width, with a long name too', async ({ page }) => {
  const name = 'The long procession of the lantern keepers at the quay of Saint Brannoc';
  await page.request.patch(`${server.url}/api/builds/${build}`, { data: { name } });
  await page.goto(`${server.url}/b/${build}/pieces`);
  await expect(page.getByRole('heading', { name: 'Pieces' })).toBeVisible();
  for (const width of [1280, 1109, 1024, 900, 768, 700, 641]) {
    await page.setViewportSize({ width, height: 800 });
    for (const tool of ['Undo the last change', 'Show keys']) {
      const box = (await page.getByRole('button', { name: tool }).boundingBox())!;
      expect(box.x + box.width, `${tool} at ${width}`).toBeLessThanOrEqual(width);
    }
    expect(await page.evaluate(() => document.documentElement.scrollWidth), `at ${width}`).toBe(width);
  }
});

test('the focus comes back: from a select in a dialog, from a dialog, and from what is gone', async ({
  page,
}) => {
  await page.goto(`${server.url}/b/${build}/pieces/buckle`);
  const change = page.getByRole('button', { name: 'Change the piece' });
  await change.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Name', { exact: true })).toBeFocused();
  const made = page.getByRole('combobox', { name: 'Made of', exact: true });
  await made.focus();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('option', { name: 'Craft foam' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('listbox')).toHaveCount(0);
  await expect(made).toBeFocused();
  await choose(page, 'Made of', 'Craft foam');
  await expect(made).toBeFocused();
  await page.getByRole('button', { name: 'Not now' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(change).toBeFocused();
  // A press beside everything is left as it is.
  await page.getByRole('heading', { name: 'Steps' }).click();
  await expect(change).not.toBeFocused();
  await expect(focused(page)).toHaveCount(0);
});

test('while the server is down it is said, what is pressed is kept, and it goes on by itself', async ({
  page,
}) => {
  await page.goto(`${server.url}/b/${build}/bench`);
  const start = page.getByRole('button', { name: /^Start/ }).first();
  await expect(start).toBeVisible();
  await server.kill();
  const said = page.getByRole('status', { name: 'Connection' });
  await expect(said).toContainText('No answer from the computer with the data.', { timeout: 20_000 });
  await start.click();
  await expect(said).toContainText('1 press is kept on this machine');
  await expect(page.getByText('This build is not here')).toHaveCount(0);
  await server.restart();
  await expect(said).toHaveCount(0, { timeout: 30_000 });
  const stored = (await (await page.request.get(`${server.url}/api/builds/${build}`)).json()) as {
    build: { underway: { piece: string; unit: number; step: string }[] };
  };
  // One press begins a whole batch: each of its units once, although it was sent after a restart.
  const begun = stored.build.underway.map(({ piece, unit, step }) => `${piece} ${unit} ${step}`).sort();
  expect(begun).toEqual(
    [...[1, 2, 3, 4, 5, 6, 7, 8].map((unit) => `plate ${unit} heat`), 'baton 1 heat'].sort(),
  );
});

test('a build that was put aside is listed, comes back, and is deleted for good after asking', async ({
  page,
}) => {
  await page.goto(server.url);
  await page.getByRole('button', { name: 'Put Tidepool lantern aside' }).click();
  const aside = page.getByTestId('aside');
  await expect(aside).toContainText('Put aside: 1');
  await page.reload();
  await aside.getByText('Put aside: 1').click();
  await aside.getByRole('button', { name: 'Bring Tidepool lantern back' }).click();
  await expect(aside).toHaveCount(0);
  await page.getByRole('button', { name: 'Put Tidepool lantern aside' }).click();
  await aside.getByText('Put aside: 1').click();
  await aside.getByRole('button', { name: 'Delete Tidepool lantern for good' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('can’t be brought back');
  await dialog.getByRole('button', { name: 'Not now' }).click();
  await expect(aside).toContainText('Tidepool lantern');
  await aside.getByRole('button', { name: 'Delete Tidepool lantern for good' }).click();
  await dialog.getByRole('button', { name: 'Delete it for good' }).click();
  await expect(aside).toHaveCount(0);
  await server.restart();
  await page.reload();
  await expect(page.getByText('Orrery Courier')).toBeVisible();
  await expect(page.getByText('Tidepool lantern')).toHaveCount(0);
});

test('passes of the plan are reached, read, moved and pinned by keys alone', async ({ page }) => {
  await page.goto(`${server.url}/b/${build}/plan`);
  await expect(page.locator('.working.on')).toHaveCount(0);
  // One stop for the tab key; arrows lead on.
  await expect(page.locator('button.pass[tabindex="0"]')).toHaveCount(1);
  await page.locator('button.pass[tabindex="0"]').focus();
  const first = await focused(page).getAttribute('data-pass');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Home');
  const second = await focused(page).getAttribute('data-pass');
  expect(second).not.toBe(first);
  await page.keyboard.press('ArrowRight');
  const pass = page.locator(`[data-pass="${await focused(page).getAttribute('data-pass')}"]`);
  await expect(pass).toBeFocused();
  await expect(page.locator('button.pass[tabindex="0"]')).toHaveCount(1);

  // Space tells of it, and the focus comes back to it.
  await page.keyboard.press('Space');
  const dialog = page.getByRole('dialog');
  await expect(dialog).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
  await expect(pass).toBeFocused();

  // Escape leaves it where it was; else it is pinned when no key moves it any more.
  const before = (await pass.getAttribute('aria-label'))!;
  await page.keyboard.press('Shift+ArrowRight');
  await expect(pass).not.toHaveAttribute('aria-label', before);
  await page.keyboard.press('Escape');
  await expect(pass).toHaveAttribute('aria-label', before);
  for (let n = 0; n < 4; n += 1) await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(async () => (await demo.stored()).pins?.length).toBe(1);
  await expect(pass).toHaveClass(/pinned/);
  await expect(pass).toBeFocused();
});
