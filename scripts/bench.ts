import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { build } from 'esbuild'
import { benchBrowser } from '../bench/browser'
import { benchCoach } from '../bench/coach'
import { print, type Row } from '../bench/measure'
import { benchCrowd } from '../bench/crowd'
import { benchHolds } from '../bench/holds'
import { benchLists } from '../bench/lists'
import { benchLive } from '../bench/live'
import { benchLoop } from '../bench/loop'
import { benchParts } from '../bench/parts'
import { benchServer } from '../bench/server'
import { ensureChromium } from './chromium'
import { root } from './packages.mjs'

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
const { benchBleed } = (await bundled('bleed')) as typeof import('../bench/bleed')
const { benchChoose } = (await bundled('choose')) as typeof import('../bench/choose')
const { benchCircuit } = (await bundled('circuit')) as typeof import('../bench/circuit')
const { benchDraws } = (await bundled('draws')) as typeof import('../bench/draws')
const { benchEstimates } = (await bundled('estimates')) as typeof import('../bench/estimates')
const { benchPlan } = (await bundled('plan')) as typeof import('../bench/plan')
const { benchFind } = (await bundled('find')) as typeof import('../bench/find')

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
