import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { constants, setPriority } from 'node:os'
import { join } from 'node:path'
import { ensureBuilt } from './build'
import { ensureChromium } from './chromium'
import { ensureProgram, Plain } from './debian'
import { root, say } from './packages.mjs'

/** `npm test`: lint, types, unit, API against a real MariaDB, a tenth of the trials, real browser. The last line counts all of it. */
interface Count {
  passed: number
  failed: number
}
/** Every failure in a line or two, said once more at the very end: a long log is often read from there. */
const failures: string[] = []
const firstLines = (text: string) =>
  text
    .replace(/\u001b\[[0-9;]*m/g, '')
    .split('\n')
    .slice(0, 6)
    .join('\n  ')
const lastLines = (text: string) =>
  text
    .replace(/\u001b\[[0-9;]*m/g, '')
    .trim()
    .split('\n')
    .slice(-12)
    .join('\n  ')
const REPORTS = join(root, '.data', 'test', 'reports')
const started = Date.now()

const one = (good: boolean): Count => ({ passed: good ? 1 : 0, failed: good ? 0 : 1 })

/** Work that nobody waits for is run at the lowest priority: it fills what the suites that wait for servers leave free. */
type Behind = 'behind' | undefined
const aside = (
  command: string,
  args: string[],
  env: Record<string, string> = {},
  behind?: Behind,
): Promise<{ good: boolean; said: string }> =>
  new Promise((resolve) => {
    const child = spawn(join(root, 'node_modules', '.bin', command), args, {
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, ...env },
    })
    if (behind && child.pid !== undefined) setPriority(child.pid, constants.priority.PRIORITY_LOW)
    let said = ''
    child.stdout.on('data', (piece: Buffer) => (said += piece.toString()))
    child.stderr.on('data', (piece: Buffer) => (said += piece.toString()))
    child.on('error', (error) => resolve({ good: false, said: error.message }))
    child.on('close', (code) => resolve({ good: code === 0, said }))
  })

/** Counts of a vitest run; a run that ended badly without a failed test is a failure all the same. */
async function vitest(name: string, args: string[] = [], behind?: Behind): Promise<Count> {
  const file = join(REPORTS, `${name}.json`)
  const told = ['--reporter=default', '--reporter=json', `--outputFile.json=${file}`]
  const { good, said } = await aside('vitest', ['run', ...told, ...args], {}, behind)
  say(said.trim())
  if (!existsSync(file)) {
    failures.push(`${name}: it left no report; its last words:\n  ${lastLines(said)}`)
    return one(false)
  }
  const report = JSON.parse(readFileSync(file, 'utf8')) as {
    numPassedTests: number
    numFailedTests: number
    testResults: {
      name: string
      message: string
      assertionResults: { status: string; fullName: string; failureMessages: string[] }[]
    }[]
  }
  for (const { name: path, message, assertionResults } of report.testResults) {
    if (message) failures.push(`${path}: ${firstLines(message)}`)
    for (const { status, fullName, failureMessages } of assertionResults)
      if (status === 'failed')
        failures.push(`${path}: ${fullName}\n  ${firstLines(failureMessages.join('\n'))}`)
  }
  return { passed: report.numPassedTests, failed: Math.max(report.numFailedTests, good ? 0 : 1) }
}

interface Suite {
  file: string
  specs: {
    title: string
    ok: boolean
    tests: { results: { error?: { message?: string; snippet?: string } }[] }[]
  }[]
  suites?: Suite[]
}
function failuresIn({ file, specs, suites }: Suite): void {
  for (const { title, tests } of specs.filter(({ ok }) => !ok)) {
    const error = tests.flatMap(({ results }) => results).find((result) => result.error)?.error
    const said = `${firstLines(error?.message ?? '')}\n${firstLines(error?.snippet ?? '')}`
    failures.push(`${file}: ${title}\n  ${said}`)
  }
  suites?.forEach(failuresIn)
}
async function browser(): Promise<Count> {
  const file = join(REPORTS, 'browser.json')
  const env = { PLAYWRIGHT_JSON_OUTPUT_NAME: file, MELLOW_LANE: 'browser' }
  const { good, said } = await aside('playwright', ['test', '--reporter=list,json'], env)
  say(said.trim())
  if (!existsSync(file)) {
    failures.push(`browser: it left no report; its last words:\n  ${lastLines(said)}`)
    return one(false)
  }
  const { stats, suites, errors } = JSON.parse(readFileSync(file, 'utf8')) as {
    stats: { expected: number; unexpected: number; flaky: number }
    suites: Suite[]
    errors: { message?: string; stack?: string }[]
  }
  suites.forEach(failuresIn)
  // What went wrong outside every test: nothing else says it.
  for (const { message, stack } of errors)
    failures.push(`browser: ${firstLines(stack ?? message ?? '')}`)
  if (!good && stats.unexpected + stats.flaky + errors.length === 0)
    failures.push(`browser: ended badly; its last words:\n  ${lastLines(said)}`)
  return { passed: stats.expected, failed: Math.max(stats.unexpected + stats.flaky, good ? 0 : 1) }
}

/** What only reads the source, each with its own words when it is done. */
type Reading = [name: string, command: string, ...args: string[]]
/** Reads nothing that the build writes: it fills what that leaves free. */
const BESIDE_BUILD: Reading[] = [['format', 'prettier', '--check', '--log-level=warn', '.']]
const AFTER_BUILD: Reading[] = [
  // All of it as one program: what each part may not name, lint knows.
  ['types', 'vue-tsc', '-p', 'tsconfig.whole.json', '--noEmit'],
  ['lint', 'eslint', '.', '--max-warnings=0'],
]
/** All that only computes waits for no server and is waited for by none. */
async function read([name, command, ...args]: Reading): Promise<void> {
  const { good, said } = await aside(command, args, {}, 'behind')
  say(`\n— ${name}\n${said.trim()}`)
  if (!good) failures.push(`${name}: ${lastLines(said)}`)
  take(name, one(good))
}
async function computing(): Promise<void> {
  await Promise.all(AFTER_BUILD.map(read))
  take('unit', await vitest('unit', [], 'behind'))
}
/** One after the other: both start servers that are killed, or waited for, at times of their own. */
async function serving(): Promise<void> {
  take('api', await vitest('api', ['--config', 'vitest.api.config.ts']))
  take('trials', await vitest('trials', ['--config', 'vitest.trials.config.ts']))
}

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
  await ensureChromium()
  // What is printed is read back by a program that did not write it.
  await ensureProgram('pdftotext', 'poppler-utils')
  const beside = Promise.all(BESIDE_BUILD.map(read))
  await ensureBuilt()
  await Promise.all([
    serving(),
    browser().then((count) => take('browser', count)),
    beside.then(computing),
  ])
} catch (error) {
  if (!(error instanceof Plain)) throw error
  say(error.message)
  total.failed += 1
}
for (const failure of failures) say(`failed: ${failure}`)
const summary = `${total.passed} passed, ${total.failed} failed`
writeFileSync(join(root, '.data', 'test', 'summary'), `${summary}\n`)
process.stdout.write(`${summary}\n`)
process.exitCode = total.failed === 0 && total.passed > 0 ? 0 : 1
