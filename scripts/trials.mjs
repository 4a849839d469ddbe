import { end, endOnSignals, runTool } from './ending.mjs'
import { ensurePackages, root } from './packages.mjs'

/** `npm run trials [-- name …]`: the campaigns that `npm test` runs a tenth of, whole. MELLOW_SEED sets other draws. */
endOnSignals()
await ensurePackages()
const { register } = await import('tsx/esm/api')
register()
await (await import('./chromium.ts')).ensureChromium()
const { code } = await runTool(
  'npx',
  ['vitest', 'run', '--config', 'vitest.trials.config.ts', ...process.argv.slice(2)],
  { cwd: root, show: true, env: { ...process.env, MELLOW_TRIALS: '1' } },
)
// The properties with all their draws, the longest journeys at every size of screen, and three browsers against the clock.
const named = process.argv.length > 2
const drawn = named ? { code: 0 } : await withAllDraws()
const sizes = named ? { code: 0 } : await atEverySize()
await end((code ?? 1) || (drawn.code ?? 1) || (sizes.code ?? 1))

function withAllDraws() {
  return runTool('npx', ['vitest', 'run'], {
    cwd: root,
    show: true,
    env: { ...process.env, MELLOW_WHOLE: 'yes' },
  })
}

function atEverySize() {
  const files = ['journey', 'find', 'coach', 'three']
  return runTool('npx', ['playwright', 'test', ...files, '-g', '×|two devices|three browsers'], {
    cwd: root,
    show: true,
    env: { ...process.env, MELLOW_WHOLE: 'yes' },
  })
}
