import { existsSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { end, runTool } from './ending.mjs'

/** The project's folder. */
export const root = dirname(dirname(fileURLToPath(import.meta.url)))

/**
 * Installs the project's packages where they are missing or others than the lock file names, and makes Nuxt's types.
 * Needs nothing but Node and npm. Everything it says goes to standard error.
 */
export async function ensurePackages() {
  if (!installed()) {
    say('Installing packages (npm ci) …')
    // A registry that fails once, or a package's own set-up, goes through the second time.
    await run('npm', ['ci', '--no-audit', '--no-fund'], 2)
  }
  if (!existsSync(join(root, '.nuxt', 'tsconfig.app.json'))) {
    say('Preparing types …')
    await run('npx', ['nuxt', 'prepare'])
  }
}

/** Whether what npm noted of its last install, by whoever started it, is what the lock file names. */
function installed() {
  const noted = join(root, 'node_modules', '.package-lock.json')
  if (!existsSync(noted)) return false
  const have = packagesIn(noted)
  return Object.entries(packagesIn(join(root, 'package-lock.json'))).every(
    ([path, { version, optional }]) => path === '' || optional || have[path]?.version === version,
  )
}

/**
 * @param {string} file
 * @returns {Record<string, { version?: string, optional?: boolean }>}
 */
const packagesIn = (file) => JSON.parse(readFileSync(file, 'utf8')).packages

/** @param {string} line */
export function say(line) {
  process.stderr.write(`${line}\n`)
}

async function run(
  /** @type {string} */ command,
  /** @type {string[]} */ args,
  /** How often it is tried. */ times = 1,
) {
  for (let i = 1; i <= times; i++) {
    const { code } = await runTool(command, args, { cwd: root, show: true })
    if (code === 0) return
    if (i < times) say(`\n${command} ${args.join(' ')} failed; once more …`)
  }
  say(`\n${command} ${args.join(' ')} failed. Check the network to the npm registry, then start again.`)
  await end(1)
}
