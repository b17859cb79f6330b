import type { Build } from '@fixatum/core';
import { begin, logNext } from '../bench';
import { choose } from '../fields';
import { postBuild } from '../postedBuild';
import { startServer, type RunningServer } from '../server';
import { expect, test, type Page } from '../test';

let server: RunningServer;
test.beforeEach(async () => {
  server = await startServer({ now: '2027-02-20T12:00', samples: false });
});
test.afterEach(() => server.stop());

const steps = [
  { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush' },
  { id: 'red', kind: 'base', material: 'flex-acrylic', method: 'brush', colour: '#884422' },
  { id: 'mask', kind: 'mask', zones: ['trim'] },
  {
    id: 'blue',
    kind: 'base',
    material: 'flex-acrylic',
    method: 'brush',
    colour: '#224488',
    zones: ['panel'],
  },
  { id: 'pull', kind: 'unmask', zones: ['trim'] },
  {
    id: 'wash',
    kind: 'weather',
    material: 'acrylic-wash',
    method: 'brush',
    colour: '#221a12',
  },
  { id: 'clear', kind: 'topcoat', material: 'satin-varnish', method: 'brush' },
];
/** What was done before the afternoon this begins on, hour by hour. */
const log = (
  ['seal 2027-02-18T10:00', 'red 2027-02-18T13:00', 'mask 2027-02-20T09:00', 'blue 2027-02-20T09:30'] as const
).map((line, at) => {
  const [step, doneAt] = line.split(' ');
  return {
    id: `before-${at}`,
    piece: 'plate',
    unit: 1,
    step,
    coat: 1,
    ...(step === 'mask' ? {} : { face: 'outer' }),
    doneAt,
  };
});
/** What four coats before took, against what the book said of them. */
const learned = [10, 11, 12, 13].map((ml, at) => ({
  id: `took-${at}`,
  material: 'flex-acrylic',
  method: 'brush',
  on: '2027-02-10',
  usedMl: ml * 1.5,
  reckonedMl: ml,
}));
const job = {
  format: 'fixatum-build/1',
  name: 'Tide herald',
  timeZone: 'UTC',
  start: '2027-02-18T08:00',
  events: [{ id: 'fair', name: 'Fair', wearAt: '2027-03-06T10:00' }],
  people: [
    {
      id: 'me',
      name: 'Me',
      availability: [{ days: ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], from: '08:00', to: '22:00' }],
    },
  ],
  places: [
    {
      id: 'room',
      name: 'Room',
      ventilation: 'extraction',
      slots: 4,
      climate: { kind: 'constant', temperatureC: 20, humidityPct: 50 },
    },
  ],
  pieces: [
    {
      id: 'plate',
      name: 'Plate',
      quantity: 1,
      substrate: { kind: 'eva-foam', thicknessMm: 6 },
      faces: { outer: { areaCm2: 600 } },
      zones: [
        { id: 'panel', name: 'Panel', share: 0.7 },
        { id: 'trim', name: 'Trim', share: 0.3 },
      ],
      steps,
    },
  ],
  amounts: learned,
  stock: [{ id: 'blue-tin', material: 'flex-acrylic', colour: '#224488', containerMl: 120, remainingMl: 60 }],
  log,
};

/** Begins what comes next and says that it was not as planned. */
async function notAsPlanned(page: Page): Promise<void> {
  await begin(page);
  await page.getByRole('button', { name: 'Not as planned…' }).click();
}
const logIt = (page: Page, words = 'Log it') =>
  page.getByRole('button', { name: words, exact: true }).click();

test('tape takes paint along, a wash dries on, another tin is used, a clear goes milky: each is put right, and stays in the journal', async ({
  page,
}) => {
  const { id, stored } = await postBuild(server.url, job);
  const bench = `${server.url}/b/${id}/bench`;
  const next = page.getByTestId('next-pass');

  // The tape is pulled and takes the red along: the pull is done, and the place is sanded and touched up in that red.
  await page.goto(bench);
  await expect(next).toContainText('Pull');
  await notAsPlanned(page);
  await page.getByLabel('It took paint along').check();
  await logIt(page);
  await expect.poll(async () => (await stored()).pieces[0]!.steps.length).toBe(steps.length + 2);
  const mends = (await stored()).pieces[0]!.steps.filter(({ mends }) => mends !== undefined);
  expect(mends.map(({ kind, zones }) => [kind, zones])).toEqual([
    ['sand', ['trim']],
    ['base', ['trim']],
  ]);
  expect(mends[1]).toMatchObject({ colour: '#884422' });
  await server.restart({ now: '2027-02-20T13:00' });
  await page.goto(bench);
  await expect(next).not.toContainText('Pull');
  for (let n = 0; n < 2; n += 1) await logNext(page);

  // The wash dries before it is wiped: what to do first is said by its cause, and the wash is laid again.
  await server.restart({ now: '2027-02-22T19:00' });
  await page.goto(bench);
  await expect(next).toHaveText('Weather');
  await notAsPlanned(page);
  await page.getByLabel('It failed, and is done again').check();
  await choose(page, 'What went wrong', 'a wash wiped too late');
  await expect(
    page.getByText('What has dried is glazed over with the base colour, not sanded.'),
  ).toBeVisible();
  await logIt(page, 'Log it as failed');
  await expect.poll(async () => (await stored()).log!.at(-1)?.cause).toBe('wiped');
  await server.restart({ now: '2027-02-23T19:00' });
  await page.goto(bench);
  await expect(next).toHaveText('Weather');
  await logNext(page);

  // Another tin than planned is used for the clear, and that goes milky in the night: wait in dry air, not sand at once.
  await server.restart({ now: '2027-02-24T19:00' });
  await page.goto(bench);
  await expect(next).toHaveText(/clear|topcoat/i);
  await notAsPlanned(page);
  await choose(page, 'Which tin', 'Matte acrylic varnish');
  await page.getByLabel('It failed, and is done again').check();
  await choose(page, 'What went wrong', 'milky, bloomed');
  await expect(page.getByText('it may clear by itself')).toBeVisible();
  await logIt(page, 'Log it as failed');
  await expect
    .poll(async () => (await stored()).log!.at(-1))
    .toMatchObject({ step: 'clear', material: 'matte-varnish', outcome: 'failed', cause: 'bloom' });
  await server.restart({ now: '2027-02-27T15:00' });
  await page.goto(bench);
  await expect(next).toHaveText(/clear|topcoat/i);
  await begin(page);
  await page.getByTestId('done').click();
  await expect.poll(async () => (await stored()).log!.at(-1)?.outcome).not.toBe('failed');
  await expect(next).toHaveCount(0);

  // All of it stays readable in the journal.
  await page.goto(`${server.url}/b/${id}/journal`);
  const journal = page.getByTestId('journal');
  for (const words of [
    'The tape took paint along.',
    'a wash wiped too late',
    'milky, bloomed',
    'Matte acrylic varnish',
  ])
    await expect(journal.filter({ hasText: words }).first()).toBeVisible();

  // A build that is made after it in the same workshop takes over what was learned: how much is taken, and how long it dries.
  await page.goto(server.url);
  await page.getByRole('button', { name: 'New build' }).click();
  await page.getByLabel('What is it called?').fill('Tide page');
  await expect(page.getByText('all that was learned')).toBeVisible();
  await page.getByRole('button', { name: 'Make it' }).click();
  await page.getByRole('link', { name: 'Go to Pieces' }).click();
  const second = new URL(page.url()).pathname.split('/')[2]!;
  const { build } = (await (await fetch(`${server.url}/api/builds/${second}`)).json()) as { build: Build };
  expect(build.amounts).toEqual(learned);
  expect(build.people.map(({ name }) => name)).toEqual(['Me']);
  await page.goto(`${server.url}/b/${second}/shelf`);
  await expect(page.getByText(/By brush you take 1\.\d times the book/i)).toBeVisible();
});
