import type { Build, Step } from '@fixatum/core';
import { logNext } from '../bench';
import { choose } from '../fields';
import { startServer, type RunningServer } from '../server';
import { expect, test, type Page } from '../test';

let server: RunningServer;
test.beforeEach(async () => {
  server = await startServer({ samples: false });
});
test.afterEach(() => server.stop());

const air = { kind: 'constant', temperatureC: 20, humidityPct: 50 };
const piece = (id: string, name: string, areaCm2: number, zones: [string, string, number][]) => ({
  id,
  name,
  quantity: 1,
  substrate: { kind: 'eva-foam', thicknessMm: 6 },
  faces: { outer: { areaCm2 } },
  zones: zones.map(([zone, word, share]) => ({ id: zone, name: word, share })),
  steps: [],
});
/** Two pieces of three zones each, called by other names on the second. */
const reliquary = {
  format: 'fixatum-build/1',
  name: 'Reliquary guard',
  timeZone: 'Europe/Lisbon',
  start: '2027-02-20T19:00',
  events: [{ id: 'day', name: 'The procession', wearAt: '2027-04-10T10:00' }],
  people: [
    {
      id: 'me',
      name: 'Juno',
      availability: [
        { days: ['mon', 'tue', 'wed', 'thu', 'fri'], from: '19:00', to: '22:00' },
        { days: ['sat', 'sun'], from: '09:00', to: '18:00' },
      ],
    },
  ],
  places: [
    { id: 'room', name: 'Room', ventilation: 'window', slots: 6, climate: air },
    { id: 'porch', name: 'Porch', ventilation: 'outdoor', slots: 6, climate: air },
  ],
  pieces: [
    piece('shield', 'Sun shield', 1800, [
      ['field', 'Field', 0.6],
      ['rim', 'Rim', 0.3],
      ['boss', 'Boss', 0.1],
    ]),
    piece('greave', 'Greave', 900, [
      ['shin', 'Shin', 0.7],
      ['knee', 'Knee band', 0.25],
      ['studs', 'Studs', 0.05],
    ]),
  ],
};

async function made(page: Page): Promise<{ id: string; steps: (piece: string) => Promise<Step[]> }> {
  const answer = await page.request.post(`${server.url}/api/builds`, {
    headers: { 'content-type': 'text/plain' },
    data: JSON.stringify(reliquary),
  });
  const { id } = (await answer.json()) as { id: string };
  return {
    id,
    steps: async (of) => {
      const { build } = (await (await page.request.get(`${server.url}/api/builds/${id}`)).json()) as {
        build: Build;
      };
      return build.pieces.find((one) => one.id === of)!.steps;
    },
  };
}

test('three zones with unlike undercoats are written, kept as a look with a picture, and done again on another piece', async ({
  page,
}) => {
  const { id, steps } = await made(page);
  await page.goto(`${server.url}/b/${id}/pieces/shield`);
  await page.getByRole('button', { name: 'Choose a look' }).click();
  await choose(page, 'Field', 'Bone and horn');
  await choose(page, 'Rim', 'Polished gold over red-brown');
  await choose(page, 'Boss', 'Clean toy plastic');
  const dialog = page.getByRole('dialog');
  // Where a zone could be taped or brushed, both ways are told, with minutes and metres; a sponge takes no tape.
  await expect(dialog).toContainText(
    /Boss: brushed up to the edge, \d+ min; with \d+\.\d m of tape, \d+ min\./,
  );
  await choose(page, 'Boss', 'Battle-worn steel');
  await expect(dialog).toContainText('Boss: brushed by hand up to the edge, so it needs no tape.');
  const promised = dialog
    .getByRole('row', { name: /^Packable/ })
    .getByRole('cell')
    .first();
  await expect(promised).toHaveText(/\w{3} \d+ \w{3}, \d\d:\d\d/);
  await expect(dialog.locator('tbody.stale')).toHaveCount(0);
  const packable = await promised.innerText();
  await dialog.getByRole('button', { name: 'Write these steps' }).click();
  await expect(page.getByText('Steps written for Sun shield')).toBeVisible();

  const first = await steps('shield');
  const primed = first.filter(({ kind }) => kind === 'prime').map(({ material, zones }) => [material, zones]);
  expect(primed).toEqual([
    ['acrylic-pu-primer-white', ['field']],
    ['acrylic-pu-primer-oxide', ['rim']],
    ['acrylic-pu-primer-black', ['boss']],
  ]);
  // What the dialog said is what the plan shows.
  await expect(dialog).toBeHidden();
  await expect(page.getByText(packable).first()).toBeVisible();

  // Her own minutes for the first step go into the look, and are fitted to the size of the next piece.
  await page.getByRole('button', { name: /^Step 1,/ }).click();
  await page.getByText('Change', { exact: true }).click();
  await dialog.getByRole('spinbutton', { name: 'Your own minutes' }).fill('30');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toBeHidden();

  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByText('Save as a look').click();
  await page.getByLabel('What is the look called?').fill('Sun and bone');
  await page.getByLabel('Tags, parted by commas').fill('processional, ivory');
  await page.getByLabel('Photo').setInputFiles('docs/screenshots/start.png');
  await expect(page.getByAltText('Picture 1')).toBeVisible();
  await page.getByRole('button', { name: 'Keep it here' }).click();
  await expect(page.getByText('Saved as a look: Sun and bone')).toBeVisible();
  await server.restart({ signal: 'SIGKILL' });

  await page.goto(`${server.url}/b/${id}/pieces/greave`);
  await page.getByRole('button', { name: 'Choose a look' }).click();
  // By itself it is found by its tags.
  const shin = page.getByRole('dialog').getByLabel('Shin').first();
  await shin.fill('processional');
  await expect(page.getByRole('option')).toHaveText(['Sun and bone']);
  await page.keyboard.press('Escape');

  await choose(page, 'A finish you saved whole', 'Sun and bone');
  await expect(page.getByAltText('Sun and bone')).toBeVisible();
  await expect(page.getByText('From Sun shield')).toBeVisible();
  // It asks which zone is which, and has a guess.
  for (const [own, known] of [
    ['Shin', 'Field'],
    ['Knee band', 'Rim'],
    ['Studs', 'Boss'],
  ] as const)
    await expect(page.getByRole('dialog')).toContainText(
      new RegExp(`${known}\\s*${own} is painted as|${own} is painted as\\s*${known}`),
    );
  await expect(page.getByRole('dialog')).toContainText('Minutes that were said are scaled to the area.');
  await page.getByRole('button', { name: 'Write these steps' }).click();
  await expect(page.getByText('Steps written for Greave')).toBeVisible();

  const again = await steps('greave');
  const named: Record<string, string> = { field: 'shin', rim: 'knee', boss: 'studs' };
  const told = (list: readonly Step[]) =>
    list.map(({ kind, material, method, coats, film, colour, zones }) => ({
      kind,
      material,
      method,
      coats,
      film,
      colour,
      zones,
    }));
  expect(told(again)).toEqual(
    told(
      first.map((step) => (step.zones ? { ...step, zones: step.zones.map((zone) => named[zone]!) } : step)),
    ),
  );
});

test('how a step is done is told at the bench, and every technique can be searched', async ({ page }) => {
  const { id } = await made(page);
  await page.goto(`${server.url}/b/${id}/pieces/greave`);
  await page.getByRole('button', { name: 'Choose a look' }).click();
  await choose(page, 'Shin', 'Gunmetal');
  await page.getByRole('button', { name: 'Write these steps' }).click();
  await expect(page.getByText('Steps written for Greave')).toBeVisible();
  await page.locator('.step-row').filter({ hasText: 'Heat-seal' }).getByTestId('how').click();
  const card = page.getByRole('article', { name: 'Heat-seal with hot air' });
  await expect(card).toContainText('What goes wrong:');
  await expect(card).toContainText('To save it:');
  // What to wear is told with it.
  await expect(card).toContainText('Hot foam fumes');
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
  await expect(card).toBeHidden();

  await page.getByRole('link', { name: 'Bench' }).click();
  await page.getByTestId('how').first().click();
  await expect(page.getByRole('article')).toBeVisible();
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();

  await page.keyboard.press('h');
  await expect(page.getByRole('heading', { name: 'Techniques' })).toBeVisible();
  await page.getByLabel(/^Search/).fill('tape bleeding');
  await expect(page.getByRole('article')).toHaveCount(1);
  const mask = page.getByRole('article', { name: 'Lay masking tape' });
  await mask.getByRole('button', { name: 'tape-safe' }).click();
  await expect(page.getByText('Dry enough that low-tack tape can be laid and pulled')).toBeVisible();
});

test('a finish is added to one zone, before the clear, and comes off again', async ({ page }) => {
  const { id, steps } = await made(page);
  await page.goto(`${server.url}/b/${id}/pieces/greave`);
  await page.getByRole('button', { name: 'Choose a look' }).click();
  for (const zone of ['Shin', 'Knee band', 'Studs']) await choose(page, zone, 'Gunmetal');
  await page.getByRole('button', { name: 'Write these steps' }).click();
  await expect(page.getByText('Steps written for Greave')).toBeVisible();
  const before = await steps('greave');

  await page.getByRole('button', { name: 'Add a finish' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('radio', { name: /^Rust in three passes/ }).check();
  await expect(dialog).toContainText('Painted in place of powder, as no clear is misted over it here.');
  await dialog.getByRole('checkbox', { name: 'Shin' }).uncheck();
  await dialog.getByRole('checkbox', { name: 'Studs' }).uncheck();
  await expect(dialog).toContainText('Before: Topcoat.');
  await dialog.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByText('Added: Rust in three passes')).toBeVisible();
  const after = await steps('greave');
  const added = after.filter((step) => !before.some((old) => old.id === step.id));
  expect(added.map(({ kind, zones }) => [kind, zones])).toEqual([
    ['weather', ['knee']],
    ['weather', ['knee']],
    ['weather', ['knee']],
  ]);
  expect(after.findIndex(({ kind }) => kind === 'topcoat')).toBeGreaterThan(after.indexOf(added[2]!));
  await page.keyboard.press('Control+z');
  await expect.poll(() => steps('greave')).toEqual(before);
});

test('what fails a look is put right in place: repaired, looked at again, ticked and logged', async ({
  page,
}) => {
  const { id, steps } = await made(page);
  await page.goto(`${server.url}/b/${id}/pieces/greave`);
  await page.getByRole('button', { name: 'Choose a look' }).click();
  await choose(page, 'Shin', 'Bone and horn');
  await choose(page, 'Knee band', 'Polished gold over red-brown');
  await choose(page, 'Studs', 'Polished gold over red-brown');
  await page.getByLabel('Try it on before paint').check();
  await page.getByRole('button', { name: 'Write these steps' }).click();
  await expect(page.getByText('Steps written for Greave')).toBeVisible();
  const stops = async () => (await steps('greave')).flatMap(({ looksOver }) => looksOver ?? []);
  expect(await stops()).toEqual(['worn', 'bare', 'felt', 'primed', 'coloured', 'packing']);

  await page.goto(`${server.url}/b/${id}/bench`);
  const next = page.getByTestId('next-pass');
  const look = page.getByTestId('look-over');
  const tickAll = async () => {
    for (const box of await look.getByRole('checkbox').all()) await box.check();
    await page.getByTestId('all-right').click();
  };
  await logNext(page);
  await logNext(page);
  await expect(next).toHaveText('Try it on');
  await expect(page.getByTestId('all-right')).toBeDisabled();
  await tickAll();
  await expect(next).toHaveText('Look over before the first coat');
  await expect(look.getByRole('checkbox')).toHaveCount(4);

  // A seam can be felt in the knee band: it is filled there and nowhere else, and the plan goes on from that.
  await look.getByRole('button', { name: 'Not right: A seam or gap can be felt' }).click();
  await look.getByRole('option', { name: 'Knee band' }).or(look.getByText('Knee band')).first().click();
  await look.getByRole('button', { name: 'Brush filler in and sand it' }).click();
  await expect(next).toHaveText('Fill');
  const repairs = (await steps('greave')).filter(({ mends }) => mends);
  expect(repairs.map(({ kind, zones }) => [kind, zones])).toEqual([
    ['fill', ['knee']],
    ['sand', ['knee']],
  ]);
  await server.restart();
  await page.reload();
  await logNext(page);
  await logNext(page);
  await expect(next).toHaveText('Look over before the first coat');
  await expect(look).toContainText('Last time: A seam or gap can be felt');
  await tickAll();
  await expect(next).toHaveText(/^Seal/);

  // The journal has both, and a look by itself can be taken back.
  await page.goto(`${server.url}/b/${id}/journal`);
  await expect(page.getByText('A seam or gap can be felt: brush filler in and sand it')).toBeVisible();
});
