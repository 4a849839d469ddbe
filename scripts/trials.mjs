import { end, endOnSignals, runTool } from './ending.mjs'
import { ensurePackages, root } from './packages.mjs'

/** `npm run trials [-- name …]`: the campaigns that `npm test` runs a tenth of, whole. MELLOW_SEED sets other draws. */
endOnSignals()
await ensurePackages()
const { code } = await runTool(
  'npx',
  ['vitest', 'run', '--config', 'vitest.trials.config.ts', ...process.argv.slice(2)],
  { cwd: root, show: true, env: { ...process.env, MELLOW_TRIALS: '1' } },
)
// The longest journeys at every size of screen.
const sizes = process.argv.length > 2 ? { code: 0 } : await atEverySize()
await end((code ?? 1) || (sizes.code ?? 1))

function atEverySize() {
  return runTool('npx', ['playwright', 'test', 'journey', 'find', '-g', '×'], {
    cwd: root,
    show: true,
    env: { ...process.env, MELLOW_WHOLE: 'yes' },
  })
}
