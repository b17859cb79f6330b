import { join } from 'node:path';
import { newPlate } from '../plate';
import { startServer, type RunningServer } from '../server';
import { expect, test, type Page } from '../test';

let server: RunningServer;
test.beforeEach(async () => {
  server = await startServer({ samples: false });
});
test.afterEach(() => server.stop());

const corpus = (name: string) => join(import.meta.dirname, '../../packages/core/corpus', name);
const begin = async (page: Page): Promise<string> => {
  const path = await newPlate(page, server.url);
  await page.goto(`${server.url}${path}/pieces`);
  await page.getByRole('link', { name: 'From a template or photo' }).click();
  return path;
};
const open = (page: Page, file: string) =>
  page.getByLabel('Template, mesh or photo').setInputFiles(corpus(file));

test('a drawing over six pages is put together by itself, and taken in only while its lines meet', async ({
  page,
}) => {
  await begin(page);
  await open(page, 'tiled.pdf');
  const rows = page.getByRole('table', { name: 'Outlines' }).getByRole('row');
  await expect(
    page.getByLabel('One drawing, cut up to be printed: lay the pages side by side'),
  ).toBeChecked();
  await expect(page.getByLabel('In a row')).toHaveValue('3');
  await expect(rows).toHaveCount(1);
  // 839.6 cm² by shapely.
  await expect(rows.first()).toContainText('840 cm²');
  await expect(page.getByText('6 frames round the page are left out.')).toBeVisible();
  const take = page.getByRole('button', { name: 'Take it in' });
  await expect(take).toBeEnabled();

  await page.getByLabel('In a row').fill('2');
  await expect(
    page.getByText('Of 12 lines that run over the edge of a page 4 continue on the next.'),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: /^Take/, disabled: false })).toHaveCount(0);
  await page.getByLabel('In a row').fill('3');
  await expect(take).toBeEnabled();
  await take.click();
  await expect(page.getByRole('heading', { name: 'Pieces' })).toBeVisible();
});

test('a sword is finished all round, or on the side that shows, by one press', async ({ page }) => {
  const path = await begin(page);
  await open(page, 'meshes/blade.stl');
  const ways = page.getByRole('group', { name: 'What of it is finished' });
  await expect(ways.getByRole('button', { name: /All round/ })).toHaveAttribute('aria-pressed', 'true');
  // 820.2 cm² by numpy; one side of it is half but for its two ends.
  await expect(page.getByTestId('outer-area')).toHaveText('820 cm²');
  await ways.getByRole('button', { name: /One side/ }).click();
  await expect(page.getByTestId('outer-area')).toHaveText('409 cm²');
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByRole('heading', { name: 'Blade' })).toBeVisible();
  await server.restart();
  await page.goto(`${server.url}${path}/pieces/blade`);
  await page.getByRole('button', { name: 'Change the piece' }).click();
  await expect(page.getByLabel('Outer face')).toHaveValue(/^408\.6/);
});

test('letters on a plate are no holes until somebody says so; a line across it cuts it in two by a press', async ({
  page,
}) => {
  await begin(page);
  await open(page, 'drawings/letters-on-plate.svg');
  const rows = page.getByRole('table', { name: 'Outlines' }).getByRole('row');
  await expect(rows).toHaveCount(1);
  await expect(rows.first()).toContainText('600 cm²');
  await page.getByRole('button', { name: 'They are holes' }).click();
  await expect(rows.first()).not.toContainText('600 cm²');
  await page.getByRole('button', { name: 'They are letters' }).click();
  await expect(rows.first()).toContainText('600 cm²');

  await open(page, 'drawings/cut-across.svg');
  await expect(page.getByText('A line goes right across an outline')).toBeVisible();
  await expect(rows).toHaveCount(1);
  await page.getByRole('button', { name: 'Cut along it' }).click();
  await expect(rows).toHaveCount(2);
  await expect(rows.first()).toContainText('400 cm²');
  await expect(rows.nth(1)).toContainText('200 cm²');
  // A drawing without a unit whose page is a sheet of paper at 72 an inch.
  await open(page, 'drawings/no-unit-72.svg');
  await expect(page.getByText('like this the page is a usual sheet of paper')).toBeVisible();
  await expect(rows.first()).toContainText('13 cm², 152 mm round');
  // What the lines are is never an empty field.
  await open(page, 'drawings/two-layers.svg');
  await expect(page.getByText('as they lie', { exact: true })).toHaveCount(2);
});
