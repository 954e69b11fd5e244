import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './scripts/lib/test-world.mjs';

export default defineConfig({
  testDir: 'e2e',
  workers: 1,
  // No test asserts a time: this ends only what hangs, on a machine of which others take the most.
  timeout: 300_000,
  expect: { timeout: 30_000 },
  reporter: [['list'], ['json']],
  forbidOnly: true,
  use: {
    browserName: 'chromium',
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
    locale: 'en-GB',
    timezoneId: 'Atlantic/Faroe',
    reducedMotion: 'reduce',
    // Kept on the device in its own tests alone: in every other one each page would fetch all of it.
    serviceWorkers: 'block',
    actionTimeout: 30_000,
  },
});
