import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

/** The project's folder. */
export const root = dirname(dirname(fileURLToPath(import.meta.url)))

/**
 * Installs the project's packages where they are missing or older than the lock file, and makes Nuxt's types.
 * Needs nothing but Node and npm. Everything it says goes to standard error.
 */
export function ensurePackages() {
  const stamp = join(root, 'node_modules', '.mellow-lock')
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex')
  const installed = existsSync(stamp) && readFileSync(stamp, 'utf8') === lock
  if (!installed) {
    say('Installing packages (npm ci) …')
    run('npm', ['ci', '--no-audit', '--no-fund'])
    mkdirSync(dirname(stamp), { recursive: true })
    writeFileSync(stamp, lock)
  }
  if (!existsSync(join(root, '.nuxt', 'tsconfig.app.json'))) {
    say('Preparing types …')
    run('npx', ['nuxt', 'prepare'])
  }
}

/** @param {string} line */
export function say(line) {
  process.stderr.write(`${line}\n`)
}

function run(/** @type {string} */ command, /** @type {string[]} */ args) {
  const done = spawnSync(command, args, { cwd: root, stdio: ['ignore', 2, 2] })
  if (done.status !== 0) {
    say(
      `\n${command} ${args.join(' ')} failed. Check the network to the npm registry, then start again.`,
    )
    process.exit(1)
  }
}
