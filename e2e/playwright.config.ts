import { defineConfig } from '@playwright/test'

const browser = process.env['NACHTIGAL_BROWSER'] ?? '/usr/bin/chromium'

export const launchOptions = {
  executablePath: browser,
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}

export default defineConfig({
  testDir: './tests',
  outputDir: '../test-results',
  globalSetup: './globalSetup.ts',
  timeout: 480_000,
  // A loaded machine of two cores takes its time; what passes does not wait for it.
  expect: { timeout: 40_000 },
  workers: 2,
  forbidOnly: true,
  retries: 0,
  reporter: [['list'], ['json', { outputFile: '../test-results/browser.json' }]],
  // A trace of each test costs a fifth of its time: it is recorded when one looks for something.
  use: {
    launchOptions,
    locale: 'en-GB',
    timezoneId: 'Europe/Oslo',
    trace: process.env['NACHTIGAL_TRACE'] ? 'retain-on-failure' : 'off',
  },
  projects: [
    { name: 'desk', use: { viewport: { width: 1280, height: 800 } }, testIgnore: /Phone/ },
    {
      name: 'phone',
      use: { viewport: { width: 390, height: 844 }, hasTouch: true },
      testMatch:
        /wayOfWork|badInput|calculators|shelf|visit|wirePhone|setPhone|thermostatPhone|tryPhone|provePhone|cut|find|screens/,
    },
  ],
})
