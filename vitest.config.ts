import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['{core,contract,server,app,demo,scripts,tests/house}/**/*.test.ts'],
    exclude: ['**/node_modules/**', '.output/**', '.nuxt/**'],
    testTimeout: 60_000,
    // A property that fails must fail again: fast-check prints its seed, and this keeps runs alike.
    setupFiles: ['./tests/fast-check.setup.ts'],
  },
})
