import { defineConfig } from '@playwright/test';
import { chromium } from './launch';

export default defineConfig({
  testDir: './tests',
  globalSetup: './plannedDemo.ts',
  outputDir: '../test-results/e2e',
  timeout: 180_000,
  expect: { timeout: 30_000 },
  workers: 2,
  fullyParallel: true,
  reporter: [['list'], ['json', { outputFile: '../test-results/e2e.json' }]],
  use: {
    browserName: 'chromium',
    launchOptions: chromium,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'Europe/Lisbon',
    screenshot: 'only-on-failure',
    // But for what is about it, nothing is kept from one page to the next.
    serviceWorkers: 'block',
  },
});
