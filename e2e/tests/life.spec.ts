import type { Build } from '@fixatum/core';
import { begin, logNext } from '../bench';
import { choose, fillMoment, momentOf } from '../fields';
import { newPlate } from '../plate';
import { startServer, type RunningServer } from '../server';
import { expect, test, type Page } from '../test';

let server: RunningServer;
test.beforeEach(async () => {
  server = await startServer({ now: '2027-03-01T19:00', samples: false });
});
test.afterEach(() => server.stop());

/** Goes on at another time, with the server started again. */
async function later(page: Page, now: string, path: string): Promise<void> {
  await server.restart({ now });
  await page.goto(`${server.url}${path}`);
}

test('a plate is lived with for three weeks: missed days, mistakes, a changed mind, packed and finished', async ({
  page,
}) => {
  const path = await newPlate(page, server.url);
  const id = path.split('/')[2]!;
  const stored = async () =>
    ((await (await fetch(`${server.url}/api/builds/${id}`)).json()) as { build: Build }).build;
  const logged = async () => (await stored()).log ?? [];

  // The first evening: two things are done.
  await page.goto(`${server.url}${path}/bench`);
  await logNext(page);
  await logNext(page);
  await expect.poll(async () => (await logged()).length).toBe(2);

  // A week goes by, and the Saturday with it. What was missed is the first thing said; what was done after all is logged together.
  await later(page, '2027-03-08T19:00', `${path}/bench`);
  const missed = page.getByTestId('missed');
  await expect(missed).toContainText(/\d+ days, .*, went by without \d+ coats and tasks that were planned/);
  await expect(missed).toContainText('Plate is ready');
  await page.getByTestId('forgot').click();
  const rows = page.getByTestId('forgotten');
  await rows.nth(0).getByRole('checkbox').check();
  await rows.nth(1).getByRole('checkbox').check();
  await fillMoment(rows.nth(0), 'Done on', '6 Mar 2027', '11:00');
  await fillMoment(rows.nth(1), 'Done on', '6 Mar 2027', '10:00');
  await page.getByRole('button', { name: 'Log it', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('so it was not done before it');
  await fillMoment(rows.nth(1), 'Done on', '6 Mar 2027', '12:00');
  await page.getByRole('button', { name: 'Log it', exact: true }).click();
  await expect(rows).toHaveCount(0);
  await expect
    .poll(async () => (await logged()).map(({ doneAt }) => doneAt).slice(2))
    .toEqual(['2027-03-06T11:00', '2027-03-06T12:00']);
  await expect(missed).toHaveCount(0);

  // A wrong time is put right; what it said before stays readable, also after a restart.
  await page.goto(`${server.url}${path}/journal`);
  await page
    .getByRole('button', { name: /^Put right: / })
    .first()
    .click();
  await expect(momentOf(page, 'Done on').time).toHaveValue('12:00');
  await fillMoment(page, 'Done on', '6 Mar 2027', '12:30');
  await page.getByLabel('Note').fill('By lamp light.');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('put right since')).toBeVisible();
  await later(page, '2027-03-09T19:00', `${path}/journal`);
  await page
    .getByRole('button', { name: /^Put right: / })
    .first()
    .click();
  await expect(page.getByRole('list', { name: 'What it said before' })).toContainText(
    'done Sat 6 Mar, 12:00',
  );
  await page.keyboard.press('Escape');

  // A changed mind: another look goes over what is laid.
  const before = await logged();
  await page.goto(`${server.url}${path}/pieces/plate`);
  await page.getByRole('button', { name: 'Choose a look' }).click();
  await choose(page, 'Look', 'Verdigris copper');
  await expect(page.getByText(/What is logged stays as it is/)).toBeVisible();
  await page.getByRole('button', { name: 'Write these steps' }).click();
  await expect(page.getByText('Steps written for Plate')).toBeVisible();
  expect(await logged()).toEqual(before);
  const { steps } = (await stored()).pieces[0]!;
  for (const { step } of before) expect(steps.map((one) => one.id)).toContain(step);

  // Start and coat are taken back together.
  await page.goto(`${server.url}${path}/bench`);
  await begin(page);
  await page.getByTestId('done').click();
  await expect.poll(async () => (await logged()).length).toBe(before.length + 1);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await logged()).length).toBe(before.length);
  expect((await stored()).underway ?? []).toEqual([]);

  // Packed half done it plans nothing; taken out again it goes on.
  await later(page, '2027-03-19T19:00', `${path}/pieces/plate`);
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByText('It is packed now', { exact: true }).click();
  await page.getByRole('button', { name: 'Pack it; the rest is done later' }).click();
  await expect(page.getByText('what is left of it is not planned')).toBeVisible();
  await page.goto(`${server.url}${path}/bench`);
  await expect(page.getByRole('heading', { name: 'Everything is packed' })).toBeVisible();
  await page.goto(`${server.url}${path}/pieces/plate`);
  await page.getByRole('button', { name: 'Take it out again' }).click();
  await expect(page.getByText('what is left of it is not planned')).toHaveCount(0);

  // Finished with a closing round; opened again in one press.
  await page.goto(`${server.url}${path}/workshop`);
  await page.getByRole('button', { name: 'Finish the build…' }).click();
  await expect(page.getByText(/Plate: \d+ of \d+ coats and tasks/)).toBeVisible();
  await expect(page.getByTestId('closing-hours')).toContainText(/^4 coats and tasks on 2 days/);
  await page.getByRole('button', { name: 'Finish the build', exact: true }).click();
  await expect(page).toHaveURL(`${server.url}/`);
  await later(page, '2027-03-22T19:00', `${path}/bench`);
  await expect(page.getByRole('heading', { name: 'This build is finished' })).toBeVisible();
  await page.getByRole('button', { name: 'Open it again' }).click();
  await expect(page.getByTestId('next-pass')).toBeVisible();
  expect(await logged()).toEqual(before);
});
