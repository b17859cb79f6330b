import { readFile } from 'node:fs/promises';
import { begin } from '../bench';
import { withFile } from '../fields';
import { startDemo, type Demo } from '../server';
import { expect, test, type Page } from '../test';

let demo: Demo;
/** The small build of the demo. */
let build: string;
test.beforeEach(async () => {
  demo = await startDemo();
  build = demo.lantern;
});
test.afterEach(() => demo.server.stop());

const open = async (page: Page, path: string) => {
  await page.goto(`${demo.server.url}/b/${build}/${path}`);
  await expect(page.locator('h1').first()).toBeVisible();
};

test.describe('without the server', () => {
  test.use({ serviceWorkers: 'allow' });

  test('the app opens with what was seen last, takes presses, and sends them when it is back', async ({
    page,
  }) => {
    // Without the server the time is that of the device.
    await page.clock.setFixedTime('2027-02-20T19:30Z');
    await open(page, 'bench');
    await expect(page.getByTestId('next-pass')).toBeVisible();
    // Once what it was made of and the build are kept.
    await expect
      .poll(() =>
        page.evaluate(async () => {
          const parts = await (await caches.open('fixatum-parts')).keys();
          const stores = await indexedDB.databases();
          const seen = await new Promise<unknown>((done) => {
            const asked = indexedDB.open('keyval-store');
            asked.onsuccess = () => {
              const get = asked.result.transaction('keyval').objectStore('keyval').get('fixatum-seen');
              get.onsuccess = () => done(get.result);
            };
          });
          return parts.length > 5 && stores.length > 0 && seen !== undefined;
        }),
      )
      .toBe(true);
    await demo.server.kill();
    await page.reload();
    const what = page.getByTestId('next-pass');
    await expect(what).toBeVisible();
    await expect(page.getByText('No answer from the computer with the data')).toBeVisible();
    await page.getByTestId('start').click();
    await expect(page.getByTestId('done')).toBeVisible();
    await demo.server.restart();
    await expect.poll(async () => (await demo.stored(build)).underway?.length).toBe(1);
    await expect(page.getByText('No answer from the computer with the data')).toHaveCount(0);
  });
});

test('what is typed is asked about before it would be lost', async ({ page }) => {
  await open(page, 'pieces');
  await page.getByRole('button', { name: 'Add a piece' }).click();
  const dialog = page.getByRole('dialog', { name: 'New piece' });
  await dialog.getByLabel('Name', { exact: true }).fill('Kelp mask');
  await page.keyboard.press('Escape');
  const ask = page.getByRole('dialog', { name: 'Leave what you typed?' });
  await ask.getByRole('button', { name: 'Keep on' }).click();
  await expect(ask).toHaveCount(0);
  await expect(dialog.getByLabel('Name', { exact: true })).toHaveValue('Kelp mask');
  await page.mouse.click(5, 400);
  await ask.getByRole('button', { name: 'Throw it away' }).click();
  await expect(dialog).toHaveCount(0);

  await open(page, 'workshop');
  await page.getByLabel('Name', { exact: true }).first().fill('Wrenna');
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await ask.getByRole('button', { name: 'Keep on' }).click();
  await expect(page).toHaveURL(/workshop$/);
  await expect(page.getByLabel('Name', { exact: true }).first()).toHaveValue('Wrenna');
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await ask.getByRole('button', { name: 'Throw it away' }).click();
  await expect(page).toHaveURL(/plan$/);
  // What is saved is left without a word.
  await page.getByRole('link', { name: 'Workshop', exact: true }).click();
  await page.getByLabel('Name', { exact: true }).first().fill('Wrenna');
  await page.getByRole('button', { name: 'Save the workshop' }).click();
  await expect(page.getByRole('button', { name: 'Save the workshop' })).toBeDisabled();
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await expect(page).toHaveURL(/plan$/);
});

test('what was taken back is done again, by button and by key', async ({ page }) => {
  await open(page, 'workshop');
  const name = page.getByLabel('Name', { exact: true }).first();
  await name.fill('Wrenna');
  await page.getByRole('button', { name: 'Save the workshop' }).click();
  await expect(page.getByRole('button', { name: 'Save the workshop' })).toBeDisabled();
  await name.blur();
  const redo = page.getByRole('button', { name: 'Do the last change again' });
  await expect(redo).toHaveCount(0);
  await page.keyboard.press('u');
  await expect(name).toHaveValue('Wren');
  await redo.click();
  await expect(name).toHaveValue('Wrenna');
  await expect(redo).toHaveCount(0);
  // In a field the key is that of the field.
  await page.locator('h1').click();
  await page.keyboard.press('Control+z');
  await expect(name).toHaveValue('Wren');
  await expect(redo).toBeVisible();
  await page.keyboard.press('Control+Shift+Z');
  await expect(name).toHaveValue('Wrenna');
});

test('a screen, reloaded or gone back to, is as it was left', async ({ page }) => {
  await open(page, 'plan');
  await page.getByRole('button', { name: 'Hours', exact: true }).click();
  await expect(page).toHaveURL(/zoom=hours/);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Hours', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await open(page, 'materials');
  await page.getByRole('link', { name: 'Does it go over that?' }).click();
  await expect(page).toHaveURL(/tab=pairs/);
  await page.reload();
  await expect(page.getByTestId('pair-board')).toBeVisible();
  await open(page, 'materials');
  await page.evaluate(() => window.scrollTo(0, 600));
  // By its key, as looking for the link would scroll the page.
  await page.keyboard.press('j');
  await expect(page.getByRole('heading', { name: 'Journal' })).toBeVisible();
  await page.goBack();
  await expect.poll(() => page.evaluate(() => window.scrollY)).toBe(600);
});

test('no screen runs over its sides, down to 320 px', async ({ page }) => {
  test.setTimeout(240_000);
  const over: string[] = [];
  const screens = [
    ...['bench', 'pieces', 'pieces/shell', 'pieces/shell/card', 'pieces/shell/drawing', 'template', 'plan'],
    ...['materials', 'materials?tab=pairs', 'materials?tab=swatches', 'shelf', 'mixes', 'shopping', 'colour'],
    ...['finish', 'journal', 'workshop', 'techniques', 'run-sheets'],
  ];
  for (const path of screens) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await open(page, path);
    for (const width of [320, 390, 768, 1024]) {
      await page.setViewportSize({ width, height: 800 });
      const widest = () =>
        page.evaluate(() => Math.max(document.body.scrollWidth, document.documentElement.scrollWidth));
      // What is measured by a script is laid out a moment later.
      await expect
        .poll(widest, { timeout: 15_000 })
        .toBeLessThanOrEqual(width)
        .catch(async () => over.push(`${path} at ${width} px is ${await widest()} px wide`));
    }
  }
  expect(over).toEqual([]);
});

test('the bench is one big press, targets for gloves, and reads well aloud', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page, 'bench');
  await expect(page.getByTestId('start')).toBeVisible();
  const small = () =>
    page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('button, a, input, [role=button]')].flatMap((one) => {
        const own =
          one.tagName === 'INPUT' ? (one.closest('label, .v-field, .v-selection-control') ?? one) : one;
        const { width, height } = own.getBoundingClientRect();
        // A link within a sentence is as high as its line.
        if (width === 0 || one.closest('p, .unseen') || one.tabIndex < 0) return [];
        return width >= 44 && height >= 44
          ? []
          : [`${Math.round(width)}×${Math.round(height)} ${one.textContent.trim()}`];
      }),
    );
  expect(await small()).toEqual([]);
  await expect(page.getByRole('main')).toMatchAriaSnapshot(`
    - main:
      - list "Air"
      - region "Heat-seal":
        - heading "Heat-seal" [level=1]
        - list "Pieces of this batch":
          - listitem:
            - checkbox "Lantern shell" [checked]
        - button "Start early"
      - complementary:
        - region "Timers":
          - heading "Timers" [level=2]
        - region "Drying":
          - heading "Drying" [level=2]
      - region "In turn, over all builds":
        - heading "In turn, over all builds" [level=2]
  `);
  await page.getByTestId('start').click();
  await expect(page.getByTestId('done')).toBeVisible();
  expect(await small()).toEqual([]);
  // What takes it back asks first, and asking again keeps it.
  await page.getByRole('button', { name: 'Not after all…' }).click();
  await page
    .getByRole('dialog', { name: 'Not after all?' })
    .getByRole('button', { name: 'Keep at it' })
    .click();
  await expect(page.getByTestId('done')).toBeVisible();
  expect((await demo.stored(build)).underway).toHaveLength(1);
});

test.describe('where the clock has twelve hours', () => {
  test.use({ locale: 'en-US', timezoneId: 'America/New_York' });

  test('moments are said and read so', async ({ page }) => {
    await open(page, 'workshop');
    await expect(page.getByRole('group', { name: 'Worn on' }).getByLabel('at')).toHaveValue(/ (am|pm)$/);
    const date = page.getByRole('textbox', { name: 'Worn on' });
    await date.fill('3/6');
    await date.blur();
    await expect(date).toHaveValue('Sat Mar 6');
    await date.fill('March 7, 2027');
    await date.blur();
    await expect(date).toHaveValue('Sun Mar 7');
    await open(page, 'pieces');
    await expect(page.getByTestId('ready-dates').first()).toContainText(
      /[A-Z][a-z]{2} [A-Z][a-z]+ \d+, \d+:\d\d (am|pm)/,
    );
  });
});

test('files are dropped on the screen they belong to, and nowhere else', async ({ page }) => {
  await open(page, 'shelf');
  const tins = page.getByTestId('tin');
  await expect(tins.first()).toBeVisible();
  const before = await tins.count();
  await withFile(page, 'h1', ['dragenter'], 'shelf.csv', '');
  const veil = page.getByText('Drop a table of tins here to put them on the shelf');
  await expect(veil).toBeVisible();
  await withFile(page, 'h1', ['drop'], 'shelf.csv', 'material;holds ml;left ml\nCraft acrylic;60;12');
  await expect(veil).toHaveCount(0);
  await expect(tins).toHaveCount(before + 1);
  // Nothing takes it here, and the app is not pushed out of its window by it.
  await open(page, 'bench');
  expect(await withFile(page, 'h1', ['dragover', 'drop'], 'shelf.csv', 'x')).toEqual([false, false]);
  await page.goto(demo.server.url);
  const file = await (await page.request.get(`${demo.server.url}/api/builds/${build}/file`)).text();
  await expect(page.getByRole('button', { name: 'New build' })).toBeVisible();
  await withFile(page, 'h1', ['dragenter', 'drop'], 'again.json', file);
  await expect(page.getByRole('dialog')).toContainText('there already, just so');
});

test('a part of a screen takes what is dropped on it: a forecast, a saved file, a photo; a screen takes a look', async ({
  page,
}) => {
  await open(page, 'workshop');
  const porch = page.getByTestId('place-porch');
  await expect(porch).toBeVisible();
  const forecast = await readFile('demo/forecast/quay-week.json');
  await withFile(page, '[data-testid=place-porch]', ['dragenter'], 'week.json', forecast);
  await expect(page.getByText('Drop a forecast here: the air of Back porch')).toBeVisible();
  await withFile(page, '[data-testid=place-porch]', ['drop'], 'week.json', forecast);
  await expect(porch).toContainText('168 hours from 2027-02-20 18:00');
  await expect(page.getByText(/168 hours/)).toHaveCount(1);
  await withFile(page, '[aria-labelledby=backups-title]', ['dragenter', 'drop'], 'x.zip', 'no archive');
  await expect(page.getByText('That file can’t be unpacked: it is cut off, or no archive.')).toBeVisible();

  await open(page, 'pieces');
  await withFile(page, 'h1', ['dragenter', 'drop'], 'x.json', '{"format":"x"}');
  await expect(page.getByText('x.json is not a look file')).toBeVisible();

  await open(page, 'bench');
  await begin(page);
  await page.getByRole('button', { name: 'Not as planned…' }).click();
  await expect(page.getByLabel('Photo')).toBeAttached();
  const picture = await readFile('docs/screenshots/start.png');
  await withFile(page, '.photo', ['dragenter', 'drop'], 'bench.png', picture, 'image/png');
  await expect(page.getByAltText('The photo')).toBeVisible();
});

test('a search begins with its words selected, so that what is typed takes their place', async ({ page }) => {
  await open(page, 'shelf');
  await page.getByRole('button', { name: 'Add a tin' }).click();
  const what = page.getByRole('combobox', { name: 'What is in it' });
  await what.fill('satin acr');
  await page.keyboard.press('Enter');
  await expect(what).toHaveValue('Satin acrylic varnish');
  await page.getByLabel('Holds, when full').focus();
  await what.click();
  await expect
    .poll(() => what.evaluate((one: HTMLInputElement) => [one.selectionStart, one.selectionEnd]))
    .toEqual([0, 'Satin acrylic varnish'.length]);
  await page.keyboard.type('wash');
  await expect(what).toHaveValue('wash');
});

test('who measures in inches reads inches, ounces and °F in every sentence', async ({ page }) => {
  await open(page, 'bench');
  await expect(page.getByRole('list', { name: 'Air' })).toContainText('19 °C');
  await page.getByRole('button', { name: /^Build: / }).click();
  await page.getByText('Inches, fl oz, °F').click();
  // 19 °C are 66.2 °F.
  await expect(page.getByRole('list', { name: 'Air' })).toContainText('66 °F');
  for (const path of ['bench', 'pieces/shell', 'plan', 'shopping', 'shelf', 'workshop', 'run-sheets']) {
    await open(page, path);
    await expect(page.locator('.working.on')).toHaveCount(0);
    expect([path, (await page.locator('main').innerText()).match(/\d (ml|l|mm|cm²|°C|µm|m)\b/g)]).toEqual([
      path,
      null,
    ]);
  }
  await open(page, 'pieces/shell');
  await expect(page.getByText(/takes about [\d.]+ fl oz/).first()).toBeVisible();
});

test('on paper the films keep their colour and the buttons go; in the colours of the system they keep theirs', async ({
  page,
}) => {
  await open(page, 'pieces/shell');
  const film = page.locator('.film').first();
  const colourOf = () => film.evaluate((one) => getComputedStyle(one).backgroundColor);
  await expect(film).toBeVisible();
  const usual = await colourOf();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('banner')).toBeHidden();
  for (const one of await page.locator('.v-btn:not(.print)').all()) await expect(one).toBeHidden();
  expect([await colourOf(), await film.evaluate((one) => getComputedStyle(one).printColorAdjust)]).toEqual([
    usual,
    'exact',
  ]);
  await page.emulateMedia({ media: 'screen', forcedColors: 'active' });
  expect(await colourOf()).toBe(usual);
});
