// The web part of `npm run bench`: what the browser loads, how soon it can be used, and how long it is kept busy. Run on a fresh build.
import type { Build } from '@fixatum/core';
import { chromium, type Page } from '@playwright/test';
import { chromium as options } from './launch';
import { startDemo } from './server';

const say = (what: string, value: string) => console.log(`  ${what.padEnd(58)}${value}`);
const ms = (value: number) => `${Math.round(value)} ms`;

const demo = await startDemo();
const browser = await chromium.launch(options);
const { url } = demo.server;

/** A build of so many pieces: those of the demo, over and over. */
async function manyPieces(count: number): Promise<string> {
  const build = await demo.stored();
  const pieces = Array.from({ length: count }, (_, n) => {
    const piece = structuredClone(build.pieces[n % build.pieces.length]!);
    const steps = piece.steps.map((step) => ({
      ...step,
      ...(step.after ? { after: step.after.filter((id) => !id.includes('/')) } : {}),
    }));
    return { ...piece, id: `${piece.id}-${n}`, name: `${piece.name} ${n + 1}`, steps };
  });
  const made: Build = {
    ...build,
    name: `${count} pieces`,
    pieces,
    log: [],
    underway: [],
    pins: [],
    timers: [],
  };
  const answer = await fetch(`${url}/api/builds`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(made),
  });
  return ((await answer.json()) as { id: string }).id;
}

/** Two frames, so that what was asked for is on the screen. */
const drawn = (page: Page) =>
  page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
async function timed(work: () => Promise<unknown>): Promise<number> {
  const before = performance.now();
  await work();
  return performance.now() - before;
}
/** The longest time the screen was kept busy at a stretch while something was done. */
async function longest(page: Page, work: () => Promise<unknown>): Promise<number> {
  await page.evaluate(() => {
    const tasks: number[] = [];
    Object.assign(window, { longTasks: tasks });
    new PerformanceObserver((list) =>
      tasks.push(...list.getEntries().map(({ duration }) => duration)),
    ).observe({
      type: 'longtask',
    });
  });
  await work();
  await drawn(page);
  return page.evaluate(() => Math.max(0, ...(window as unknown as { longTasks: number[] }).longTasks));
}

try {
  for (const [name, path] of [
    ['Start', '/'],
    ['Bench', `/b/${demo.id}/bench`],
  ] as const) {
    const page = await browser.newPage();
    const cdp = await page.context().newCDPSession(page);
    let bytes = 0;
    await cdp.send('Network.enable');
    cdp.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength));
    const took = await timed(async () => {
      await page.goto(url + path);
      await page.locator('h1').first().waitFor();
    });
    const untilShown = bytes;
    say(`${name}: to its heading, nothing kept from before`, ms(took));
    say(`${name}: transferred until then`, `${Math.round(untilShown / 1000)} kB`);
    if (name === 'Bench') {
      // Kept a moment after the plan stands.
      await page.locator('.working.on').waitFor({ state: 'hidden', timeout: 60_000 });
      await page.waitForFunction(
        () =>
          new Promise((done) => {
            const asked = indexedDB.open('keyval-store');
            asked.onsuccess = () => {
              const get = asked.result
                .transaction('keyval')
                .objectStore('keyval')
                .getKey('fixatum-seen-plan');
              get.onsuccess = () => done(get.result !== undefined);
            };
          }),
      );
      const again = await timed(async () => {
        await page.reload();
        await page.getByTestId('next-pass').waitFor();
      });
      say('Bench: to what comes next, opened once more', ms(again));
    }
    await page.close();
  }
  for (const count of [60, 200]) {
    const id = await manyPieces(count);
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${url}/b/${id}/pieces`);
    // Planned from nothing first.
    await page.locator('[data-testid^=piece-]').first().waitFor({ timeout: 300_000 });
    await page.locator('.working.on').waitFor({ state: 'hidden', timeout: 300_000 });
    const go = async (screen: string, there: string) => {
      await page.getByRole('link', { name: screen, exact: true }).click();
      await page.locator(there).first().waitFor({ timeout: 120_000 });
      await drawn(page);
    };
    const tasks = await longest(page, async () => {
      say(`${count} pieces: Plan is drawn`, ms(await timed(() => go('Plan', '.rows .lane'))));
      say(`${count} pieces: Pieces is drawn`, ms(await timed(() => go('Pieces', '[data-testid^=piece-]'))));
      say(`${count} pieces: Bench is drawn`, ms(await timed(() => go('Bench', 'h1'))));
    });
    say(`${count} pieces: longest the screen was busy, switching`, ms(tasks));
    await go('Pieces', '[data-testid^=piece-]');
    const typing = await longest(page, () =>
      page.getByRole('searchbox').pressSequentially('brace', { delay: 60 }),
    );
    say(`${count} pieces: longest the screen was busy, typing`, ms(typing));
    await go('Bench', '[data-testid=start]');
    const logging = await longest(page, async () => {
      await page.getByTestId('start').click();
      const anyway = page.getByTestId('start-all-the-same');
      const done = page.getByTestId('done');
      await anyway.or(done).waitFor();
      if (await anyway.isVisible()) await anyway.click();
      await done.click();
      await done.waitFor({ state: 'hidden', timeout: 120_000 });
      await page.locator('.working.on').waitFor({ state: 'hidden', timeout: 300_000 });
    });
    say(`${count} pieces: longest the screen was busy, logging`, ms(logging));
    await go('Plan', '.rows .lane');
    const pass = page.locator('.lanes button.pass').first();
    await pass.scrollIntoViewIfNeeded();
    const dragging = await longest(page, async () => {
      const box = (await pass.boundingBox())!;
      await page.mouse.move(box.x + 1, box.y + 6);
      await page.mouse.down();
      await page.mouse.move(box.x + 60, box.y + 6, { steps: 20 });
      await page.keyboard.press('Escape');
      await page.mouse.up();
    });
    say(`${count} pieces: longest the screen was busy, dragging`, ms(dragging));
    await page.close();
  }
} finally {
  await browser.close();
  await demo.server.stop();
}
