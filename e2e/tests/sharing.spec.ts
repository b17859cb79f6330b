import { begin, logNext } from '../bench';
import { offer, pair, pairedPhone, phoneOf } from '../pairing';
import { startDemo, type Demo } from '../server';
import { expect, test } from '../test';

let demo: Demo;
test.beforeEach(async () => {
  demo = await startDemo();
});
test.afterEach(() => demo.server.stop());

test('a helper’s phone is paired, logs, hears what others do, and is taken back', async ({
  page,
  browser,
}) => {
  const phone = await pairedPhone(page, browser, demo, { role: 'Helper', name: 'Booth phone' });
  await expect(page.getByText('Booth phone')).toBeVisible();

  await phone.goto(`/b/${demo.id}/bench`);
  await expect(phone.getByRole('navigation', { name: 'Screens' }).getByRole('link')).toHaveText([
    'Bench',
    'Run sheets',
  ]);
  await phone.goto(`/b/${demo.id}/plan`);
  await expect(phone).toHaveURL(/\/bench$/);

  // What the helper logs is on the computer, and says who it was.
  await page.goto(`${demo.server.url}/b/${demo.id}/journal`);
  await logNext(phone);
  await expect(page.getByText('logged on Booth phone').first()).toBeVisible();

  // A change at the computer is on the phone.
  await page.goto(`${demo.server.url}/b/${demo.id}/workshop`);
  await page.getByLabel('Build', { exact: true }).fill('Renamed at the computer');
  await page.getByRole('button', { name: 'Save the workshop' }).click();
  await expect(phone.getByText('Renamed at the computer')).toBeVisible();

  await page.getByRole('button', { name: 'Take back Booth phone' }).click();
  await expect(page.getByText('No device is paired.')).toBeVisible();
  await phone.reload();
  await expect(phone.getByRole('heading', { name: 'Pair this device' })).toBeVisible();
});

test('two at one bench log one coat once, and the second hears who was first', async ({ page, browser }) => {
  const phone = await pairedPhone(page, browser, demo, { role: 'Helper', name: 'Booth phone' });
  await page.goto(`${demo.server.url}/b/${demo.id}/bench`);
  await phone.goto(`/b/${demo.id}/bench`);
  await begin(page);
  await expect(phone.getByTestId('done')).toBeVisible();
  const before = (await demo.stored()).log?.length ?? 0;
  const passes = (await demo.stored()).underway!.length;
  // The computer does not hear of what the phone does until both have pressed.
  await page.route('**/api/builds/*/log', async (route) => {
    await expect.poll(async () => (await demo.stored()).log?.length).toBe(before + passes);
    await route.continue();
  });
  await page.getByTestId('done').click();
  await phone.getByTestId('done').click();
  await expect(
    page.getByRole('status').filter({ hasText: 'from Booth phone. It counts once.' }),
  ).toBeVisible();
  await expect(page.getByText('Not taken')).toHaveCount(0);
  await expect(page.getByTestId('start')).toBeVisible();
  expect((await demo.stored()).log).toHaveLength(before + passes);
  // A request that still waits here is let go with the page.
  await page.unrouteAll({ behavior: 'ignoreErrors' });
});

test('a helper ticks passes on the run sheet, is asked about what is not due, and takes a tick back', async ({
  page,
  browser,
}) => {
  const phone = await pairedPhone(page, browser, demo, { role: 'Helper', name: 'Booth phone' });
  await phone.goto(`/b/${demo.id}/run-sheets`);
  await expect(phone.locator('.working.on')).toHaveCount(0);
  const before = (await demo.stored()).log!.length;
  const logged = async () => (await demo.stored()).log!.length - before;
  const boxes = phone.getByRole('button', { name: /^Done: / });
  const first = (await boxes.first().getAttribute('aria-label'))!;
  await boxes.first().click();
  await expect.poll(logged).toBeGreaterThan(0);
  const ticked = await logged();
  expect((await demo.stored()).log!.at(-1)!.by).toBe('Booth phone');
  await expect(phone.getByRole('button', { name: first, exact: true })).toHaveCount(0);
  await phone.getByText('Done today').click();
  await expect(phone.locator('.done')).toContainText('19:30');

  // What is planned for another day is asked about, and left where it is not done.
  const sheets = phone.getByTestId('sheet');
  const last = sheets
    .filter({ has: boxes })
    .last()
    .getByRole('button', { name: /^Done: / })
    .last();
  await last.click();
  const ask = phone.getByTestId('tick-ask');
  await expect(ask).toContainText('Planned for');
  await ask.getByRole('button', { name: /^Not / }).click();
  await expect(ask).toBeHidden();
  expect(await logged()).toBe(ticked);

  // One's own sheets only, also after a reload.
  const all = await sheets.count();
  await phone
    .getByRole('option', { name: 'Oda' })
    .or(phone.getByText('Oda', { exact: true }))
    .first()
    .click();
  await expect.poll(() => sheets.count()).toBeLessThan(all);
  await phone.reload();
  await expect.poll(() => sheets.count()).toBeGreaterThan(0);
  for (const heading of await sheets.getByRole('heading', { level: 2 }).allInnerTexts())
    expect(heading).toMatch(/, Oda$/);

  await phone.getByRole('button', { name: 'Undo the last change' }).click();
  await expect.poll(logged).toBe(0);
});

test('a wrong code is said so, and sharing that is off lets nobody in', async ({ page, browser }) => {
  const code = await offer(page, demo, 'Finisher');
  const phone = await phoneOf(browser, demo);
  await phone.goto(`/pair?code=${code === '123456' ? '654321' : '123456'}`);
  await phone.getByLabel('What this device is called').fill('Tablet');
  await phone.getByRole('button', { name: 'Pair' }).click();
  await expect(phone.getByRole('alert')).toContainText('not the ones on the screen');
  await pair(phone, code, 'Tablet', page);
  await phone.goto(`/b/${demo.id}/plan`);
  await expect(phone.getByRole('heading', { level: 1 })).toBeVisible();

  await page.getByLabel('Share on this network').click();
  await expect(page.getByText('Off: only this computer can reach it.')).toBeVisible();
  await expect(phone.goto('/')).rejects.toThrow(/ERR_CONNECTION_REFUSED/);
});
