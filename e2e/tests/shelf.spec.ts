import type { Build } from '@fixatum/core';
import { logNext } from '../bench';
import { field } from '../fields';
import { newPlate } from '../plate';
import { startServer, type RunningServer } from '../server';
import { expect, test, type Page } from '../test';

let server: RunningServer;
test.beforeEach(async () => {
  server = await startServer({ samples: false });
});
test.afterEach(() => server.stop());

const plate = (page: Page) => newPlate(page, server.url);

test('what is missing is bought, stands on the shelf, is laid and taken off; undo puts it back', async ({
  page,
}) => {
  const path = await plate(page);
  await page.goto(`${server.url}${path}/shopping`);
  const primer = page.getByTestId('to-buy').filter({ hasText: 'Flexible PVA foam primer' });
  // 1200 cm² of heat-sealed foam: three coats of 120 µm, and 3 ml that the foam drinks of the first.
  await expect(primer).toContainText('1 × 250 ml');
  await expect(primer).toContainText('takes about 48 ml, up to 67 ml · none on the shelf');
  await primer.getByRole('button', { name: 'What for?' }).click();
  await expect(primer.getByRole('link', { name: 'Plate' })).toBeVisible();
  await primer.getByRole('button', { name: 'Bought' }).click();
  await expect(primer).toHaveCount(0);

  await server.restart();
  await page.goto(`${server.url}${path}/shelf`);
  const level = page.getByTestId('tin').filter({ hasText: 'Flexible PVA foam primer' }).getByTestId('level');
  await expect(level).toHaveText('250 ml of 250 ml');

  await page.goto(`${server.url}${path}/bench`);
  await logNext(page);
  await logNext(page);
  const look = page.getByTestId('look-over');
  for (const box of await look.getByRole('checkbox').all()) await box.check();
  await page.getByTestId('all-right').click();
  await expect(page.getByTestId('next-pass')).toHaveText('Seal, coat 1 of 3');
  await expect(page.getByTestId('tin-check')).toHaveText('Takes about 18 ml; 250 ml in the tin.');
  await logNext(page);
  await page.goto(`${server.url}${path}/shelf`);
  await expect(level).toHaveText('232 ml of 250 ml');
  await page.keyboard.press('Control+z');
  await expect(level).toHaveText('250 ml of 250 ml');
});

test('a tin is added, weighed, emptied and taken off; what can not be is said and nothing is lost', async ({
  page,
}) => {
  const path = await plate(page);
  await page.goto(`${server.url}${path}/shelf`);
  await page.getByRole('button', { name: 'Add a tin' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(dialog).toContainText('Say what is in it.');
  await field(page, 'What is in it').click();
  await page.keyboard.type('Satin acrylic');
  await page.getByRole('option', { name: 'Satin acrylic varnish' }).click();
  await dialog.getByRole('button', { name: '240 ml' }).click();
  await dialog.getByLabel('Left in it, if not full', { exact: true }).fill('300');
  await dialog.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(dialog).toContainText('There is more left than the 240 ml that it holds.');
  await dialog.getByLabel('Left in it, if not full', { exact: true }).fill('200');
  await dialog.getByRole('button', { name: 'Put it on the shelf' }).click();
  const tin = page.getByTestId('tin');
  await expect(tin.getByTestId('level')).toHaveText('200 ml of 240 ml');

  // 253 g, 33 g of it the pot: 220 g at 1.1 g/ml are 200 ml; at 176 g 130 ml.
  await tin.getByRole('button', { name: 'Weigh or set…' }).click();
  await dialog.getByLabel('Weighs now', { exact: true }).fill('176');
  await dialog.getByLabel('Empty it weighs', { exact: true }).fill('33');
  await expect(dialog).toContainText('= 130 ml');
  await dialog.getByRole('button', { name: 'That is what is left' }).click();
  await expect(tin.getByTestId('level')).toHaveText('130 ml of 240 ml');
  await tin.getByRole('button', { name: 'Half left' }).click();
  await expect(tin.getByTestId('level')).toHaveText('120 ml of 240 ml');
  await tin.getByRole('button', { name: 'Empty', exact: true }).click();
  // Half of it should be there by the book: it is asked where that went.
  await expect(dialog).toContainText('120 ml of');
  await dialog.getByRole('button', { name: 'Dried up' }).click();
  await expect(tin.getByTestId('level')).toHaveText('0 ml of 240 ml');
  await page.reload();
  await expect(tin.getByTestId('level')).toHaveText('0 ml of 240 ml');
  await tin.getByRole('button', { name: /menu$/ }).click();
  await page.getByText('Take off the shelf').click();
  await expect(tin).toHaveCount(0);

  // A table comes in whole or not at all.
  const table = (rows: string) => ({
    name: 'shelf.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`material;holds ml;left ml\n${rows}`),
  });
  await page.getByLabel('Table of tins').setInputFiles(table('Craft acrylic;60;12,5\nMoon dust;60;1'));
  await expect(page.getByText('Row 2: no material is called "Moon dust".')).toBeVisible();
  await expect(tin).toHaveCount(0);
  await page
    .getByLabel('Table of tins')
    .setInputFiles(table('Craft acrylic;60;12,5\nRubber dip spray;400;400'));
  await expect(tin).toHaveCount(2);
  await expect(tin.first().getByTestId('level')).toHaveText('13 ml of 60 ml');
});

test('a colour that is mixed asks for its parts; made, it is a pot, and its parts are out of their tins', async ({
  page,
}) => {
  const path = await plate(page);
  await page.goto(`${server.url}${path}/shopping`);
  const line = page.getByTestId('to-buy').filter({ has: page.getByRole('link', { name: 'Mix it instead' }) });
  const colour = (await line.first().innerText()).match(/#[0-9a-f]{6}/)![0];
  await line.first().getByRole('link', { name: 'Mix it instead' }).click();
  const dialog = page.getByRole('dialog');
  // It opens on the mix that comes nearest; this one is made otherwise.
  await expect(dialog.getByLabel('Parts, 2', { exact: true })).toBeVisible();
  const more = dialog.getByRole('button', { name: 'Take part 2 out' });
  while ((await more.count()) > 0) await more.click();
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(dialog.getByRole('alert')).toContainText('Give the mix a name');
  await dialog.getByLabel('What it is called').fill('Harbour grey');
  await dialog.getByLabel('Colour, 1', { exact: true }).fill('#ffffff');
  await dialog.getByLabel('Parts, 1', { exact: true }).fill('3');
  await dialog.getByRole('button', { name: 'A part' }).click();
  await dialog.getByLabel('Colour, 2', { exact: true }).fill('#101010');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByTestId('mix')).toContainText('Harbour grey');
  await expect(page.getByTestId('mix')).toContainText('not made yet');

  // White and black are bought now, and not the colour.
  await page.goto(`${server.url}${path}/shopping`);
  const bought = (of: string) => page.getByTestId('to-buy').filter({ hasText: of });
  await expect(bought('#ffffff')).toHaveCount(1);
  await expect(bought(colour)).toHaveCount(0);
  await bought('#ffffff').getByRole('button', { name: 'Bought' }).click();
  await expect(bought('#ffffff')).toHaveCount(0);
  await bought('#101010').getByRole('button', { name: 'Bought' }).click();
  await expect(bought('#101010')).toHaveCount(0);

  await server.restart();
  await page.goto(`${server.url}${path}/mixes`);
  await page.getByTestId('to-mix').getByRole('button', { name: 'Mix it' }).click();
  await dialog.getByLabel('Make now').fill('40');
  await expect(dialog).toContainText('30 ml');
  await dialog.getByRole('button', { name: 'Made it' }).click();
  await expect(page.getByTestId('mix')).toContainText('40 ml left in pots');
  await page.goto(`${server.url}${path}/shelf`);
  const tin = (of: string) => page.getByTestId('tin').filter({ hasText: of });
  await expect(tin('mix: Harbour grey').getByTestId('level')).toHaveText('40 ml of 40 ml');
  const full = Number((await tin('#ffffff').getByTestId('level').innerText()).match(/of (\d+)/)![1]);
  await expect(tin('#ffffff').getByTestId('level')).toHaveText(`${full - 30} ml of ${full} ml`);
  await page.keyboard.press('u');
  await expect(tin('mix: Harbour grey')).toHaveCount(0);
  await expect(tin('#ffffff').getByTestId('level')).toHaveText(`${full} ml of ${full} ml`);

  // Made, and made again by the same recipe: as much as last time unless one says otherwise, in the colour of the pot before.
  await page.goto(`${server.url}${path}/mixes`);
  for (const ml of ['40', '20']) {
    await page.getByTestId('mix').getByRole('button', { name: 'Make it again' }).click();
    if (ml === '20') await expect(dialog.getByLabel('Make now')).toHaveValue('40');
    await dialog.getByLabel('Make now').fill(ml);
    await dialog.getByRole('button', { name: 'Made it' }).click();
    await expect(dialog).toHaveCount(0);
  }
  await server.restart();
  await page.reload();
  await expect(page.getByTestId('mix')).toContainText(/40 ml on .*, 20 ml on .* · 60 ml left in pots/);
  // Three parts of four: 30 ml, and 15 ml more.
  await page.goto(`${server.url}${path}/shelf`);
  await expect(tin('#ffffff').getByTestId('level')).toHaveText(`${full - 45} ml of ${full} ml`);
});

test('a tin of which little is used gives way to one that is bought anyway, and undo brings it back', async ({
  page,
}) => {
  const piece = (id: string, areaCm2: number, prime: string, colour: string) => ({
    id,
    name: id,
    quantity: 1,
    substrate: { kind: 'eva-foam', thicknessMm: 6 },
    faces: { outer: { areaCm2 } },
    steps: [
      { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush', coats: 2 },
      { id: 'prime', kind: 'prime', material: prime, method: 'foam-brush' },
      { id: 'base', kind: 'base', material: 'flex-acrylic', method: 'foam-brush', colour, coats: 3 },
    ],
  });
  const made = await page.request.post(`${server.url}/api/builds`, {
    data: {
      format: 'fixatum-build/1',
      name: 'Moth herald',
      timeZone: 'UTC',
      start: '2027-02-20T08:00',
      events: [],
      people: [
        { id: 'me', name: 'Me', availability: [{ days: ['sat', 'sun'], from: '08:00', to: '22:00' }] },
      ],
      places: [
        {
          id: 'room',
          name: 'Room',
          ventilation: 'extraction',
          slots: 4,
          climate: { kind: 'constant', temperatureC: 20, humidityPct: 50 },
        },
      ],
      pieces: [
        piece('Wing case', 8000, 'acrylic-pu-primer-grey', '#46584a'),
        piece('Antenna rod', 300, 'acrylic-pu-primer-black', '#4a3a2a'),
      ],
    },
  });
  expect(made.status(), await made.text()).toBe(201);
  const { id } = await made.json();
  await page.goto(`${server.url}/b/${id}/shopping`);
  const lineOf = (name: string) =>
    page.getByTestId('to-buy').filter({ has: page.locator('.name', { hasText: name }) });
  const black = lineOf('primer black');
  const grey = lineOf('primer grey');
  await expect(black.getByTestId('instead')).toContainText('in its place: it is there anyway');
  await expect(grey.getByTestId('instead')).toHaveCount(0);
  await black.getByRole('button', { name: 'Use Acrylic-urethane primer grey' }).click();
  await expect(black).toHaveCount(0);
  await expect(grey).toBeVisible();
  const primed = async () => {
    const { build } = await (await page.request.get(`${server.url}/api/builds/${id}`)).json();
    return (build as Build).pieces[1]!.steps.find(({ kind }) => kind === 'prime')!.material;
  };
  expect(await primed()).toBe('acrylic-pu-primer-grey');
  await page.getByRole('button', { name: 'Undo the last change' }).click();
  await expect(black).toBeVisible();
  expect(await primed()).toBe('acrylic-pu-primer-black');
});
