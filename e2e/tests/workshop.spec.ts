import type { Build } from '@fixatum/core';
import { spawn, type ChildProcess } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import { choose, fillMoment, momentOf } from '../fields';
import { startDemo, type Demo } from '../server';
import { expect, test, type Page } from '../test';

let server: Demo['server'];
let id: Demo['id'];

test.beforeEach(async () => {
  ({ server, id } = await startDemo());
});
test.afterEach(() => server.stop());

const open = async (page: Page) => {
  await page.goto(`${server.url}/b/${id}/workshop`);
  await expect(page.getByRole('heading', { name: 'Workshop' })).toBeVisible();
};
const save = async (page: Page) => {
  await page.getByRole('button', { name: 'Save the workshop' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Workshop saved' })).toBeVisible();
};

test('a hygrometer is read, its air counts at the bench, and a silent one is said to be silent', async ({
  page,
}) => {
  const sensor: ChildProcess = spawn(process.execPath, [
    'packages/server/dist/hygrometer.mjs',
    '0',
    'calm-room',
  ]);
  try {
    const port = await new Promise<string>((found) =>
      sensor.stdout!.on('data', (data: Buffer) => {
        const said = /port (\d+)/.exec(data.toString());
        if (said) found(said[1]!);
      }),
    );
    await open(page);
    const room = page.getByTestId('place-room');
    await room.getByRole('spinbutton', { name: 'Hygrometer on port' }).fill(port);
    await save(page);
    await room.getByRole('button', { name: 'Read now' }).click();
    await expect(room.getByRole('status')).toContainText(/(18|19)(\.\d)? °C, 5\d %/);
    await page.getByRole('link', { name: 'Bench' }).click();
    await expect(page.getByRole('list', { name: 'Air' })).toContainText('measured');
    await server.restart();
    await page.reload();
    await expect(page.getByRole('list', { name: 'Air' })).toContainText('measured');
  } finally {
    sensor.kill();
  }
  await open(page);
  await page.getByTestId('place-room').getByRole('button', { name: 'Read now' }).click();
  await expect(page.getByTestId('place-room').getByRole('status')).toContainText('Nothing listens on port');
});

test('a forecast file and pasted hours become the air of a place; what can not be read is said', async ({
  page,
}) => {
  await open(page);
  const porch = page.getByTestId('place-porch');
  await porch.getByLabel('Forecast file for Back porch').setInputFiles({
    name: 'f.json',
    mimeType: 'application/json',
    buffer: Buffer.from(
      '{"format":"fixatum-forecast/1","start":"2027-02-20T18:00","hours":[{"temperatureC":99,"humidityPct":50}]}',
    ),
  });
  await expect(porch.getByRole('alert')).toContainText('otter than 60 °C');
  await porch.getByLabel('Forecast file for Back porch').setInputFiles('demo/forecast/quay-week.json');
  await expect(porch.getByRole('alert')).toHaveCount(0);
  await expect(porch).toContainText('168 hours from 2027-02-20 18:00');
  const room = page.getByTestId('place-room');
  await room.getByRole('button', { name: 'Paste hours' }).click();
  await room.getByLabel(/A line an hour/).fill('18;55\nwarm;56');
  await room.getByRole('button', { name: 'Take these hours' }).click();
  await expect(room.getByRole('alert')).toContainText('Line 2 is not a temperature and a humidity');
  await room.getByLabel(/A line an hour/).fill('18;55\n17,5;56');
  await room.getByRole('button', { name: 'Take these hours' }).click();
  await expect(room).toContainText(
    '2 hours from 2027-02-20 19:00. Until Sat 20 Feb, 21:00; then steady as it was, which is a guess.',
  );
  await save(page);
  await server.restart({ signal: 'SIGKILL' });
  await page.reload();
  await expect(porch).toContainText('168 hours from 2027-02-20 18:00');
  await page.getByRole('link', { name: 'Bench' }).click();
  // Now is in the first of the room's hours; the porch has the first hours of the file.
  await expect(page.getByRole('list', { name: 'Air' })).toContainText('Spare room 18 °C, 55 %');
  await expect(page.getByRole('list', { name: 'Air' })).toContainText(/Back porch: too (cold|damp)/);
});

test('hours, dates and quiet are changed, bad ones refused with nothing lost', async ({ page }) => {
  await open(page);
  await fillMoment(page, 'Worn on', '7/3/2027', '10');
  await page.getByLabel('Quiet hours: no compressor, no sanding').check();
  await page.getByTestId('place-porch').getByLabel('Rack places').fill('0');
  await page.getByRole('button', { name: 'Save the workshop' }).click();
  await expect(page.getByRole('alert')).toContainText('At least one piece must fit');
  await expect(momentOf(page, 'Worn on').date).toHaveValue('Sun 7 Mar');
  await expect(momentOf(page, 'Worn on').time).toHaveValue('10:00');
  // A date that is taken out and written anew keeps its time.
  await momentOf(page, 'Worn on').date.fill('');
  await expect(momentOf(page, 'Worn on').time).toHaveCount(0);
  await momentOf(page, 'Worn on').date.fill('7 Mar');
  await expect(momentOf(page, 'Worn on').time).toHaveValue('10:00');
  // What is no time is told, and stays as it was written.
  await momentOf(page, 'Worn on').time.fill('teatime');
  await page.getByRole('button', { name: 'Save the workshop' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Lantern Quay Fair' })).toBeVisible();
  await expect(page.getByText('No time I can read. Try 19:30.')).toBeVisible();
  await expect(momentOf(page, 'Worn on').time).toHaveValue('teatime');
  await page.getByRole('button', { name: 'Worn on: pick a day' }).click();
  await page.getByRole('button', { name: 'Monday, March 8, 2027' }).click();
  await expect(momentOf(page, 'Worn on').date).toHaveValue('Mon 8 Mar');
  await fillMoment(page, 'Worn on', '7 Mar 2027', '10am');
  await page.getByTestId('place-porch').getByLabel('Rack places').fill('3');
  await save(page);
  await page.reload();
  await expect(momentOf(page, 'Worn on').date).toHaveValue('Sun 7 Mar');
  await expect(momentOf(page, 'Worn on').time).toHaveValue('10:00');
  await expect(page.getByLabel('Quiet hours: no compressor, no sanding')).toBeChecked();
  await page.getByLabel('Quiet hours: no compressor, no sanding').uncheck();
  await save(page);
  await page.reload();
  await expect(page.getByLabel('Quiet hours: no compressor, no sanding')).not.toBeChecked();
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Quiet hours: no compressor, no sanding')).toBeChecked();
});

test('the air of a room that is changed counts from now on, and no coat of before is moved', async ({
  page,
}) => {
  await page.goto(`${server.url}/b/${id}/pieces/gorget/card`);
  const card = page.getByRole('main');
  await expect(card.getByRole('heading', { name: 'Orbit gorget' })).toBeVisible();
  // The cut comes with the plan.
  await expect(card).toContainText('60 µm');
  const before = await card.innerText();
  await open(page);
  const room = page.getByTestId('place-room');
  await room.getByLabel('Temperature').fill('14');
  await save(page);
  await server.restart({ signal: 'SIGKILL' });
  const { build } = (await (await fetch(`${server.url}/api/builds/${id}`)).json()) as { build: Build };
  const place = build.places.find((one) => one.id === 'room')!;
  expect([place.climate, place.airWas]).toMatchObject([
    { kind: 'constant', temperatureC: 14 },
    [{ until: '2027-02-20T19:30', climate: { kind: 'constant', temperatureC: 19 } }],
  ]);
  await page.goto(`${server.url}/b/${id}/pieces/gorget/card`);
  await expect(card.getByRole('heading', { name: 'Orbit gorget' })).toBeVisible();
  await expect(card).toContainText('60 µm');
  expect(await card.innerText()).toBe(before);
});

test('the journal is filtered and saved as a table', async ({ page }) => {
  await page.goto(`${server.url}/b/${id}/journal`);
  const lines = page.getByTestId('journal').getByRole('listitem');
  await expect(lines.first()).toContainText('Orbit gorget');
  await choose(page, 'Piece', 'Orbit gorget');
  await choose(page, 'Material', 'Metallic acrylic');
  await expect(lines).toHaveCount(2);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a table (CSV)' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('orrery-courier-journal.csv');
  const rows = (await readFile((await file.path())!, 'utf8')).split('\r\n');
  expect(rows).toHaveLength(3);
  expect(rows[1]).toContain('Orbit gorget');
});

test('what if: colder air and less waiting show in the dates at once, and nothing is saved', async ({
  page,
}) => {
  await page.goto(`${server.url}/b/${id}/pieces/pauldron`);
  await page.getByRole('button', { name: 'What if?' }).click();
  const outcome = page.getByTestId('what-if');
  const before = await outcome.innerText();
  await page.getByLabel('Temperature').fill('12');
  await expect(outcome).not.toHaveText(before);
  await page.getByLabel('after').first().fill('1');
  await expect(page.getByText('laid before the one below takes it').first()).toBeVisible();
  await page.getByRole('button', { name: 'As it is planned' }).click();
  await expect(page.getByText('laid before the one below takes it')).toHaveCount(0);
});

test('the chance to make the date stands beside the piece', async ({ page }) => {
  await page.goto(`${server.url}/b/${id}/pieces/breastplate`);
  await expect(page.getByTestId('forecast')).toContainText(/% to make Fri 5 Mar, 18:00\. Nine times in ten/);
});
