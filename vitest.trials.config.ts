import { defineConfig } from 'vitest/config'

/** Campaigns against real processes: `npm run trials` runs them whole, `npm test` a tenth of each. */
export default defineConfig({
  test: {
    include: ['tests/trials/**/*.test.ts'],
    testTimeout: 900_000,
    hookTimeout: 120_000,
    fileParallelism: false,
    // What they share of the project's code keeps no state between files.
    isolate: false,
  },
})
