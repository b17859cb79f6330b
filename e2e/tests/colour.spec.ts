import { choose } from '../fields';
import { newPlate } from '../plate';
import { startServer, type RunningServer } from '../server';
import { expect, test, type Page } from '../test';

let server: RunningServer;
test.beforeEach(async () => {
  server = await startServer({ samples: false });
});
test.afterEach(() => server.stop());

/** A picture of our own: a lagoon on the left, sand on the right, in light that is a little yellow. */
async function picture(page: Page): Promise<Buffer> {
  const url = await page.evaluate(() => {
    const canvas = document.createElement('canvas');
    canvas.width = 400;
    canvas.height = 200;
    const context = canvas.getContext('2d')!;
    context.fillStyle = '#2f6f62';
    context.fillRect(0, 0, 200, 200);
    context.fillStyle = '#d9cfb4';
    context.fillRect(200, 0, 200, 200);
    return canvas.toDataURL('image/png');
  });
  return Buffer.from(url.slice(url.indexOf(',') + 1), 'base64');
}

test('the main colours of a picture on white are all taken, a small spot among them', async ({ page }) => {
  const path = await newPlate(page, server.url);
  await page.goto(`${server.url}${path}/colour`);
  await page.getByRole('button', { name: 'From a picture' }).click();
  const dialog = page.getByRole('dialog');
  const url = await page.evaluate(() => {
    const canvas = document.createElement('canvas');
    canvas.width = 400;
    canvas.height = 400;
    const context = canvas.getContext('2d')!;
    context.fillStyle = '#ffffff';
    context.fillRect(0, 0, 400, 400);
    const boxes = [
      ['#b4141e', 40],
      ['#1e3c96', 90],
      ['#28783c', 140],
      ['#e6be28', 190],
      ['#5a286e', 240],
    ] as const;
    for (const [colour, y] of boxes) {
      context.fillStyle = colour;
      context.fillRect(40, y, 300, 40);
    }
    // 36 by 36 of 400 by 400: 0.8 % of it.
    context.fillStyle = '#0ab4b4';
    context.fillRect(40, 320, 36, 36);
    return canvas.toDataURL('image/png');
  });
  const buffer = Buffer.from(url.slice(url.indexOf(',') + 1), 'base64');
  await dialog
    .getByLabel('Picture', { exact: true })
    .setInputFiles({ name: 'white.png', mimeType: 'image/png', buffer });
  await dialog.getByRole('button', { name: 'Its main colours' }).click();
  const taken = dialog.getByRole('list', { name: 'Taken' });
  for (const colour of ['#b4141e', '#1e3c96', '#28783c', '#e6be28', '#5a286e', '#0ab4b4', '#ffffff'])
    await expect(taken).toContainText(colour);
  await expect(taken.getByRole('listitem')).toHaveCount(7);
  await dialog.getByRole('button', { name: /in the palette$/ }).click();
  await expect(page.getByTestId('palette')).toContainText('#0ab4b4');
});

test('a colour is picked in a picture, named, mixed, laid, bought; changed once, its step follows', async ({
  page,
}) => {
  const path = await newPlate(page, server.url, 'Clean toy plastic');
  await page.goto(`${server.url}${path}/colour`);
  await page.getByRole('button', { name: 'From a picture' }).click();
  const dialog = page.getByRole('dialog');
  const file = dialog.getByLabel('Picture', { exact: true });
  await file.setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') });
  await expect(dialog.getByRole('alert')).toContainText('take a JPEG, PNG or WebP');
  await file.setInputFiles({ name: 'x.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(dialog.getByRole('alert')).toContainText('damaged');
  await file.setInputFiles({ name: 'quay.png', mimeType: 'image/png', buffer: await picture(page) });
  await expect(dialog.getByRole('alert')).toHaveCount(0);
  const canvas = dialog.getByTestId('picture');
  const box = (await canvas.boundingBox())!;
  await canvas.click({ position: { x: box.width * 0.25, y: box.height / 2 } });
  await expect(dialog.getByRole('list', { name: 'Taken' })).toContainText('#2f6f62');
  await dialog.getByRole('button', { name: 'Put it in the palette' }).click();

  const palette = page.getByTestId('palette');
  await expect(palette).toContainText('#2f6f62');
  await page.getByLabel('Name', { exact: true }).fill('Lagoon');
  await choose(page, 'Laid with', 'Flexible costume acrylic');
  await page.getByRole('button', { name: 'Save the colour' }).click();
  await expect(palette).toContainText('Lagoon');
  await expect(page.getByTestId('follows')).toContainText('No step follows it yet.');

  // Nothing of it is on the shelf: it is mixed from what could be bought.
  const recipe = page.getByTestId('recipe').first();
  await expect(recipe).toContainText('Titanium white');
  await expect(recipe).toContainText(/nobody sees a difference|few see a difference/);
  await recipe.getByRole('button', { name: 'Keep as a mix' }).click();
  await expect(dialog.getByLabel('What it is called')).toHaveValue('Lagoon');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(dialog).toHaveCount(0);

  // The plate's step takes it from the palette.
  await page.goto(`${server.url}${path}/pieces/plate`);
  await page
    .getByRole('button', { name: /Base colour: menu/ })
    .first()
    .click();
  await page.getByText('Change', { exact: true }).click();
  await page.getByRole('group', { name: 'From the palette' }).getByRole('button', { name: 'Lagoon' }).click();
  await expect(dialog.getByLabel('Colour', { exact: true })).toHaveValue('#2f6f62');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toHaveCount(0);

  // Its parts are bought, not the colour.
  await page.goto(`${server.url}${path}/shopping`);
  const bought = (of: string) => page.getByTestId('to-buy').filter({ hasText: of });
  await expect(bought('#f7f7f3')).toHaveCount(1);
  await expect(bought('#2f6f62')).toHaveCount(0);

  await server.restart();
  await page.goto(`${server.url}${path}/colour`);
  await expect(page.getByTestId('follows')).toContainText('One step follows it: Plate');
  await page.getByLabel('Colour', { exact: true }).fill('#7a2f3f');
  await page.getByRole('button', { name: 'Save the colour' }).click();
  await expect(palette).toContainText('#7a2f3f');
  await page.goto(`${server.url}${path}/pieces/plate`);
  await page
    .getByRole('button', { name: /Base colour: menu/ })
    .first()
    .click();
  await page.getByText('Change', { exact: true }).click();
  await expect(dialog.getByLabel('Colour', { exact: true })).toHaveValue('#7a2f3f');
});

test('what covers is told with its days, and written by one press', async ({ page }) => {
  const path = await newPlate(page, server.url, 'Clean toy plastic');
  await page.goto(`${server.url}${path}/colour`);
  await page.getByRole('button', { name: 'Take the colour of the steps' }).click();
  await page.getByLabel('Colour', { exact: true }).fill('#f2c418');
  await page.getByRole('button', { name: 'Save the colour' }).click();
  const grounds = page.getByTestId('ground');
  // The look laid white for its red; that is right for a yellow too.
  await expect(grounds.first()).toContainText('usual for this colour');
  await expect(grounds.first()).toContainText(/2 coats cover it|3 coats cover it/);
  await page.getByRole('button', { name: 'Plan each, to see the days' }).click();
  await expect(grounds.first()).toContainText(/packable \w{3} \d+ \w{3}, \d\d:\d\d/);
  const black = grounds.filter({ hasText: 'Black below' });
  await black.getByRole('button', { name: 'Write it' }).click();
  await expect(black.getByRole('button', { name: 'Written' })).toBeDisabled();
  await page.goto(`${server.url}${path}/pieces/plate`);
  await expect(page.getByText('Acrylic-urethane primer black').first()).toBeVisible();
  // What covers badly is said where the step stands.
  await page.keyboard.press('u');
  await expect(page.getByText('Acrylic-urethane primer black')).toHaveCount(0);
});

test('a finish is painted coat by coat, in three lights, beside another look', async ({ page }) => {
  const path = await newPlate(page, server.url);
  await page.getByRole('link', { name: /What it will look like/ }).click();
  await expect(page).toHaveURL(/finish\?piece=plate/);
  await expect(page.locator('[data-drawn=true]')).toHaveCount(1);
  const stop = page.getByTestId('stop');
  await expect(stop).toContainText('Topcoat');
  const slider = page.getByRole('slider', { name: 'Coat by coat' });
  await slider.focus();
  await page.keyboard.press('Home');
  await expect(stop).toContainText('As it is, before the first coat');
  await page.keyboard.press('ArrowRight');
  await expect(stop).toContainText('Seal');
  await page.getByRole('button', { name: 'a warm hall' }).click();
  await choose(page, 'Shown on', 'a dome');
  await choose(page, 'Beside it', 'Aged brass');
  await expect(page.locator('[data-drawn=true]')).toHaveCount(2);
  await expect(page.getByRole('heading', { name: 'Aged brass' })).toBeVisible();
  expect(path).toMatch(/^\/b\//);
});
