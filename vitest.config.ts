import { availableParallelism } from 'node:os'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineConfig({
  resolve: { alias: { '~~': at('.'), '~': at('./app'), '#build': at('./.nuxt') } },
  test: {
    include: ['{core,contract,server,app,demo,devices,scripts,tests/house}/**/*.test.ts'],
    exclude: ['**/node_modules/**', '.output/**', '.nuxt/**'],
    testTimeout: 180_000,
    hookTimeout: 180_000,
    // The core keeps no state: its tables are loaded once for all files of a worker, not anew for each.
    isolate: false,
    // Vitest leaves one core idle unless told.
    maxWorkers: availableParallelism(),
    // A property that fails must fail again: fast-check prints its seed, and this keeps runs alike.
    setupFiles: ['./tests/fast-check.setup.ts'],
  },
})
