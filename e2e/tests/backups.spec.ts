import { expect, test } from '@playwright/test';
import { startDemo, type Demo } from '../server';

let demo: Demo;
test.beforeEach(async () => {
  demo = await startDemo();
});
test.afterEach(() => demo.server.stop());

test('a backup is made, looked into and put back, and what there was can be had again', async ({ page }) => {
  const workshop = `${demo.server.url}/b/${demo.id}/workshop`;
  await page.goto(workshop);
  await expect(page.getByText('There is none yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Back up now' }).click();
  const list = page.getByRole('list', { name: 'Backups' });
  await expect(list.getByRole('listitem')).toHaveCount(1);
  await expect(list).toContainText('made by hand');

  await page.getByLabel('Build', { exact: true }).fill('Ruined by a slip');
  await page.getByRole('button', { name: 'Save the workshop' }).click();
  await expect(page.getByText('Workshop saved')).toBeVisible();

  await list.getByRole('button', { name: /^Look into/ }).click();
  const inside = page.getByRole('dialog');
  await expect(inside.getByRole('listitem').filter({ hasText: 'Orrery Courier' })).toContainText(
    /: \d+ pieces, \d+ log entries/,
  );
  await inside.getByRole('button', { name: 'Put it back' }).click();
  await expect(page).toHaveURL(`${demo.server.url}/`);
  expect((await demo.stored()).name).toBe('Orrery Courier');

  await page.goto(workshop);
  await expect(list).toContainText('before another was put back');
  // It is on the disk: the server comes back with it.
  await demo.server.restart({ signal: 'SIGKILL' });
  expect((await demo.stored()).name).toBe('Orrery Courier');
  await page.goto(workshop);
  await expect(list).toContainText('when the program started');
});
