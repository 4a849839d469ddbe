import { cpSync, existsSync, mkdirSync, rmSync, symlinkSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, it } from 'vitest'
import { ensureBuilt } from '../../scripts/build'
import { root } from '../../scripts/packages.mjs'
import { interrupted } from '../harness/demo'
import { scaled, SCALE } from './workshop'

const folder = join(root, '.data', 'trials', 'starts')
const copy = join(tmpdir(), `mellow-checkout-${process.pid}`)
afterAll(() => {
  for (const one of [folder, copy]) rmSync(one, { recursive: true, force: true })
})

/** Where it was interrupted: after which program had begun, and how long after. */
const MOMENTS = [
  ['mariadb-install-db', 0],
  ['mariadbd', 0],
  ['mariadbd', 50],
  ['mariadbd', 300],
  ['mariadb-admin', 0],
  ['.output/server/index.mjs', 0],
  ['.output/server/index.mjs', 200],
  ['.output/server/index.mjs', 500],
  ['.output/server/index.mjs', 800],
] as const

it('a start that is interrupted at any moment leaves no process, and the next one comes up', async () => {
  await ensureBuilt()
  const left: unknown[] = []
  for (let n = 0; n < scaled(17); n++) {
    const [part, after] = MOMENTS[n % MOMENTS.length]!
    // Laid out anew for its first moment, which is only seen then.
    if (part === 'mariadb-install-db') rmSync(folder, { recursive: true, force: true })
    const found = await interrupted(folder, part, after, n % 2 === 0 ? 'SIGINT' : 'SIGTERM')
    const owned = existsSync(join(folder, 'owner.json'))
    if (found.code !== 0 || found.left.length > 0 || owned) left.push({ part, after, owned, ...found })
  }
  expect(left).toEqual([])
})

it.runIf(SCALE >= 1)('nor one that is interrupted while it builds', async () => {
  rmSync(copy, { recursive: true, force: true })
  mkdirSync(copy, { recursive: true })
  const LEFT_OUT = new Set(['.data', '.output', '.nuxt', '.git', 'node_modules'])
  cpSync(root, copy, {
    recursive: true,
    filter: (path) => !LEFT_OUT.has(path.slice(root.length + 1).split('/')[0]!),
  })
  symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'))
  for (const after of [500, 4000, 12_000])
    expect(await interrupted(folder, 'nuxt build', after, 'SIGINT', copy)).toEqual({
      code: 0,
      left: [],
    })
})
