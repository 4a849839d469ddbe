import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { build } from 'esbuild'
import { benchServer } from '../bench/server'
import { print } from '../bench/measure'
import { root } from './packages.mjs'

/** `npm run bench`: speed as ratios measured in one run. The core is bundled first, as the application ships it. */
const outfile = join(root, '.data', 'bench', 'circuit.mjs')
mkdirSync(join(root, '.data', 'bench'), { recursive: true })
await build({
  entryPoints: [join(root, 'bench', 'circuit.ts')],
  outfile,
  bundle: true,
  format: 'esm',
  platform: 'node',
  logLevel: 'error',
})
const { benchCircuit } = (await import(
  pathToFileURL(outfile).href
)) as typeof import('../bench/circuit')
print(benchCircuit())
print(await benchServer())
