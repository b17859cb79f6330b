import { chromium, expect } from '@playwright/test';
import { cp, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium as options } from './launch';
import { PLANNED_DEMO, startDemo } from './server';

/**
 * Opens the builds of the demo once, before all tests, so that each need not plan them from nothing: a test begins with a copy of the
 * data folder this leaves. Returns what takes it away again.
 */
export default async function planDemo(): Promise<() => Promise<void>> {
  const demo = await startDemo();
  const browser = await chromium.launch(options);
  try {
    const page = await browser.newPage({ timezoneId: 'Europe/Lisbon' });
    for (const id of [demo.id, demo.lantern]) {
      await page.goto(`${demo.server.url}/b/${id}/bench`);
      await expect
        .poll(
          async () =>
            (
              (await (await fetch(`${demo.server.url}/api/builds/${id}/plan`)).json()) as {
                plan: unknown;
              } | null
            )?.plan,
          { timeout: 120_000 },
        )
        .toBeTruthy();
      // The whole of it: with the last moments to begin.
      await expect(page.locator('.working.on')).toHaveCount(0, { timeout: 120_000 });
    }
  } finally {
    await browser.close();
  }
  const folder = await mkdtemp(join(tmpdir(), 'fixatum-planned-'));
  await demo.server.end();
  await cp(demo.server.data, folder, { recursive: true });
  await demo.server.stop();
  process.env[PLANNED_DEMO] = folder;
  return () => rm(folder, { recursive: true, force: true });
}
