import { execFile } from 'node:child_process'
import { chmodSync, cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { root } from './packages.mjs'

/** A folder with nothing installed, and an npm of its own that writes down its calls and fails the first so many times. */
let folder: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'packages-'))
  for (const name of ['packages.mjs', 'ending.mjs'])
    cpSync(join(root, 'scripts', name), join(folder, 'scripts', name))
  writeFileSync(
    join(folder, 'package-lock.json'),
    JSON.stringify({ packages: { 'node_modules/some': { version: '1.0.0' } } }),
  )
  mkdirSync(join(folder, '.nuxt'))
  writeFileSync(join(folder, '.nuxt', 'tsconfig.app.json'), '{}')
})
afterEach(() => rmSync(folder, { recursive: true }))

function installing(failures: number) {
  const calls = join(folder, 'calls')
  const npm = join(folder, 'npm')
  writeFileSync(npm, `#!/bin/sh\necho "$1" >> "${calls}"\n[ $(wc -l < "${calls}") -gt ${failures} ]\n`)
  chmodSync(npm, 0o755)
  const code = `import('./scripts/packages.mjs').then((packages) => packages.ensurePackages())`
  const env = { ...process.env, PATH: `${folder}:${process.env.PATH}` }
  return new Promise<{ code: number; said: string; calls: string[] }>((resolve) =>
    execFile('node', ['-e', code], { cwd: folder, env }, (error, _, said) =>
      resolve({
        code: (error?.code as number | undefined) ?? 0,
        said,
        calls: readFileSync(calls, 'utf8').trim().split('\n'),
      }),
    ),
  )
}

describe('packages that are missing', () => {
  it('are installed', async () => {
    expect(await installing(0)).toMatchObject({ code: 0, calls: ['ci'] })
  })
  it('are tried for once more where that failed', async () => {
    const { code, said, calls } = await installing(1)
    expect({ code, calls }).toEqual({ code: 0, calls: ['ci', 'ci'] })
    expect(said).toContain('failed; once more')
  })
  it('and are given up after that, with what to look at', async () => {
    const { code, said, calls } = await installing(9)
    expect({ code, calls }).toEqual({ code: 1, calls: ['ci', 'ci'] })
    expect(said).toContain('Check the network to the npm registry')
  })
})
