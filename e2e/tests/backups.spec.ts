import { startDemo, type Demo } from '../server';
import { expect, test } from '../test';

let demo: Demo;
test.beforeEach(async () => {
  demo = await startDemo({ isNew: true });
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
    /: \d+ kinds of piece, \d+ log entries/,
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

test('a build is saved as one file with its photos, looked into and added on another machine', async ({
  page,
}, info) => {
  await page.goto(`${demo.server.url}/b/${demo.id}/bench`);
  await page.getByRole('button', { name: /^Build: Orrery Courier/ }).click();
  const saving = page.waitForEvent('download');
  await page.getByText('Save with photos and readings').click();
  const file = info.outputPath('courier.fixatum.zip');
  await (await saving).saveAs(file);
  const build = await demo.stored();

  const other = await startDemo({ isNew: true });
  try {
    await page.goto(other.server.url);
    const builds = page.getByRole('region', { name: 'Your builds' }).getByRole('listitem');
    await expect(builds.first()).toBeVisible();
    const before = await builds.count();
    await page.getByLabel('Build file').setInputFiles(file);
    const inside = page.getByRole('dialog');
    await expect(inside).toContainText(`${build.name}: ${build.pieces.length} kinds of piece`);
    // Let go, and nothing is there.
    await inside.getByRole('button', { name: 'Not now' }).click();
    await expect(inside).toBeHidden();
    await expect(builds).toHaveCount(before);

    await page.getByLabel('Build file').setInputFiles(file);
    await inside.getByRole('button', { name: 'Add this build' }).click();
    await expect(page).toHaveURL(/\/b\/[\w-]+\/bench$/);
    await expect(page.getByRole('button', { name: /^Build: Orrery Courier/ })).toBeVisible();
    const id = new URL(page.url()).pathname.split('/')[2]!;
    expect(id).not.toBe(other.id);
    // It is on the disk, and equal.
    await other.server.restart({ signal: 'SIGKILL' });
    const answer = await page.request.get(`${other.server.url}/api/builds/${id}`);
    expect((await answer.json()).build).toEqual(build);

    // What is no archive is said in the dialog.
    await page.goto(other.server.url);
    await page
      .getByLabel('Build file')
      .setInputFiles({ name: 'holiday.zip', mimeType: 'application/zip', buffer: Buffer.from('sun') });
    await expect(inside).toContainText('That file can’t be unpacked: it is cut off, or no archive.');
    await expect(inside.getByRole('button', { name: 'Add this build' })).toBeDisabled();
  } finally {
    await other.server.stop();
  }
});
