import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './scripts/lib/test-world.mjs';

export default defineConfig({
  testDir: 'e2e',
  workers: 1,
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json']],
  forbidOnly: true,
  use: {
    browserName: 'chromium',
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
    locale: 'en-GB',
    timezoneId: 'Atlantic/Faroe',
    reducedMotion: 'reduce',
    actionTimeout: 20_000,
  },
});
