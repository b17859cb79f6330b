import { readFile } from 'node:fs/promises';
import { batchOf, logNext, logUntil, nextOf } from '../bench';
import { startServer, type RunningServer } from '../server';
import { expect, test, type Page } from '../test';

let server: RunningServer;
test.beforeEach(async () => {
  server = await startServer();
});
test.afterEach(() => server.stop());

async function openDemo(page: Page): Promise<string> {
  await page.goto(server.url);
  await page.getByRole('link', { name: /Orrery Courier/ }).click();
  await expect(page.getByTestId('next-pass')).toBeVisible();
  return /\/b\/([^/]+)\//.exec(page.url())![1]!;
}
const datesOf = (page: Page, piece: string) =>
  page.getByTestId(`piece-${piece}`).getByTestId('ready-dates').innerText();
const ribbonOf = (page: Page, piece: string) =>
  page.getByTestId(`piece-${piece}`).locator('.ribbon').getAttribute('aria-label');

test('the Bench names the next coat; logging it moves its piece; it survives a restart; undo takes it back', async ({
  page,
}) => {
  const id = await openDemo(page);
  await page.goto(`${server.url}/b/${id}/pieces`);
  await expect(page.getByTestId('piece-baton')).toContainText('late');
  const before = { dates: await datesOf(page, 'pouch'), ribbon: await ribbonOf(page, 'pouch') };

  const undo = async (changes: number) => {
    for (let taken = 0; taken < changes; taken += 1) {
      await page.getByRole('button', { name: 'Undo the last change' }).click();
      await expect(page.getByRole('status')).toContainText('Taken back');
      await page.getByRole('button', { name: 'Close' }).click();
      await expect(page.getByRole('status')).toHaveCount(0);
      // The plan that comes back is that of before only once it has come.
      await expect(page.locator('.working.on')).toHaveCount(0);
    }
  };

  // Undo brings the plan back too.
  await page.getByRole('link', { name: 'Bench' }).click();
  const first = await nextOf(page);
  // One pass over the whole set, now or in what follows.
  await expect(page.getByText('Compass hand plate ×8').first()).toBeVisible();
  await logNext(page);
  // A start is taken back with what it led to.
  await undo(1);
  await expect.poll(() => nextOf(page)).toBe(first);
  await page.getByRole('link', { name: 'Pieces' }).click();
  await expect.poll(() => ribbonOf(page, 'pouch')).toBe(before.ribbon);
  expect(await datesOf(page, 'pouch')).toBe(before.dates);

  await page.getByRole('link', { name: 'Bench' }).click();
  await page.getByTestId('start').click();
  await expect(page.getByText(/Under way since 19:30/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/Under way since 19:30/)).toBeVisible();
  await page.getByTestId('done').click();
  await expect.poll(() => nextOf(page)).not.toBe(first);
  let logged = 1 + (await logUntil(page, /^Base colour, coat 2 of 2/, 'Sextant pouch lid'));
  await expect(page.getByText('Craft acrylic, normal coat, brush')).toBeVisible();
  await logNext(page);
  logged += 1;
  // Reference air would give 20 min to touch; at 19 °C and 55 % the deficit is 9.9 of 12.4 hPa: 25.1 min.
  await expect(
    page.getByTestId('drying').locator('li').filter({ hasText: 'Sextant pouch lid' }),
  ).toContainText('26 min');

  await page.getByRole('link', { name: 'Pieces' }).click();
  await expect.poll(() => ribbonOf(page, 'pouch')).not.toBe(before.ribbon);
  const after = { dates: await datesOf(page, 'pouch'), ribbon: await ribbonOf(page, 'pouch') };

  await server.restart({ signal: 'SIGKILL' });
  await page.reload();
  await expect.poll(() => ribbonOf(page, 'pouch')).toBe(after.ribbon);
  expect(await datesOf(page, 'pouch')).toBe(after.dates);

  // Each press of Done takes its start back with it.
  await undo(logged);
  await page.getByRole('link', { name: 'Bench' }).click();
  await expect(page.getByTestId('drying').locator('li').filter({ hasText: 'Sextant pouch lid' })).toHaveCount(
    0,
  );
  await expect.poll(() => nextOf(page)).toBe(first);
});

test('a drying coat counts down as time goes on', async ({ page }) => {
  await openDemo(page);
  const gorget = page.getByTestId('drying').locator('li').filter({ hasText: 'Orbit gorget' });
  await expect(gorget).toContainText('touch-dry, then recoatable');
  await expect(gorget).toContainText('29 min');
  await server.restart({ now: '2027-02-20T19:50' });
  await page.reload();
  await expect(gorget).toContainText('9 min');
});

test('one unit of a set can be started and logged by itself', async ({ page }) => {
  await openDemo(page);
  await logUntil(page, /^Heat-seal/, 'Compass hand plate');
  // One hot air gun for the whole set.
  await expect(batchOf(page)).toContainText('Compass hand plate ×8');
  for (const other of await page.getByRole('checkbox', { name: /^(?!Compass hand plate)/ }).all())
    await other.uncheck();
  await page.getByRole('button', { name: 'one by one' }).click();
  for (const unit of [2, 3, 4, 5, 6, 7, 8])
    await page.getByRole('checkbox', { name: `Compass hand plate, ${unit} of 8` }).uncheck();
  await page.getByTestId('start').click();
  await expect(page.getByText(/Under way/)).toBeVisible();
  await expect(batchOf(page)).toHaveText('Compass hand plate, 1 of 8');
  await page.getByTestId('done').click();
  await expect(page.getByRole('status').filter({ hasText: 'Logged: Compass hand plate' })).toBeVisible();
});

test('opening a broken file says what is wrong and takes nothing in', async ({ page }) => {
  await page.goto(server.url);
  const file = JSON.parse(await readFile('demo/orrery-courier.json', 'utf8')) as {
    pieces: { faces: { outer: { areaCm2: number } } }[];
  };
  file.pieces[2]!.faces.outer.areaCm2 = -4;
  await page.getByLabel('Build file').setInputFiles({
    name: 'bad.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(file)),
  });
  await expect(page.getByRole('alert')).toContainText(
    'Orbit gorget, outer face, area: An area is more than zero.',
  );
  await page.getByLabel('Build file').setInputFiles({
    name: 'half.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format": "fixatum'),
  });
  await expect(page.getByRole('alert')).toContainText('half.json can’t be opened');
  await expect(page.getByRole('alert')).toContainText('not whole JSON');
  await expect(page.getByRole('region', { name: 'Your builds' }).getByRole('listitem')).toHaveCount(2);
});

test('saving a build and opening the file again gives an equal file', async ({ page }) => {
  const id = await openDemo(page);
  const saved = await (await page.request.get(`${server.url}/api/builds/${id}/file`)).text();
  await page.goto(server.url);
  await page
    .getByLabel('Build file')
    .setInputFiles({ name: 'again.json', mimeType: 'application/json', buffer: Buffer.from(saved) });
  // All it brings is there already, so it is for the workshop it came from.
  await expect(page.getByRole('dialog')).toContainText('there already, just so');
  await page.getByRole('button', { name: 'Add this build' }).click();
  await expect(page.getByTestId('next-pass')).toBeVisible();
  const again = /\/b\/([^/]+)\//.exec(page.url())![1]!;
  expect(again).not.toBe(id);
  expect(JSON.parse(await (await page.request.get(`${server.url}/api/builds/${again}/file`)).text())).toEqual(
    JSON.parse(saved),
  );
});

test('keys go round the screens and show themselves', async ({ page }) => {
  await openDemo(page);
  await page.keyboard.press('p');
  await expect(page.getByRole('heading', { name: 'Pieces', level: 1 })).toBeVisible();
  await page.keyboard.press('t');
  await expect(page.getByRole('heading', { name: 'Plan', level: 1 })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('heading', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('heading', { name: 'Keys' })).toBeHidden();
  await page.keyboard.press('b');
  await expect(page.getByTestId('next-pass')).toBeVisible();
  await page.keyboard.press('s');
  await expect(page.getByText(/Under way/)).toBeVisible();
  await page.keyboard.press('d');
  await expect(page.getByRole('status').filter({ hasText: 'Logged' })).toBeVisible();
});

test('an empty shelf of builds offers three ways to begin', async ({ page }) => {
  const empty = await startServer({ samples: false });
  try {
    await page.goto(empty.url);
    await expect(page.getByText('Nothing here yet: begin in one of three ways.')).toBeVisible();
    await page.getByRole('button', { name: 'New build' }).click();
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByRole('alert')).toContainText('Give the build a name');
    await page.getByLabel('What is it called?').fill('Kelp warden');
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByRole('heading', { name: 'No pieces yet' })).toBeVisible();
    await page.goto(empty.url);
    // The demo opens on its pieces, with a tour of five stops that can be left.
    await page.getByRole('button', { name: 'Look at the demo' }).click();
    const tour = page.getByRole('complementary', { name: 'A short tour' });
    await expect(tour).toContainText('1 of 5');
    await expect(page.getByTestId('piece-baton')).toBeVisible();
    await tour.getByRole('button', { name: 'Next' }).click();
    await expect(page).toHaveURL(/\/pieces\/baton$/);
    await tour.getByRole('button', { name: 'Next' }).click();
    await tour.getByRole('button', { name: 'Next' }).click();
    await expect(page.getByTestId('next-pass')).toBeVisible();
    await expect(tour).toContainText('4 of 5');
    await tour.getByRole('button', { name: 'Skip the tour' }).click();
    await page.reload();
    await expect(page.getByTestId('next-pass')).toBeVisible();
    await expect(tour).toHaveCount(0);
  } finally {
    await empty.stop();
  }
});

test('a finding stands beside its step, and its way out is applied and taken back', async ({ page }) => {
  const id = await openDemo(page);
  const added = await page.request.post(`${server.url}/api/builds/${id}/pieces/baton/steps`, {
    data: { at: 0, step: { id: 'grain', kind: 'texture', method: 'stamp', minutes: 5 } },
  });
  expect(added.status()).toBe(201);
  await page.goto(`${server.url}/b/${id}/pieces/baton`);
  const finding = page.getByTestId('finding-R28');
  await expect(finding).toContainText('would melt the texture');
  await finding.getByRole('button', { name: /Heat first/ }).click();
  await expect(finding).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(finding).toHaveCount(1);
});

test('an address of no build says so, once, and leads to those there are', async ({ page }) => {
  await page.goto(`${server.url}/b/none/plan`);
  await expect(page.getByRole('heading', { name: 'This build is not here' })).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'Screens' })).toHaveCount(0);
  await expect(page.getByText('Opening…')).toHaveCount(0);
  await page.getByRole('link', { name: 'See all builds' }).click();
  await expect(page.getByRole('link', { name: /Orrery Courier/ })).toBeVisible();
});
