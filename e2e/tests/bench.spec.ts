import type { Build } from '@fixatum/core';
import { begin, logUntil, keepOnly, nextOf } from '../bench';
import { fillMoment } from '../fields';
import { startDemo, type Demo } from '../server';
import { expect, test, type Page } from '../test';

let server: Demo['server'];
let id: Demo['id'];
let stored: Demo['stored'];
test.beforeEach(async () => {
  ({ server, id, stored } = await startDemo());
});
test.afterEach(() => server.stop());

const open = async (page: Page) => {
  await page.goto(`${server.url}/b/${id}/bench`);
  await expect(page.getByTestId('next-pass')).toBeVisible();
};

test('several timers run on through reload, restart and time itself, and are stopped', async ({ page }) => {
  await open(page);
  for (const [what, minutes] of [
    ['Wipe back the wash', '3'],
    ['Tea', '30'],
  ] as const) {
    await page.getByRole('button', { name: 'Another timer' }).click();
    // It takes the focus a moment after it is there, and would take what is typed into another field along.
    await expect(page.getByLabel('What for')).toBeFocused();
    await page.getByLabel('What for').fill(what);
    const time = page.getByLabel('Minutes', { exact: true });
    await time.fill(minutes);
    await expect(time).toHaveValue(minutes);
    await page.getByRole('button', { name: 'Go', exact: true }).click();
  }
  const timers = page.getByTestId('timers').getByRole('listitem');
  await expect(timers).toHaveCount(2);
  await expect(timers.first()).toContainText('3:00');
  await page.reload();
  await expect(timers.first()).toContainText('3:00');
  await server.restart({ now: '2027-02-20T19:32', signal: 'SIGKILL' });
  await page.reload();
  await expect(timers.first()).toContainText('1:00');
  await server.restart({ now: '2027-02-20T19:35' });
  await page.reload();
  await expect(timers.first()).toContainText('over by 2:00');
  await expect(timers.nth(1)).toContainText('25:00');
  await page.getByRole('button', { name: 'Stop the timer: Wipe back the wash' }).click();
  await expect(timers).toHaveCount(1);
});

test('work is laid down and taken up again, and the pause does not count', async ({ page }) => {
  await open(page);
  await page.getByTestId('start').click();
  await page.getByRole('button', { name: 'Pause' }).click();
  await expect(page.getByText('Paused; begun at 19:30')).toBeVisible();
  // A press shows before it is sent; the server has to have both before it restarts with another clock.
  await expect.poll(async () => (await stored()).underway?.[0]?.pausedAt).toBe('2027-02-20T19:30');
  await server.restart({ now: '2027-02-20T19:50' });
  await page.reload();
  await expect(page.getByText(/^0 min of about/)).toBeVisible();
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByText('Under way since 19:30')).toBeVisible();
  await expect(page.getByText(/^0 min of about/)).toBeVisible();
  await expect.poll(async () => (await stored()).underway?.[0]?.pausedMinutes).toBe(20);
});

test('what was not as planned is logged with its note and photo, and what failed comes up again', async ({
  page,
}) => {
  await open(page);
  await logUntil(page, /^Seal, coat 1 of 2/, 'Telescope baton');
  // The baton alone goes wrong; whatever else is in the same batch waits.
  await keepOnly(page, 'Telescope baton');
  await begin(page);
  await page.getByRole('button', { name: 'Not as planned…' }).click();
  await fillMoment(page, 'Done on', '20 Feb 2027', '23:00');
  await page.getByRole('button', { name: 'Log it', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('is still to come');
  await fillMoment(page, 'Done on', '20 Feb 2027', '7.25 pm');
  await page.getByLabel('It failed, and is done again').check();
  await page.getByLabel('Photo').setInputFiles('docs/screenshots/start.png');
  await expect(page.getByAltText('The photo')).toBeVisible();
  await page.getByLabel('Note').fill('A hair in it');
  await page.getByRole('button', { name: 'Log it as failed' }).click();
  await expect(
    page.getByRole('status').filter({ hasText: 'Logged as failed: Telescope baton' }),
  ).toBeVisible();
  await expect
    .poll(async () => (await stored()).log?.at(-1))
    .toMatchObject({
      piece: 'baton',
      step: 'seal',
      outcome: 'failed',
      doneAt: '2027-02-20T19:25',
      note: 'A hair in it',
    });

  await page.getByRole('link', { name: 'Journal' }).click();
  const line = page.getByTestId('journal').getByRole('listitem').filter({ hasText: 'A hair in it' });
  await expect(line).toContainText('■ failed');
  await expect(line.getByAltText('Photo')).toBeVisible();
  await page.goto(`${server.url}/b/${id}/pieces/baton`);
  // The pass is still to do.
  await expect(page.getByTestId('step-seal')).not.toContainText('✓ done');
});

test('a stop is said above Start and asked about once before it is begun', async ({ page }) => {
  const made = await page.request.post(`${server.url}/api/builds`, {
    headers: { 'content-type': 'text/plain' },
    data: JSON.stringify({
      format: 'fixatum-build/1',
      name: 'Tin beetle',
      timeZone: 'Europe/Lisbon',
      start: '2027-02-20T19:00',
      events: [{ id: 'day', name: 'The walk', wearAt: '2027-03-20T10:00' }],
      people: [
        { id: 'me', name: 'Juno', availability: [{ days: ['sat', 'sun'], from: '09:00', to: '22:00' }] },
      ],
      places: [
        {
          id: 'shed',
          name: 'Shed',
          ventilation: 'extraction',
          slots: 4,
          climate: { kind: 'constant', temperatureC: 20, humidityPct: 50 },
        },
      ],
      pieces: [
        {
          id: 'wing',
          name: 'Wing case',
          quantity: 1,
          event: 'day',
          substrate: { kind: 'eva-foam', thicknessMm: 5, heatSealed: true },
          faces: { outer: { areaCm2: 400 } },
          steps: [
            { id: 'dip', kind: 'seal', material: 'rubber-dip-spray', film: 'light' },
            {
              id: 'enamel',
              kind: 'base',
              material: 'hobby-enamel',
              method: 'brush',
              colour: '#2f5f4a',
              thinWith: 'white-spirit',
              thinPct: 20,
              air: 'fan',
            },
          ],
        },
      ],
    }),
  });
  expect(made.ok()).toBe(true);
  const { id: own } = (await made.json()) as { id: string };
  await page.goto(`${server.url}/b/${own}/bench`);
  await expect(page.getByTestId('next-pass')).toHaveText('Seal');
  await begin(page);
  await page.getByTestId('done').click();

  await expect(page.getByTestId('next-pass')).toHaveText('Base colour');
  await expect(page.getByTestId('pass-details')).toHaveText('20 % of white spirit stirred in · a fan on it');
  const before = page.getByTestId('before-start');
  await expect(before).toContainText('■ Stop');
  await expect(before).toContainText('Hobby enamel on Rubber dip spray stays tacky');
  await page.getByTestId('start').click();
  const ask = page.getByTestId('ask-before-stop');
  await expect(ask).toContainText('stays tacky');
  await ask.getByRole('button', { name: 'Not now' }).click();
  await expect(ask).toBeHidden();
  await expect(page.getByTestId('start')).toBeVisible();
  // Somebody who knows better is asked once and not again.
  await page.getByTestId('start').click();
  await page.getByTestId('start-all-the-same').click();
  await page.getByRole('button', { name: 'Not after all…' }).click();
  await page.getByTestId('not-after-all').click();
  await page.getByTestId('start').click();
  await expect(page.getByTestId('done')).toBeVisible();
});

test('a finger on the coat corrects its clock, and undo takes that back', async ({ page }) => {
  await open(page);
  const gorget = page.getByTestId('drying').locator('li').filter({ hasText: 'Orbit gorget' });
  await expect(gorget).toContainText('29 min');
  await gorget.getByRole('button', { name: 'Still tacky' }).click();
  await expect(gorget).toContainText('wet, then touch-dry');
  await expect(gorget.getByRole('button', { name: 'It is dry now' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo the last change' }).click();
  await expect(gorget).toContainText('29 min');
});

test('presses while the server is away are kept, shown, and sent once each when it is back', async ({
  page,
}) => {
  await open(page);
  const first = await nextOf(page);
  await page.getByTestId('start').click();
  await expect(page.getByText(/Under way since 19:30/)).toBeVisible();
  await expect(page.getByText('kept on this machine')).toHaveCount(0);
  // It shows before it is sent; the server has to have this one before it goes away.
  await expect.poll(async () => (await stored()).underway?.length ?? 0).toBeGreaterThan(0);
  const { log, underway } = await stored();
  await server.kill();
  await page.getByTestId('done').click();
  await expect(page.getByTestId('start')).toBeVisible();
  await expect.poll(() => nextOf(page)).not.toBe(first);
  await page.getByTestId('start').click();
  await expect(page.getByText('2 presses are kept on this machine')).toBeVisible();
  // What nobody has heard of yet is taken back here.
  await page.getByRole('button', { name: 'Undo the last change' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Taken back before it was sent' })).toBeVisible();
  await page.getByTestId('start').click();
  await expect(page.getByText('2 presses are kept on this machine')).toBeVisible();
  await server.restart();
  await expect(page.getByText('kept on this machine')).toHaveCount(0);
  // They are sent one after the other; the notice goes with the first that gets through.
  const arrived = async () => {
    const { log: logged, underway: begun } = await stored();
    return { logged: logged!.length, begun: begun?.length ?? 0 };
  };
  // What was done is logged, and what was begun last is under way.
  const done = log!.length + underway!.length;
  await expect.poll(async () => (await arrived()).logged).toBe(done);
  await expect.poll(async () => (await arrived()).begun).toBeGreaterThan(0);
  const { begun } = await arrived();
  await page.reload();
  await expect(page.getByText(/Under way since 19:30/)).toBeVisible();
  // Nothing was sent a second time.
  expect(await arrived()).toEqual({ logged: done, begun });
  const passes = (await stored()).underway!.map((pass) => JSON.stringify([pass.piece, pass.unit, pass.step]));
  expect(new Set(passes).size).toBe(begun);
});

test('a coat is logged with a photo where nobody answers: both are kept here, and sent', async ({ page }) => {
  await open(page);
  await begin(page);
  await expect.poll(async () => (await stored()).underway?.length ?? 0).toBeGreaterThan(0);
  // What the Bench may ask has to be there before the network goes. Parts are loaded one after the other, each with all it needs: once the last
  // is there, all are.
  await expect
    .poll(() =>
      page.evaluate(() =>
        performance.getEntriesByType('resource').some(({ name }) => /\/PieceView-.*\.js/.test(name)),
      ),
    )
    .toBe(true);
  const { log = [] } = await stored();
  await server.kill();
  await page.getByRole('button', { name: 'Not as planned…' }).click();
  await page.getByLabel('Photo').setInputFiles('docs/screenshots/start.png');
  const photo = page.getByAltText('The photo');
  await expect(photo).toBeVisible();
  expect(await photo.evaluate((one: HTMLImageElement) => one.naturalWidth)).toBeGreaterThan(0);
  await page.getByLabel('Note').fill('A run at the rim');
  await page.getByRole('button', { name: 'Log it', exact: true }).click();
  await expect(page.getByText('1 press is kept on this machine')).toBeVisible();
  await server.restart();
  const entry = async () => (await stored()).log?.find(({ note }) => note === 'A run at the rim');
  await expect.poll(async () => (await entry())?.photo).toBeDefined();
  expect((await stored()).log!.length).toBeGreaterThan(log.length);
  const { photo: name } = (await entry())!;
  const kept = await page.request.get(`${server.url}/api/photos/${name}`);
  expect([kept.status(), kept.headers()['content-type']]).toEqual([200, 'image/jpeg']);
  await expect(page.getByText('kept on this machine')).toHaveCount(0);
  await page.getByRole('link', { name: 'Journal' }).click();
  const line = page.getByTestId('journal').getByRole('listitem').filter({ hasText: 'A run at the rim' });
  await expect(line.first().getByAltText('Photo')).toBeVisible();
});

test('killing the server while a hundred entries are logged loses none it said yes to and doubles none', async () => {
  const made = (await (
    await fetch(`${server.url}/api/builds`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        format: 'fixatum-build/1',
        name: 'Scales',
        timeZone: 'UTC',
        start: '2027-02-20T10:00',
        pieces: [
          {
            id: 'scale',
            name: 'Scale',
            quantity: 100,
            substrate: { kind: 'craft-foam', thicknessMm: 2 },
            faces: { outer: { areaCm2: 20 } },
            steps: [{ id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush' }],
          },
        ],
      }),
    })
  ).json()) as { id: string };
  const send = (unit: number) =>
    fetch(`${server.url}/api/builds/${made.id}/log`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        id: `unit-${unit}`,
        piece: 'scale',
        unit,
        step: 'seal',
        coat: 1,
        face: 'outer',
      }),
    }).then(
      (response) => response.status === 201,
      () => false,
    );
  const units = Array.from({ length: 100 }, (_, n) => n + 1);
  const log = async () => (await stored(made.id)).log ?? [];
  let killed: Promise<void> | undefined;
  const acknowledged: number[] = [];
  await Promise.all(
    units.map(async (unit) => {
      if (!(await send(unit))) return;
      acknowledged.push(unit);
      if (acknowledged.length === 30) killed = server.kill();
    }),
  );
  await killed;
  await server.restart();
  expect(acknowledged.length).toBeLessThan(100);
  const kept = new Set((await log()).map((entry) => entry.unit));
  expect(acknowledged.filter((unit) => !kept.has(unit))).toEqual([]);
  // What was not acknowledged is sent again, as the bench does; some of it may have been written all the same.
  for (const unit of units) expect(await send(unit)).toBe(true);
  const all = (await log()).map((entry) => entry.unit).sort((a, b) => a - b);
  expect(all).toEqual(units);
});

test('the whole bench works at phone width', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  const start = page.getByTestId('start');
  expect((await start.boundingBox())!.height).toBeGreaterThanOrEqual(56);
  await start.click();
  await page.getByTestId('done').click();
  await expect(page.getByRole('status').filter({ hasText: 'Logged' })).toBeVisible();
});

test('a timer that is over rings on any screen, not only on the Bench', async ({ page }) => {
  await page.addInitScript(() => {
    const counted = window as unknown as { rings: number; AudioContext: unknown };
    counted.rings = 0;
    const node = {
      frequency: { value: 0 },
      gain: { setValueAtTime: () => undefined, exponentialRampToValueAtTime: () => undefined },
      connect: () => node,
      start: () => (counted.rings += 1),
      stop: () => undefined,
    };
    counted.AudioContext = class {
      currentTime = 0;
      destination = node;
      createOscillator = () => node;
      createGain = () => node;
    };
  });
  const rings = () => page.evaluate(() => (window as unknown as { rings: number }).rings);
  await open(page);
  await page.getByRole('button', { name: 'Another timer' }).click();
  await page.getByLabel('What for').fill('Wipe back the wash');
  await page.getByLabel('Minutes', { exact: true }).fill('3');
  await page.getByRole('button', { name: 'Go', exact: true }).click();
  await expect(page.getByTestId('timers').getByRole('listitem')).toHaveCount(1);
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Plan', exact: true })).toBeVisible();
  expect(await rings()).toBe(0);
  // A press shows before it is sent; the server has to have it before it restarts with another clock.
  await expect.poll(async () => (await stored()).timers?.length).toBe(1);
  await server.restart({ now: '2027-02-20T19:34' });
  await page.reload();
  // One ring has two tones.
  await expect.poll(rings).toBe(2);
});

/** Changes the head of the build behind the page, as another device would. */
async function patched(change: Partial<Build>): Promise<void> {
  const answer = await fetch(`${server.url}/api/builds/${id}`, {
    method: 'PATCH',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(change),
  });
  expect(answer.status).toBe(200);
}

test('a tin that holds too little is asked about before the start, and less will do', async ({ page }) => {
  const { stock } = await stored();
  await patched({ stock: stock!.map((tin) => ({ ...tin, remainingMl: Math.min(tin.remainingMl, 2) })) });
  await open(page);
  await logUntil(page, /^Seal, coat 1 of 2/, 'Compass hand plate');
  await page.getByTestId('start').click();
  const dialog = page.getByRole('dialog', { name: 'Not enough Flexible PVA foam primer' });
  await expect(dialog).toContainText(/It takes about [\d.]+ ml; there are 2 ml on the shelf\./);
  // Another tin, or what to buy, is one press away.
  await expect(dialog.getByRole('link', { name: 'I have another tin: add it' })).toHaveAttribute(
    'href',
    `/b/${id}/shelf`,
  );
  await expect(dialog.getByRole('link', { name: 'See what to buy' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Not now' }).click();
  expect((await stored()).underway ?? []).toEqual([]);
  await page.getByTestId('start').click();
  await dialog.getByTestId('less-will-do').click();
  const anyway = page.getByTestId('start-all-the-same');
  await expect(anyway.or(page.getByTestId('done'))).toBeVisible();
  if (await anyway.isVisible()) await anyway.click();
  await expect.poll(async () => (await stored()).underway?.[0]?.step).toBe('seal');
});

test('a rack that is too small is named once, and put right on the spot', async ({ page }) => {
  const { places } = await stored();
  await patched({ places: places.map((place) => ({ ...place, slots: 2 })) });
  await open(page);
  const note = page.getByTestId('rack-short').filter({ hasText: 'Spare room' });
  await expect(note).toContainText(/▲ \d+ coats wait for room on the rack of Spare room: it has 2 places\./);
  await note.getByRole('button', { name: 'There are more' }).click();
  await note.getByLabel('Places').fill('10');
  await note.getByRole('button', { name: 'Save' }).click();
  await expect(note).toHaveCount(0);
  expect((await stored()).places.find(({ name }) => name === 'Spare room')?.slots).toBe(10);
});

test('a touch test is put right in the journal, and taken out', async ({ page }) => {
  await open(page);
  await page.getByTestId('drying').getByRole('button', { name: 'Still tacky' }).first().click();
  await expect.poll(async () => (await stored()).touchTests?.at(-1)?.state).toBe('tacky');
  const tests = (await stored()).touchTests!;
  await page.goto(`${server.url}/b/${id}/journal`);
  const line = page.getByRole('button', { name: /^Put right: Orbit gorget, .*tacky/ });
  await line.click();
  const dialog = page.getByRole('dialog', { name: 'Put a touch test right' });
  await fillMoment(page, 'Touched on', '20 Feb 2027', '19:28');
  await dialog.getByRole('button', { name: 'Save', exact: true }).click();
  await expect.poll(async () => (await stored()).touchTests?.at(-1)?.at).toBe('2027-02-20T19:28');
  await line.click();
  await dialog.getByRole('button', { name: 'Take it out' }).click();
  await expect.poll(async () => (await stored()).touchTests?.length ?? 0).toBe(tests.length - 1);
  await expect(line).toHaveCount(0);
});
