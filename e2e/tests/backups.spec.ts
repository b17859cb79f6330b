import { mkdtemp, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
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

test('copies go to a second folder, and it is said when that is not there', async ({ page }) => {
  const drive = await mkdtemp(join(tmpdir(), 'fixatum-drive-'));
  const workshop = `${demo.server.url}/b/${demo.id}/workshop`;
  await page.goto(workshop);
  await page.getByRole('button', { name: 'Choose a second folder' }).click();
  await page.getByLabel('Second folder for backups, its whole path').fill('usb');
  await page.getByRole('button', { name: 'Use it' }).click();
  await expect(page.getByText('Write the whole path of the folder')).toBeVisible();
  await page.getByLabel('Second folder for backups, its whole path').fill(drive);
  await page.getByRole('button', { name: 'Use it' }).click();
  await expect(page.getByText(`Each backup goes to ${drive}, too, as a zip.`)).toBeVisible();
  await expect(page.getByText('The last one got there')).toBeVisible();
  expect(await readdir(drive)).toHaveLength(1);

  // The drive is unplugged; the next start says so, and makes its backup all the same.
  await rm(drive, { recursive: true });
  await demo.server.restart();
  await page.goto(workshop);
  await expect(page.getByText('Is the drive there?')).toBeVisible();
  await expect(page.getByRole('list', { name: 'Backups' })).toContainText('when the program started');

  await page.getByRole('button', { name: 'Ready the data for copying' }).click();
  await expect(page.getByText(`All is in ${join(demo.server.data, 'fixatum.sqlite')} now`)).toBeVisible();
});

test('of several files that are opened at once each is taken', async ({ page }, info) => {
  const { builds: before } = (await (await fetch(`${demo.server.url}/api/builds`)).json()) as {
    builds: unknown[];
  };
  await page.goto(demo.server.url);
  const torn = info.outputPath('torn.json');
  await writeFile(torn, '{"format"');
  await page
    .getByLabel('Build file or workshop file')
    .setInputFiles(['demo/tidepool-lantern.json', torn, 'demo/orrery-courier.json']);
  for (const name of ['Tidepool lantern', 'Orrery Courier']) {
    const dialog = page.getByRole('dialog', { name: `Where is “${name}” made?` });
    await dialog.getByRole('button', { name: 'Add this build' }).click();
    await expect(dialog).toHaveCount(0);
  }
  await expect(page.getByRole('heading', { name: 'torn.json can’t be opened' })).toBeVisible();
  const { builds } = (await (await fetch(`${demo.server.url}/api/builds`)).json()) as { builds: unknown[] };
  expect(builds).toHaveLength(before.length + 2);
});
