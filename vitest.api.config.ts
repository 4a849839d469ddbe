import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['tests/api/**/*.test.ts'],
    globalSetup: ['./tests/api/setup.ts'],
    testTimeout: 60_000,
    hookTimeout: 120_000,
    // One server and one database: one file after the other.
    fileParallelism: false,
    // What they share of the project's code keeps no state between files.
    isolate: false,
  },
})
