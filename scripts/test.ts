import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ensureBuilt } from './build'
import { ensureProgram, Plain } from './debian'
import { root, say } from './packages.mjs'

/** `npm test`: lint, types, unit, API against a real MariaDB, a tenth of the trials, real browser. The last line counts all of it. */
interface Count {
  passed: number
  failed: number
}
const REPORTS = join(root, '.data', 'test', 'reports')
const started = Date.now()

const one = (good: boolean): Count => ({ passed: good ? 1 : 0, failed: good ? 0 : 1 })

/** Counts of a vitest run; a run that ended badly without a failed test is a failure all the same. */
async function vitest(name: string, ...args: string[]): Promise<Count> {
  const file = join(REPORTS, `${name}.json`)
  const { good, said } = await aside('vitest', [
    'run',
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${file}`,
    ...args,
  ])
  say(said.trim())
  if (!existsSync(file)) return one(false)
  const report = JSON.parse(readFileSync(file, 'utf8')) as {
    numPassedTests: number
    numFailedTests: number
  }
  return { passed: report.numPassedTests, failed: Math.max(report.numFailedTests, good ? 0 : 1) }
}

async function browser(): Promise<Count> {
  const file = join(REPORTS, 'browser.json')
  const env = { PLAYWRIGHT_JSON_OUTPUT_NAME: file }
  const { good, said } = await aside('playwright', ['test', '--reporter=list,json'], env)
  say(said.trim())
  if (!existsSync(file)) return one(false)
  const { stats } = JSON.parse(readFileSync(file, 'utf8')) as {
    stats: { expected: number; unexpected: number; flaky: number }
  }
  return { passed: stats.expected, failed: Math.max(stats.unexpected + stats.flaky, good ? 0 : 1) }
}

/** What only reads the source; all at once, each with its own words when it is done. */
const READING: [name: string, command: string, ...args: string[]][] = [
  ['types', 'nuxt', 'typecheck', '--logLevel=silent'],
  ['lint', 'eslint', '.', '--max-warnings=0'],
  ['format', 'prettier', '--check', '--log-level=warn', '.'],
  ['types of tests and scripts', 'tsc', '-p', 'tests/tsconfig.json', '--noEmit'],
]
const aside = (
  command: string,
  args: string[],
  env: Record<string, string> = {},
): Promise<{ good: boolean; said: string }> =>
  new Promise((resolve) => {
    const child = spawn(join(root, 'node_modules', '.bin', command), args, {
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, ...env },
    })
    let said = ''
    child.stdout.on('data', (piece: Buffer) => (said += piece.toString()))
    child.stderr.on('data', (piece: Buffer) => (said += piece.toString()))
    child.on('error', (error) => resolve({ good: false, said: error.message }))
    child.on('close', (code) => resolve({ good: code === 0, said }))
  })

type Suite = [name: string, run: () => Promise<Count>]
/** One after the other: each starts servers that are killed, or waited for, at times of its own. */
const SUITES: Suite[] = [
  ['unit', () => vitest('unit')],
  ['api', () => vitest('api', '--config', 'vitest.api.config.ts')],
  ['trials', () => vitest('trials', '--config', 'vitest.trials.config.ts')],
  ['browser', browser],
]

rmSync(REPORTS, { recursive: true, force: true })
mkdirSync(REPORTS, { recursive: true })
const total: Count = { passed: 0, failed: 0 }
function take(name: string, { passed, failed }: Count): void {
  total.passed += passed
  total.failed += failed
  const after = Math.round((Date.now() - started) / 1000)
  say(`— ${name}: ${passed} passed, ${failed} failed, ${after} s`)
}
try {
  await ensureProgram('mariadbd', 'mariadb-server')
  await ensureProgram('chromium', 'chromium')
  await ensureBuilt()
  await Promise.all(
    READING.map(async ([name, command, ...args]) => {
      const { good, said } = await aside(command, args)
      say(`\n— ${name}\n${said.trim()}`)
      take(name, one(good))
    }),
  )
  for (const [name, suite] of SUITES) take(name, await suite())
} catch (error) {
  if (!(error instanceof Plain)) throw error
  say(error.message)
  total.failed += 1
}
const summary = `${total.passed} passed, ${total.failed} failed`
writeFileSync(join(root, '.data', 'test', 'summary'), `${summary}\n`)
process.stdout.write(`${summary}\n`)
process.exitCode = total.failed === 0 && total.passed > 0 ? 0 : 1
