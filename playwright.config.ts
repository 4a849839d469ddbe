import { defineConfig } from '@playwright/test'
import { CHROMIUM } from './scripts/chromium'

export default defineConfig({
  testDir: 'tests/e2e',
  globalSetup: './tests/e2e/setup.ts',
  globalTeardown: './tests/e2e/teardown.ts',
  // Each worker has a server of its own, which a test may kill, and data of its own for each test.
  workers: 2,
  fullyParallel: true,
  retries: 0,
  timeout: 120_000,
  expect: { timeout: 15_000 },
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
    trace: 'retain-on-failure',
  },
})
