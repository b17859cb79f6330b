import { defineConfig } from '@playwright/test';
import base from './playwright.config';

/** `npm run pictures` takes the README's pictures from the demo builds. */
export default defineConfig({ ...base, testDir: './pictures', reporter: 'list', workers: 1 });
