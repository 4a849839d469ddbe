import { endOnSignals } from './ending.mjs'
import { ensurePackages } from './packages.mjs'

endOnSignals()
await ensurePackages()
const { register } = await import('tsx/esm/api')
register()
await import('../bench/all.ts')
