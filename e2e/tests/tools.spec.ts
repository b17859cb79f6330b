import { expect, test } from '../test';
import { postBuild } from '../postedBuild';
import { startDemo, type Demo } from '../server';

let server: Demo['server'];
test.beforeEach(async () => {
  ({ server } = await startDemo());
});
test.afterEach(() => server.stop());

/** A left and a right bracer and a breastplate, airbrushed by two people at once on two evenings a week. */
const plate = (id: string, name: string, others: object = {}) => ({
  id,
  name,
  quantity: 1,
  event: 'fair',
  substrate: { kind: 'eva-foam', thicknessMm: 5 },
  faces: { outer: { areaCm2: 900 } },
  steps: [
    { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush', coats: 2 },
    { id: 'teal', kind: 'base', material: 'airbrush-acrylic', method: 'airbrush', colour: '#2f7d6b' },
    { id: 'clear', kind: 'topcoat', material: 'satin-varnish', method: 'airbrush', film: 'light' },
  ],
  ...others,
});
const evenings = [{ days: ['tue', 'thu'], from: '19:00', to: '22:00' }];
const build = {
  format: 'fixatum-build/1',
  name: 'Lighthouse keeper',
  timeZone: 'Europe/Lisbon',
  start: '2027-02-20T19:30',
  events: [{ id: 'fair', name: 'Harbour fair', packAt: '2027-03-12T18:00', wearAt: '2027-03-13T10:00' }],
  people: [
    { id: 'ina', name: 'Ina', availability: evenings },
    { id: 'tom', name: 'Tom', availability: evenings },
  ],
  places: [
    {
      id: 'attic',
      name: 'Attic',
      ventilation: 'extraction',
      slots: 8,
      climate: { kind: 'constant', temperatureC: 20, humidityPct: 50 },
    },
  ],
  pieces: [
    plate('left', 'Left bracer'),
    plate('right', 'Right bracer', { mirrors: 'left' }),
    plate('breast', 'Breastplate'),
  ],
};

test('a workshop of two says how many airbrushes there are and whose evening may run over, and the plan says what its margin costs', async ({
  page,
}) => {
  const { id, stored } = await postBuild(server.url, build);
  await page.goto(`${server.url}/b/${id}/workshop`);
  const count = page.getByLabel('Airbrushes, with compressor');
  await expect(count).toHaveValue('1');
  await count.fill('0');
  await page.getByRole('button', { name: 'Save the workshop' }).click();
  await expect(page.getByText('at least one', { exact: false })).toBeVisible();
  await count.fill('2');
  await page.getByLabel('An evening may run over by 15 min').first().check();
  await page.getByRole('button', { name: 'Save the workshop' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Workshop saved' })).toBeVisible();
  await server.restart();
  const kept = await stored();
  expect(kept.tools).toEqual({ airbrush: 2, 'heat-gun': 1 });
  expect(kept.people.map(({ overMinutes }) => overMinutes)).toEqual([15, undefined]);

  await page.goto(`${server.url}/b/${id}/plan`);
  await expect(page.getByText(/^\d+ sessions and set-ups; at least \d+ are needed\./)).toBeVisible({
    timeout: 60_000,
  });
});
