import { choose } from '../fields';
import { startDemo, type Demo } from '../server';
import { expect, test, type Page } from '../test';

let server: Demo['server'];
let id: Demo['id'];
let stored: Demo['stored'];

test.beforeEach(async () => {
  ({ server, id, stored } = await startDemo());
});
test.afterEach(() => server.stop());

test('materials are found, stand side by side, and the label of the own tin wins', async ({ page }) => {
  await page.goto(`${server.url}/b/${id}/materials`);
  await choose(page, 'For', 'Sealers');
  await page.getByLabel('free of solvent').check();
  await expect(page.getByTestId('material-pva-flex-primer')).toBeVisible();
  await expect(page.getByTestId('material-rubber-dip-spray')).toHaveCount(0);
  await page.getByTestId('material-pva-flex-primer').click();
  await page.getByTestId('material-neoprene-soft').click();
  await expect(page.getByRole('row', { name: /Next coat/ })).toContainText('after 45 min');
  await page.getByRole('button', { name: 'My label differs' }).first().click();
  await page.getByLabel('Next coat, minutes').fill('soon');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.locator('.faults')).toContainText('Write windows as');
  await page.getByLabel('Next coat, minutes').fill('30-');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByTestId('material-my-flexible-pva-foam-primer')).toContainText('your tin');
  await server.restart();
  await page.reload();
  await page.getByTestId('material-my-flexible-pva-foam-primer').click();
  // Each figure says where it comes from.
  await expect(page.getByRole('row', { name: /Next coat/ })).toContainText(/after 30 min\s*your label/);
  await expect(page.getByRole('row', { name: /Touch-dry/ })).toContainText('typical');
});

test('what the own tin is made of, thinned and laid with, and its warnings, are asked where unknown and kept over a restart', async ({
  page,
}) => {
  await page.goto(`${server.url}/b/${id}/materials`);
  await page.getByTestId('material-craft-acrylic').click();
  await page.getByRole('button', { name: 'My label differs' }).first().click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('What you call this tin').fill('Porch enamel');
  const binder = dialog.getByLabel('What it is made of');
  await binder.fill('moon dust');
  await dialog.getByRole('button', { name: 'Keep it' }).click();
  // Nothing is kept before it is said what it is most like.
  await expect(dialog.getByText('No rule here knows “moon dust”: choose what it is most like')).toBeVisible();
  await binder.fill('Oil-modified alkyd');
  await expect(dialog.getByText('Taken as alkyd')).toBeVisible();
  await choose(page, 'It is thinned with', 'a solvent');
  await choose(page, 'It attacks what lies below', 'mildly: white spirit');
  // Several can be chosen, so the list stays open until Escape; the middle of the field is a chip.
  await dialog.getByRole('combobox', { name: 'It can be laid with' }).press('ArrowDown');
  await page.getByRole('option', { name: 'airbrush', exact: true }).click();
  await page.keyboard.press('Escape');
  await dialog.getByLabel('Warnings on its label').fill('smells of fish');
  await page.keyboard.press('Enter');
  await expect(
    dialog.getByText('No rule here knows “smells of fish”: it is kept as you wrote it.'),
  ).toBeVisible();
  await dialog.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByTestId('material-porch-enamel')).toContainText('your tin');
  const { materials } = await stored();
  expect(materials?.at(-1)).toMatchObject({
    name: 'Porch enamel',
    binder: 'Oil-modified alkyd',
    carrier: 'solvent',
    solvent: 1,
    hazards: ['smells of fish'],
  });
  expect(materials?.at(-1)?.methods).toContain('airbrush');

  await server.restart();
  await page.reload();
  await page.getByTestId('material-porch-enamel').click();
  await page.getByRole('button', { name: 'Change the label figures' }).first().click();
  await expect(binder).toHaveValue('Oil-modified alkyd');
  await expect(dialog.getByText('a solvent')).toBeVisible();
  await expect(dialog.getByText('mildly: white spirit')).toBeVisible();
  await expect(dialog.getByText('smells of fish', { exact: true })).toBeVisible();
  await expect(dialog.getByText('airbrush', { exact: true })).toBeVisible();
});

test('the pair board judges by state and says why', async ({ page }) => {
  await page.goto(`${server.url}/b/${id}/materials`);
  await page.getByRole('link', { name: 'Does it go over that?' }).click();
  await page.getByRole('button', { name: 'Hobby enamel over Rubber dip spray: stop' }).click();
  await expect(page.getByText('stays tacky and may never cure')).toBeVisible();
  await expect(page.getByText('Would help: Acrylic-urethane primer between them.')).toBeVisible();
  await choose(page, 'Laid as', 'normal coat');
  await expect(
    page.getByRole('button', { name: 'Low-pressure acrylic spray over Rubber dip spray: risk' }),
  ).toBeVisible();
  await choose(page, 'Laid as', 'dust coat');
  await expect(
    page.getByRole('button', { name: 'Low-pressure acrylic spray over Rubber dip spray: fine' }),
  ).toBeVisible();
});

test('the pair board is narrowed to a verdict and to a word', async ({ page }) => {
  await page.goto(`${server.url}/b/${id}/materials`);
  await page.getByRole('link', { name: 'Does it go over that?' }).click();
  await expect(page.getByText('Judging…')).toHaveCount(0);
  const rows = page.getByTestId('pair-board').locator('tbody tr');
  await expect(rows).toHaveCount(10);
  await choose(page, 'Show', '■ stop only');
  await expect(rows).toHaveCount(2);
  await page.getByRole('searchbox', { name: 'Find a name or binder' }).fill('latex');
  await expect(rows).toHaveCount(1);
  await expect(rows).toContainText('Natural latex');
});

/** Puts a normal coat of lacquer on the rubber dip of the pauldrons, which are not begun. */
async function lacquered(page: Page): Promise<void> {
  const pauldron = (await stored()).pieces.find((piece) => piece.id === 'pauldron')!;
  pauldron.steps = pauldron.steps.map((step) =>
    step.id === 'brass'
      ? { ...step, material: 'metallic-lacquer-spray', method: 'aerosol', place: 'porch', film: 'heavy' }
      : step,
  );
  await page.request.put(`${server.url}/api/builds/${id}/pieces/pauldron`, { data: pauldron });
}

test('a finding offers ways that were tried, with what they cost; one press applies, one takes back', async ({
  page,
}) => {
  await lacquered(page);
  await page.goto(`${server.url}/b/${id}/pieces/pauldron`);
  const finding = page.getByTestId('finding-R05');
  await expect(finding).toContainText('▲ Risk');
  const ways = finding.getByRole('list', { name: 'Ways out' }).getByRole('listitem');
  await expect(ways.first()).toContainText(/later|sooner|no time lost/);
  await ways.first().getByRole('button').click();
  await expect(finding).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(finding).toHaveCount(1);
});

test('a swatch is planned from a risk, judged with a photo, and from then on speaks for that pair', async ({
  page,
}) => {
  await lacquered(page);
  await page.goto(`${server.url}/b/${id}/pieces/pauldron`);
  const finding = page.getByTestId('finding-R05');
  await finding.getByRole('button', { name: 'Test it on an offcut' }).click();
  await expect(page.getByText('Swatch planned')).toBeVisible();

  await page.goto(`${server.url}/b/${id}/materials`);
  await page.getByRole('link', { name: 'Swatches' }).click();
  const swatch = page.getByTestId('swatch-swatch');
  await expect(swatch).toContainText('then a heavy coat of Metallic lacquer spray');
  await swatch.getByRole('button', { name: 'Log the result' }).click();
  await page.getByRole('button', { name: 'Keep the result' }).click();
  await expect(page.getByRole('alert')).toContainText('Say whether it held or failed');
  await page.getByLabel('Photo').setInputFiles({
    name: 'notes.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('not a picture'),
  });
  await expect(page.getByText('That is no picture that can be read')).toBeVisible();
  await page.getByLabel('Photo').setInputFiles('docs/screenshots/start.png');
  await expect(page.getByAltText('The photo')).toBeVisible();
  await page.getByRole('button', { name: 'It held' }).click();
  await page.getByLabel('Note').fill('Not a crack in it.');
  await page.getByRole('button', { name: 'Keep the result' }).click();
  await expect(swatch).toContainText('✓ held');

  await server.restart({ signal: 'SIGKILL' });
  await page.goto(`${server.url}/b/${id}/pieces/pauldron`);
  await expect(finding).toContainText('● Note');
  await expect(finding).toContainText('Your own test, 20 Feb 2027: it held. Not a crack in it.');
  await page.goto(`${server.url}/b/${id}/materials`);
  await page.getByRole('link', { name: 'Swatches' }).click();
  const photo = swatch.getByRole('img');
  await expect(photo).toBeVisible();
  await expect.poll(() => photo.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBeGreaterThan(0);
});

test('a material named like a piece of a page stays a name, also where a chart tells of it', async ({
  page,
}) => {
  const name = '<meta http-equiv=refresh content="0;url=/gone">';
  const build = {
    format: 'fixatum-build/1',
    name: 'Names',
    timeZone: 'Europe/Lisbon',
    start: '2027-02-19T08:00',
    places: [],
    people: [],
    events: [],
    materials: [{ id: 'tin', extends: 'craft-acrylic', name }],
    pieces: [
      {
        id: 'plate',
        name: 'Plate',
        quantity: 1,
        substrate: { kind: 'eva-foam', thicknessMm: 6 },
        faces: { outer: { areaCm2: 300 } },
        steps: [{ id: 'base', kind: 'base', material: 'tin', method: 'brush' }],
      },
    ],
    log: [
      { id: 'l', piece: 'plate', unit: 1, step: 'base', coat: 1, face: 'outer', doneAt: '2027-02-20T12:00' },
    ],
    touchTests: [{ id: 't', piece: 'plate', unit: 1, at: '2027-02-20T12:12', state: 'dry' }],
  };
  const made = await page.request.post(`${server.url}/api/builds`, { data: build });
  const { id: buildId } = (await made.json()) as { id: string };
  await page.goto(`${server.url}/b/${buildId}/journal`);
  await expect(page.getByText(`${name} took 60 % of the reckoned time`)).toBeVisible();
  const chart = page.getByRole('img', { name: /reckoned against taken/ });
  await expect(chart.locator('svg')).toBeVisible();
  // Over the whole chart, so over its point too: 20 min reckoned, 12 taken, in the lower right.
  const box = (await chart.boundingBox())!;
  const tip = chart.getByText(/reckoned 20 min, took 12 min/);
  for (let y = 0.15; y < 0.9 && (await tip.count()) === 0; y += 0.02)
    for (let x = 0.15; x < 0.98 && (await tip.count()) === 0; x += 0.03)
      await page.mouse.move(box.x + box.width * x, box.y + box.height * y);
  await expect(tip).toHaveCount(1);
  await expect(page).toHaveURL(/\/journal$/);
  expect(await page.locator('meta[http-equiv=refresh]').count()).toBe(0);
});
