import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { build } from 'esbuild'
import { benchBrowser } from './browser'
import { benchCoach } from './coach'
import { print, type Row } from './measure'
import { benchCrowd } from './crowd'
import { benchHolds } from './holds'
import { benchLists } from './lists'
import { benchLive } from './live'
import { benchLoop } from './loop'
import { benchParts } from './parts'
import { benchServer } from './server'
import { ensureChromium } from '../scripts/chromium'
import { root } from '../scripts/packages.mjs'

/**
 * `npm run bench [-- core|choose|plan|bleed|server|lists|crowd|holds|parts|live|loop|coach|browser|estimate …]`: speed as ratios measured in one run; `estimate`, longer than
 * half an hour, only where it is named. The core is bundled first, as the application ships it.
 */
await ensureChromium()
const outdir = join(root, '.data', 'bench')
mkdirSync(outdir, { recursive: true })
await build({
  entryPoints: ['bleed', 'choose', 'circuit', 'draws', 'estimates', 'find', 'plan'].map((name) =>
    join(root, 'bench', `${name}.ts`),
  ),
  outdir,
  outExtension: { '.js': '.mjs' },
  bundle: true,
  format: 'esm',
  platform: 'node',
  logLevel: 'error',
})
const bundled = (name: string) => import(pathToFileURL(join(outdir, `${name}.mjs`)).href)
const { benchBleed } = (await bundled('bleed')) as typeof import('./bleed')
const { benchChoose } = (await bundled('choose')) as typeof import('./choose')
const { benchCircuit } = (await bundled('circuit')) as typeof import('./circuit')
const { benchDraws } = (await bundled('draws')) as typeof import('./draws')
const { benchEstimates } = (await bundled('estimates')) as typeof import('./estimates')
const { benchPlan } = (await bundled('plan')) as typeof import('./plan')
const { benchFind } = (await bundled('find')) as typeof import('./find')

const BENCHES: [name: string, run: () => Row[] | Promise<Row[]>][] = [
  ['core', benchCircuit],
  ['core', benchDraws],
  ['core', benchFind],
  ['choose', benchChoose],
  ['plan', benchPlan],
  ['bleed', benchBleed],
  ['server', benchServer],
  ['lists', benchLists],
  ['crowd', benchCrowd],
  ['holds', benchHolds],
  ['parts', benchParts],
  ['live', benchLive],
  ['loop', benchLoop],
  ['coach', benchCoach],
  ['browser', benchBrowser],
]
const asked = process.argv.slice(2)
for (const [name, run] of BENCHES) if (asked.length === 0 || asked.includes(name)) print(await run())
if (asked.includes('estimate')) print(benchEstimates())
