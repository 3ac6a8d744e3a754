import { defineConfig, devices } from '@playwright/test'

// Debian's Chromium, cut off from everything but loopback: a request elsewhere cannot even be resolved.
const launchOptions = {
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--disable-dev-shm-usage',
    '--host-resolver-rules=MAP * ~NOTFOUND , EXCLUDE 127.0.0.1',
  ],
}

/**
 * `npm run test:long` takes what lasts minutes, and at the width of a phone what `npm test` looks at from the desk
 * alone.
 */
const LONG_LANE = Boolean(process.env.UZZET_LONG_TESTS)
const lane = (others: RegExp) => (LONG_LANE ? { grep: others } : { grepInvert: others })

export default defineConfig({
  testDir: 'tests/e2e',
  globalSetup: './tests/e2e/stack.ts',
  // Most of a browser test is waiting: three of them keep two cores busy. Each has a database and a server of its own.
  fullyParallel: true,
  workers: 3,
  // A test that passes at the second go is told as flaky, by name: it is to be mended, and holds up nobody's change.
  retries: 1,
  // Ten times what a quiet machine takes: how fast a machine is fails no test.
  timeout: 300_000,
  expect: { timeout: 60_000 },
  outputDir: '.data/test/browser',
  reporter: [['list'], ['json', { outputFile: '.data/test/browser.json' }]],
  // The service worker would answer before a test's own routes can; the test of the lost network lets it in.
  use: {
    serviceWorkers: 'block',
    launchOptions,
    screenshot: 'only-on-failure',
    timezoneId: 'Europe/London',
    locale: 'en-GB',
  },
  projects: [
    { name: 'desk', use: { viewport: { width: 1280, height: 800 } }, testIgnore: /phone/, ...lane(/@long/) },
    {
      name: 'phone',
      use: {
        viewport: { width: 390, height: 844 },
        isMobile: true,
        hasTouch: true,
        userAgent: devices['Pixel 7'].userAgent,
      },
      testMatch: /phone|slice|ways-in|academy/,
      ...lane(/@long|@desk/),
    },
  ],
})
