import { defineConfig } from '@playwright/test'
import { launchOptions } from './playwright.config'

/** Pictures of the main views from the demo data; not a test. */
export default defineConfig({
  testDir: './shots',
  outputDir: '../test-results',
  globalSetup: './globalSetup.ts',
  workers: 1,
  timeout: 120_000,
  reporter: 'list',
  use: {
    launchOptions,
    locale: 'en-GB',
    timezoneId: 'Europe/Oslo',
    viewport: { width: 1280, height: 800 },
    colorScheme: 'light',
  },
})
