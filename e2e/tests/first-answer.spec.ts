import { choose, fillMoment } from '../fields';
import { startDemo, startServer, type RunningServer } from '../server';
import { expect, test, type Page } from '../test';

let server: RunningServer;
test.afterEach(() => server.stop());

const idOf = (page: Page) => /\/b\/([^/]+)/.exec(page.url())![1]!;

/** Makes a build as the first evening asks for it. */
async function newBuild(page: Page, name: string, day: string): Promise<void> {
  await page.goto(server.url);
  await page.getByRole('button', { name: 'New build' }).click();
  await page.getByLabel('What is it called?').fill(name);
  await page.getByLabel('Worn on', { exact: true }).fill(day);
}

async function addPiece(page: Page, id: string, name: string, cm2: string, look: string): Promise<void> {
  await page.goto(`${server.url}/b/${id}/pieces`);
  await page
    .getByRole('button', { name: /Add the first piece|New piece|Add a piece/ })
    .first()
    .click();
  await page.getByLabel('Name', { exact: true }).fill(name);
  await choose(page, 'Shape', 'Type the area');
  await page.getByLabel('Area of the outer face').fill(cm2);
  await choose(page, 'Look', look);
}
const added = async (page: Page, name: string) => {
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('heading', { name })).toBeVisible();
};

test('the first evening: outside has the air and light of the month, and what that keeps from being sprayed is said', async ({
  page,
}) => {
  server = await startServer({ samples: false, now: '2026-12-01T18:30' });
  await newBuild(page, 'Winter envoy', '22 December 2026');
  await choose(page, 'What is it like outside?', 'warm: hardly any frost, hot summers');
  await page.getByRole('button', { name: 'Make it' }).click();
  await page.waitForURL(/\/b\//);
  const id = idOf(page);
  await addPiece(page, id, 'Signal pistol', '420 cm2', 'Gunmetal');
  await choose(page, 'Sealed with', 'Rubber dip spray');
  await added(page, 'Signal pistol');

  // Free after dark on weekdays: the first can is used on Saturday by day, also where the foam is prepared days before, and the pass
  // says why.
  await page.goto(`${server.url}/b/${id}/plan`);
  const checked = page.getByRole('button', { name: /^Signal pistol: Look over before the first coat, / });
  const seal = page.getByRole('button', {
    name: /^Signal pistol: Seal, coat 1 of 2, inner face, Sat 5 Dec, 1\d:/,
  });
  await expect(seal).toBeVisible();
  await checked.focus();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog');
  await fillMoment(dialog, 'Begin it on', '2 Dec 2026', '20:30');
  await dialog.getByRole('button', { name: 'Pin it' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(checked).toHaveAccessibleName(
    'Signal pistol: Look over before the first coat, Wed 2 Dec, 20:30',
  );
  await expect(page.locator('.working.on')).toHaveCount(0);
  await seal.focus();
  await page.keyboard.press('Enter');
  await expect(dialog).toContainText('Sat 5 Dec');
  await expect(dialog).toContainText(
    'Rubber dip spray wants daylight and 10 °C there; free time is after dark until Sat 5 Dec',
  );
  await page.keyboard.press('Escape');

  // It is assumed until somebody measures; also after a restart.
  await server.restart();
  await page.goto(`${server.url}/b/${id}/workshop`);
  const outside = page.getByTestId('place-outside');
  await expect(outside.getByText('Assumed: nobody has measured here.')).toBeVisible();
  await expect(outside.getByLabel('Only by daylight')).toBeChecked();
  await expect(outside.getByLabel('Carried indoors once touch-dry')).toBeChecked();
});

test('where it never gets warm enough for cans that is said, with a way out that is no can', async ({
  page,
}) => {
  server = await startServer({ samples: false, now: '2026-12-01T18:30' });
  await newBuild(page, 'Frost envoy', '22 December 2026');
  await page.getByRole('button', { name: 'Make it' }).click();
  await page.waitForURL(/\/b\//);
  const id = idOf(page);
  await addPiece(page, id, 'Signal pistol', '420', 'Gunmetal');
  await choose(page, 'Sealed with', 'Rubber dip spray');
  await added(page, 'Signal pistol');
  const finding = page.getByTestId('finding-R34').first();
  await expect(finding).toContainText('Rubber dip spray needs 10 °C, and Outside gets no warmer than');
  await finding.getByRole('list', { name: 'Ways out' }).getByRole('button').first().click();
  await expect(page.getByTestId('finding-R34')).toHaveCount(0);
  await expect(page.getByText('stuck')).toHaveCount(0);
});

test('a new build that is needed sooner goes first; put behind, it is late, says which build has the evenings, and goes before it', async ({
  page,
}) => {
  server = await startServer({ samples: false, now: '2027-02-15T18:30' });
  await newBuild(page, 'Spring colossus', '24 April 2027');
  await page.getByRole('button', { name: 'Make it' }).click();
  await page.waitForURL(/\/b\//);
  const colossus = idOf(page);
  await addPiece(page, colossus, 'Chest', '5000', 'Battle-worn steel');
  await page.getByLabel('How many').fill('12');
  await added(page, 'Chest');
  // Its plan is put by before another build is planned beside it.
  await expect
    .poll(async () => (await (await fetch(`${server.url}/api/builds/${colossus}/plan`)).json())?.plan, {
      timeout: 60_000,
    })
    .toBeTruthy();

  await newBuild(page, 'Quick lantern', '22 February 2027');
  await page.getByRole('button', { name: 'Make it' }).click();
  await page.waitForURL((url) => url.pathname.startsWith('/b/') && !url.pathname.includes(colossus));
  const lantern = idOf(page);
  await addPiece(page, lantern, 'Lantern', '700', 'Aged brass');
  await added(page, 'Lantern');
  await expect(page.getByText('in time').or(page.getByText('tight')).first()).toBeVisible({
    timeout: 30_000,
  });

  await page.goto(server.url);
  await expect(page.getByText('In order of date: the build that is needed first goes first.')).toBeVisible();
  await page.getByRole('button', { name: 'Quick lantern goes after the one below' }).click();
  await expect(page.getByText('In your own order: the top build goes first.')).toBeVisible();

  await page.goto(`${server.url}/b/${lantern}/plan`);
  const offer = page.getByRole('list', { name: 'Builds that go first' });
  await expect(offer).toContainText('Spring colossus goes first and has evenings that this build needs.', {
    timeout: 60_000,
  });
  // The evenings it has are drawn with its name.
  await expect(page.locator('.elsewhere').first()).toContainText('Spring colossus');
  await offer.getByRole('button', { name: 'Go before Spring colossus' }).click();
  await expect(page.getByText('Goes before Spring colossus now')).toBeVisible();
  await expect(offer).toHaveCount(0, { timeout: 60_000 });
  const { workshops } = (await (await fetch(`${server.url}/api/workshops`)).json()) as {
    workshops: { builds: string[] }[];
  };
  expect(workshops[0]!.builds).toEqual([lantern, colossus]);
});

test('a step that is added goes where it belongs, and a join asks with what and waits for that', async ({
  page,
}) => {
  const demo = await startDemo();
  ({ server } = demo);
  await page.goto(`${server.url}/b/${demo.id}/pieces/gorget`);
  await page.getByRole('button', { name: 'Add a step' }).click();
  const dialog = page.getByRole('dialog');
  await choose(page, 'What is done', 'Weather');
  // Found by its name: the list is long.
  await dialog.getByRole('combobox', { name: 'Material', exact: true }).fill('Dry-brushed');
  await page.getByRole('option', { name: 'Dry-brushed acrylic', exact: true }).click();
  await dialog.getByLabel('Colour', { exact: true }).fill('dark olive green');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toHaveCount(0);
  const steps = await page.locator('.step-row strong').allInnerTexts();
  const at = steps.indexOf('Weather');
  expect(at).toBeGreaterThan(0);
  const clear = steps.indexOf('Topcoat');
  if (clear >= 0) expect(steps.lastIndexOf('Weather')).toBeLessThan(clear);
  const piece = (await demo.stored(demo.id)).pieces.find(({ id }) => id === 'gorget')!;
  expect(piece.steps.some(({ colour }) => colour === '#556b2f')).toBe(true);

  // Joined with the crown before its last look, without being told where.
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByText('Join other pieces into this').click();
  await choose(page, 'Joined with', 'Ring crown');
  await page.keyboard.press('Escape');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toHaveCount(0);
  await server.restart();
  const joined = (await demo.stored(demo.id)).pieces.find(({ id }) => id === 'gorget')!;
  const join = joined.steps.findIndex(({ kind }) => kind === 'join');
  expect(joined.steps[join]!.parts).toEqual(['crown']);
  const last = joined.steps.findIndex(({ looksOver }) => looksOver === 'packing');
  if (last >= 0) expect(join).toBeLessThan(last);
});
