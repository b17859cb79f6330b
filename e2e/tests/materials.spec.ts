import { expect, test } from '@playwright/test';
import { startServer, type RunningServer } from '../server';

let server: RunningServer;
let id: string;
test.beforeEach(async () => {
  server = await startServer();
  const { builds } = (await (await fetch(`${server.url}/api/builds`)).json()) as { builds: { id: string }[] };
  id = builds[0]!.id;
});
test.afterEach(() => server.stop());

test('materials are found, stand side by side, and the label of the own tin wins', async ({ page }) => {
  await page.goto(`${server.url}/b/${id}/materials`);
  await page.getByRole('combobox', { name: /^For/ }).selectOption('seal');
  await page.getByLabel('indoors, no solvent').check();
  await expect(page.getByTestId('material-pva-flex-primer')).toBeVisible();
  await expect(page.getByTestId('material-rubber-dip-spray')).toHaveCount(0);
  await page.getByTestId('material-pva-flex-primer').click();
  await page.getByTestId('material-neoprene-soft').click();
  await expect(page.getByRole('row', { name: /Next coat/ })).toContainText('from 45 min');
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
  await expect(page.getByRole('row', { name: /Next coat/ })).toContainText('from 30 min');
});

test('the pair board judges by state and says why', async ({ page }) => {
  await page.goto(`${server.url}/b/${id}/materials`);
  await page.getByRole('button', { name: 'Does it go over that?' }).click();
  await page.getByRole('button', { name: 'Hobby enamel over Rubber dip spray: stop' }).click();
  await expect(page.getByText('stays tacky and may never cure')).toBeVisible();
  await expect(page.getByText('Ways out: Acrylic-urethane primer between them.')).toBeVisible();
  await page.getByLabel('Laid as').selectOption('normal');
  await expect(
    page.getByRole('button', { name: 'Low-pressure acrylic spray over Rubber dip spray: risk' }),
  ).toBeVisible();
  await page.getByLabel('Laid as').selectOption('dust');
  await expect(
    page.getByRole('button', { name: 'Low-pressure acrylic spray over Rubber dip spray: fine' }),
  ).toBeVisible();
});
