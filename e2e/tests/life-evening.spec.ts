import { begin } from '../bench';
import { postBuild } from '../postedBuild';
import { startServer, type RunningServer } from '../server';
import { expect, test, type Page } from '../test';

let server: RunningServer;
test.beforeEach(async () => {
  server = await startServer({ now: '2027-02-20T23:40', samples: false });
});
test.afterEach(() => server.stop());

const job = {
  format: 'fixatum-build/1',
  name: 'Salt warden',
  timeZone: 'UTC',
  start: '2027-02-18T18:00',
  events: [{ id: 'fair', name: 'Fair', packAt: '2027-02-27T18:00', wearAt: '2027-02-28T10:00' }],
  people: [
    {
      id: 'me',
      name: 'Me',
      availability: [{ days: ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], from: '19:00', to: '01:30' }],
    },
  ],
  places: [
    {
      id: 'room',
      name: 'Room',
      ventilation: 'extraction',
      slots: 6,
      climate: { kind: 'constant', temperatureC: 20, humidityPct: 50 },
    },
  ],
  pieces: [
    {
      id: 'shield',
      name: 'Shield',
      quantity: 1,
      event: 'fair',
      substrate: { kind: 'eva-foam', thicknessMm: 6, heatSealed: true },
      faces: { outer: { areaCm2: 900 } },
      steps: [
        { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush' },
        { id: 'base', kind: 'base', material: 'flex-acrylic', method: 'brush', colour: '#224488' },
        {
          id: 'runes',
          kind: 'detail',
          material: 'artist-acrylic',
          method: 'brush',
          colour: '#e8d9a0',
          placement: 'lines',
        },
        { id: 'clear', kind: 'topcoat', material: 'satin-varnish', method: 'brush' },
        { id: 'last', kind: 'inspect', looksOver: 'packing' },
      ],
    },
  ],
  log: [
    ['seal', '2027-02-18T20:00'],
    ['base', '2027-02-19T20:00'],
  ].map(([step, doneAt]) => ({ id: step, piece: 'shield', unit: 1, step, coat: 1, face: 'outer', doneAt })),
};

/** Goes on at another time, with the server started again. */
async function later(page: Page, now: string, path: string): Promise<void> {
  await server.restart({ now });
  await page.goto(`${server.url}${path}`);
}

test('an evening that goes on past midnight: lines by hand, a timer into the next day, a last look, packed and worn', async ({
  page,
}) => {
  const { id, stored } = await postBuild(server.url, job);
  const bench = `/b/${id}/bench`;
  const next = page.getByTestId('next-pass');

  // Twenty to midnight: lines by hand, and a timer of 45 min beside them.
  await page.goto(`${server.url}${bench}`);
  await expect(next).toHaveText('Detail');
  await page.getByRole('button', { name: 'Another timer' }).click();
  await expect(page.getByLabel('What for')).toBeFocused();
  await page.getByLabel('What for').fill('Rinse the brush');
  await page.getByLabel('Minutes', { exact: true }).fill('45');
  await page.getByRole('button', { name: 'Go', exact: true }).click();
  const timers = page.getByTestId('timers').getByRole('listitem');
  await expect(timers).toHaveCount(1);
  await begin(page);

  // Ten past twelve, after a restart: it is under way since Saturday, and the timer has gone on.
  await later(page, '2027-02-21T00:10', bench);
  await expect(page.getByText('Under way since Sat 20 Feb, 23:40')).toBeVisible();
  await expect(timers.first()).toContainText('15:00');
  await page.getByTestId('done').click();
  await expect
    .poll(async () => (await stored()).log?.at(-1))
    .toMatchObject({ step: 'runes', startedAt: '2027-02-20T23:40', doneAt: '2027-02-21T00:10' });
  // What would be said of starting at once is not said as if it had been done.
  await expect(next).toHaveText('Topcoat');
  const before = page.getByTestId('before-start');
  await expect(before).toContainText('Begun now: Satin acrylic varnish goes on before');
  await expect(before).not.toContainText('went on');
  await later(page, '2027-02-21T00:30', bench);
  await expect(timers.first()).toContainText('over by 5:00');
  await page.getByRole('button', { name: 'Stop the timer: Rinse the brush' }).click();
  await expect(timers).toHaveCount(0);

  // The clear the evening after, then it dries: the Bench says from when it can be packed, and by when.
  await later(page, '2027-02-21T20:00', bench);
  await begin(page);
  await later(page, '2027-02-21T20:08', bench);
  await page.getByTestId('done').click();
  await expect.poll(async () => (await stored()).log?.at(-1)?.step).toBe('clear');

  // The last look before packing, item by item.
  await later(page, '2027-02-26T19:30', bench);
  await expect(next).toHaveText('Look over before packing');
  const looks = page.getByTestId('look-over').getByRole('checkbox');
  await expect(looks).toHaveCount(4);
  for (const box of await looks.all()) await box.check();
  await page.getByTestId('all-right').click();
  await expect(page.getByRole('heading', { name: 'Everything is ready' })).toBeVisible();
  await expect(page.getByTestId('left-over')).toContainText('Pack by Sat 27 Feb, 18:00');

  await page.goto(`${server.url}/b/${id}/pieces/shield`);
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByText('It is packed now', { exact: true }).click();
  await expect.poll(async () => (await stored()).pieces[0]!.packedAt).toBe('2027-02-26T19:30');
  await later(page, '2027-02-28T18:00', bench);
  await expect(page.getByRole('heading', { name: 'Everything is packed' })).toBeVisible();

  // The journal has the night by its days.
  await page.goto(`${server.url}/b/${id}/journal`);
  await expect(page.getByText('Look over before packing')).toBeVisible();
  await expect(page.getByText('Sun 21 Feb')).toBeVisible();
});
