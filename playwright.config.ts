import { defineConfig } from '@playwright/test'
import { CHROMIUM } from './scripts/chromium'

export default defineConfig({
  testDir: 'tests/e2e',
  globalSetup: './tests/e2e/setup.ts',
  globalTeardown: './tests/e2e/teardown.ts',
  // Each test has data of its own, on a server that it may kill. Two at once hold each other up on two cores.
  workers: 1,
  retries: 0,
  timeout: 120_000,
  expect: { timeout: 15_000 },
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    // It would answer before a test can stand in for the server; the offline journey lets it in.
    serviceWorkers: 'block',
    launchOptions: CHROMIUM,
    // Without pictures and page copies: those cost a tenth of the time.
    trace: { mode: 'retain-on-failure', screenshots: false, snapshots: false, sources: false },
  },
})
