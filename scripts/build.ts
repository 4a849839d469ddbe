import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Plain } from './debian'
import { runTool } from './ending.mjs'
import { root, say } from './packages.mjs'

/** What the built application is made of. */
const SOURCES = [
  ...['app', 'contract', 'core', 'modules', 'public', 'server'],
  ...['nuxt.config.ts', 'package-lock.json'],
]

/** Builds the application where its sources are newer than what was built. */
export async function ensureBuilt(): Promise<string> {
  const entry = join(root, '.output', 'server', 'index.mjs')
  const stamp = join(root, '.output', 'sources')
  const sources = fingerprint()
  if (existsSync(entry) && existsSync(stamp) && readFileSync(stamp, 'utf8') === sources) return entry
  say('Building (about a minute) …')
  // A build that is cut off must not be taken for the one that was there before.
  rmSync(stamp, { force: true })
  const done = await runTool('npx', ['nuxt', 'build'], {
    cwd: root,
    env: { ...process.env, NODE_ENV: 'production', NODE_OPTIONS: '--max-old-space-size=3072' },
  })
  if (done.code !== 0 || !existsSync(entry))
    throw new Plain(`The build failed:\n${done.stdout}${done.stderr}`)
  writeFileSync(stamp, sources)
  return entry
}

function fingerprint(): string {
  const hash = createHash('sha256')
  const walk = (path: string) => {
    if (!existsSync(path)) return
    if (statSync(path).isDirectory()) {
      for (const name of readdirSync(path).sort()) walk(join(path, name))
    } else if (!path.endsWith('.test.ts'))
      hash.update(path.slice(root.length)).update(readFileSync(path))
  }
  for (const source of SOURCES) walk(join(root, source))
  return hash.digest('hex')
}
