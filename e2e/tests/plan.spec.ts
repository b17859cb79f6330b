import type { Build, Piece, Step } from '@fixatum/core';
import { readFile } from 'node:fs/promises';
import { choose, fillMoment } from '../fields';
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
  await page.goto(`${server.url}/b/${id}/plan`);
  await expect(page.getByTestId('standing').getByRole('row')).toHaveCount(14);
  await expect(page.locator('.working.on')).toHaveCount(0);
};
const said = (page: Page, text: string | RegExp) => page.getByRole('status').filter({ hasText: text });

test('the late piece is proven late, and a rescue that was planned for real saves it', async ({ page }) => {
  await open(page);
  const panel = page.getByRole('region', { name: 'Catching up' });
  await expect(panel).toContainText('Telescope baton');
  await page.getByRole('button', { name: 'More on catching up' }).click();
  await expect(panel).toContainText('No order of work can save it');
  await page.getByRole('button', { name: 'Print and export' }).click();
  await page.getByText('Keep this plan to compare with').click();
  const compared = page.getByTestId('standing').getByRole('row').filter({ hasText: 'Telescope baton' });
  await expect(compared).toContainText('the same');
  await panel.getByRole('button', { name: 'Look for ways' }).click();
  const offers = page.getByTestId('rescues').getByRole('listitem');
  await expect(offers.first()).toContainText('✓ makes it', { timeout: 90_000 });
  await expect(offers.first()).toContainText(/sooner · ready .* chance/);
  await offers.first().getByRole('button', { name: 'Do this' }).click();
  const baton = page.locator('.names .lane').filter({ hasText: 'Telescope baton' });
  await expect(baton).not.toContainText('late');
  await expect(page.getByRole('group', { name: 'What the last change moved' })).toContainText(
    'Telescope baton is in time again',
  );
  // Who can't see it move is told the same.
  await expect(page.getByTestId('moved')).toContainText('Telescope baton is in time again');
  await expect(compared).toContainText(/\d days.* sooner/);
  await server.restart({ signal: 'SIGKILL' });
  await page.reload();
  await expect(baton).toContainText(/in time|tight/);
  await page.getByRole('button', { name: 'Undo the last change' }).click();
  await expect(baton).toContainText('late');
});

test('a pass is pinned and stays, also over a restart; where it can not go the reason is said', async ({
  page,
}) => {
  await open(page);
  const pass = page.getByRole('button', { name: /^Dial breastplate: Mask/ });
  await pass.focus();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog');
  await fillMoment(dialog, 'Begin it on', '20 Feb 2027', '18:00');
  await dialog.getByRole('button', { name: 'Pin it' }).click();
  await expect(dialog.getByRole('alert')).toContainText('That time has passed');
  await fillMoment(dialog, 'Begin it on', '2027-02-25', '20:00');
  await dialog.getByRole('button', { name: 'Pin it' }).click();
  const there = page.getByRole('button', { name: 'Dial breastplate: Mask, Thu 25 Feb, 20:00' });
  await expect(there).toBeVisible();
  await server.restart();
  await page.reload();
  await expect(there).toBeVisible();
  expect((await stored()).pins).toEqual([
    { operation: 'breastplate/1/mask-brass/1/-', at: '2027-02-25T20:00' },
  ]);
  await there.focus();
  await page.keyboard.press('Enter');
  await dialog.getByRole('button', { name: 'Let it go' }).click();
  await expect(there).toHaveCount(0);
});

/** A build of its own, so that what the planner makes of the demo does not matter: Wren is free in the evenings, but on Wednesday the 24th. */
async function openOwn(
  page: Page,
  start: string,
  steps: Step[],
): Promise<{ id: string; piece: () => Promise<Piece> }> {
  const build: Build = {
    format: 'fixatum-build/1',
    name: 'Reed crown',
    timeZone: 'Europe/Lisbon',
    start,
    events: [{ id: 'day', name: 'The walk', wearAt: '2027-03-20T10:00' }],
    people: [
      {
        id: 'wren',
        name: 'Wren',
        availability: [
          { days: ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], from: '19:00', to: '22:00' },
        ],
        exceptions: [{ date: '2027-02-24', windows: [] }],
      },
    ],
    places: [
      {
        id: 'room',
        name: 'Room',
        ventilation: 'window',
        slots: 4,
        climate: { kind: 'constant', temperatureC: 20, humidityPct: 50 },
      },
    ],
    pieces: [
      {
        id: 'crown',
        name: 'Crown',
        quantity: 1,
        event: 'day',
        substrate: { kind: 'eva-foam', thicknessMm: 5 },
        faces: { outer: { areaCm2: 600 } },
        steps,
      },
    ],
  };
  const made = await page.request.post(`${server.url}/api/builds`, {
    headers: { 'content-type': 'text/plain' },
    data: JSON.stringify(build),
  });
  const own = ((await made.json()) as { id: string }).id;
  await page.goto(`${server.url}/b/${own}/plan?zoom=all`);
  return { id: own, piece: async () => (await stored(own)).pieces[0]! };
}

test('a pass is dragged along time; on a day off it goes on and says why', async ({ page }) => {
  await openOwn(page, '2027-02-23T19:00', [{ id: 'prep', kind: 'prep', minutes: 30 }]);
  const pass = page.getByRole('button', { name: /^Crown: Prep, Tue 23 Feb/ });
  const box = (await pass.boundingBox())!;
  const span = await page.evaluate(() => {
    const days = [...document.querySelectorAll<HTMLElement>('.midnight')].map((one) => one.offsetLeft);
    return days[2]! - days[1]!;
  });
  await page.mouse.move(box.x + box.width / 2, box.y + 3);
  await page.mouse.down();
  // A day on is Wednesday the 24th, which Wren has off.
  await page.mouse.move(box.x + box.width / 2 + span, box.y + 3, { steps: 8 });
  await page.mouse.up();
  await expect(
    said(page, /It can’t begin Wed 24 Feb, .*: nobody is free then\. It begins Thu 25 Feb/),
  ).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(pass).toBeVisible();
});

test('coats that are to dry through one by one wait for it, until that is taken back', async ({ page }) => {
  const own = await openOwn(page, '2027-02-20T19:00', [
    { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush', film: 'light', coats: 2 },
  ]);
  const second = page.getByRole('button', { name: /^Crown: Seal, coat 2 of 2/ });
  const at = async () => /\w{3} \d+ \w{3}, \d\d:\d\d/.exec((await second.getAttribute('aria-label'))!)![0];
  // A light coat takes the next after 21 min by its label, and is tape-safe after 360: as planned, both go on in one evening.
  const before = await at();
  expect(before).toMatch(/^Sat 20 Feb, (19|20):/);
  await page.goto(`${server.url}/b/${own.id}/pieces/crown`);
  await page.getByRole('button', { name: /^Step 1,/ }).click();
  await page.getByText('Change', { exact: true }).click();
  await choose(page, 'Goes on', 'coat by coat, each once what is below is dry through');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByTestId('step-seal')).toContainText('each coat once what is below is dry through');
  expect((await own.piece()).steps[0]).toMatchObject({ waitFor: 'through' });
  await server.restart();
  await page.goto(`${server.url}/b/${own.id}/plan?zoom=all`);
  expect(await at()).not.toMatch(/^Sat 20 Feb/);
  await page.keyboard.press('Control+z');
  await expect.poll(at).toBe(before);
});

test('a better plan is looked for as long as one likes', async ({ page }) => {
  await open(page);
  await page.getByRole('button', { name: 'Look for a better plan' }).click();
  await expect(page.getByText(/\d+ orders tried/)).toBeVisible();
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Look for a better plan' })).toBeVisible();
});

test('while nothing is pressed a better plan is looked for too, unless that is switched off', async ({
  page,
}) => {
  await open(page);
  const allowed = page.getByRole('checkbox', { name: /^also while you pause/ });
  await expect(allowed).not.toBeChecked();
  await allowed.check();
  const looking = page.getByRole('checkbox', { name: 'also while you pause: looking' });
  await expect(looking).toBeVisible();
  // Whoever moves has the machine to themselves.
  await page.mouse.move(200, 300);
  await expect(looking).toHaveCount(0);
  await expect(looking).toBeVisible();
  await allowed.uncheck();
  await expect(looking).toHaveCount(0);
});

test('the plan is taken along as a calendar, a table and on paper', async ({ page }) => {
  await open(page);
  const take = async (name: string) => {
    await page.getByRole('button', { name: 'Print and export' }).click();
    const download = page.waitForEvent('download');
    await page.getByText(name).click();
    const file = await download;
    return { name: file.suggestedFilename(), text: await readFile((await file.path())!, 'utf8') };
  };
  const calendar = await take('Calendar file (ICS)');
  expect(calendar.name).toBe('orrery-courier-plan.ics');
  const uids = (text: string) => text.replace(/\r\n[ \t]/g, '').match(/^UID:.*$/gm)!;
  const all = uids(calendar.text);
  expect(all).toHaveLength(calendar.text.match(/BEGIN:VEVENT/g)!.length);
  expect(new Set(all).size).toBe(all.length);
  // Besides the sessions it has when the costume is packed and worn.
  const dates = all.filter((uid) => /-(pack|wear)-/.test(uid));
  expect(dates).toHaveLength(2);
  const events = all.length - dates.length;
  expect(events).toBeGreaterThan(4);
  const table = await take('Table (CSV)');
  expect(table.text.split('\r\n')[0]).toBe('session,person,from,to,what,place,minutes');
  await page.reload();
  await expect(page.locator('.working.on')).toHaveCount(0);
  expect(uids((await take('Calendar file (ICS)')).text)).toEqual(uids(calendar.text));

  await page.getByRole('button', { name: 'Print and export' }).click();
  await page.getByText('Run sheets on paper').click();
  await expect(page.getByTestId('sheet')).toHaveCount(events);
  const pdf = (await page.pdf({ format: 'A4' })).toString('latin1');
  // A page a session, and a session that runs over may take a second.
  expect(pdf.match(/\/Type \/Page\b/g)!.length).toBeGreaterThanOrEqual(events);
});
