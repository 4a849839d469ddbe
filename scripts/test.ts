import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ensureBuilt } from './build'
import { ensureProgram, Plain } from './debian'
import { root, say } from './packages.mjs'

/** `npm test`: lint, types, unit, API against a real MariaDB, real browser. The last line counts all of it. */
interface Count {
  passed: number
  failed: number
}
const REPORTS = join(root, '.data', 'test', 'reports')
const started = Date.now()

function run(command: string, args: string[], env: Record<string, string> = {}): boolean {
  const done = spawnSync(command, args, {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env },
  })
  return done.status === 0
}
const tool = (name: string, ...args: string[]) => run(join(root, 'node_modules', '.bin', name), args)
const one = (good: boolean): Count => ({ passed: good ? 1 : 0, failed: good ? 0 : 1 })

/** Counts of a vitest run; a run that ended badly without a failed test is a failure all the same. */
function vitest(name: string, ...args: string[]): Count {
  const file = join(REPORTS, `${name}.json`)
  const good = tool(
    'vitest',
    'run',
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${file}`,
    ...args,
  )
  if (!existsSync(file)) return one(false)
  const report = JSON.parse(readFileSync(file, 'utf8')) as {
    numPassedTests: number
    numFailedTests: number
  }
  return { passed: report.numPassedTests, failed: Math.max(report.numFailedTests, good ? 0 : 1) }
}

function browser(): Count {
  const file = join(REPORTS, 'browser.json')
  const env = { PLAYWRIGHT_JSON_OUTPUT_NAME: file }
  const good = run(
    join(root, 'node_modules', '.bin', 'playwright'),
    ['test', '--reporter=list,json'],
    env,
  )
  if (!existsSync(file)) return one(false)
  const { stats } = JSON.parse(readFileSync(file, 'utf8')) as {
    stats: { expected: number; unexpected: number; flaky: number }
  }
  return { passed: stats.expected, failed: Math.max(stats.unexpected + stats.flaky, good ? 0 : 1) }
}

const SUITES: [name: string, run: () => Count][] = [
  ['lint', () => one(tool('eslint', '.', '--max-warnings=0'))],
  ['format', () => one(tool('prettier', '--check', '--log-level=warn', '.'))],
  ['types', () => one(tool('nuxt', 'typecheck', '--logLevel=silent'))],
  ['types of tests and scripts', () => one(tool('tsc', '-p', 'tests/tsconfig.json', '--noEmit'))],
  ['unit', () => vitest('unit')],
  ['api', () => vitest('api', '--config', 'vitest.api.config.ts')],
  ['browser', browser],
]

rmSync(REPORTS, { recursive: true, force: true })
mkdirSync(REPORTS, { recursive: true })
const total: Count = { passed: 0, failed: 0 }
try {
  ensureProgram('mariadbd', 'mariadb-server')
  ensureProgram('chromium', 'chromium')
  ensureBuilt()
  for (const [name, suite] of SUITES) {
    say(`\n— ${name}`)
    const count = suite()
    total.passed += count.passed
    total.failed += count.failed
    say(
      `— ${name}: ${count.passed} passed, ${count.failed} failed, ${Math.round((Date.now() - started) / 1000)} s`,
    )
  }
} catch (error) {
  if (!(error instanceof Plain)) throw error
  say(error.message)
  total.failed += 1
}
const summary = `${total.passed} passed, ${total.failed} failed`
writeFileSync(join(root, '.data', 'test', 'summary'), `${summary}\n`)
process.stdout.write(`${summary}\n`)
process.exitCode = total.failed === 0 && total.passed > 0 ? 0 : 1
