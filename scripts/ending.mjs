import { spawn } from 'node:child_process'

/**
 * Programs that a command starts, and its end. Whatever was started is known from the same moment on, and once the command
 * is ending nothing new is started: so Ctrl-C at any moment leaves nothing behind.
 */

/** What a step throws that comes too late: the command is ending. */
export class Ending extends Error {
  name = 'Ending'
}

/** @type {Set<import('node:child_process').ChildProcess>} */
const tools = new Set()
/** @type {(() => Promise<void>)[]} */
const steps = []
/** @type {Promise<void> | undefined} */
let ending

const PATIENCE = 8000

export const isEnding = () => ending !== undefined

/** Begins the end: tools are stopped, then every service in the opposite order of its start, then the process exits. */
export function end(/** @type {number} */ code) {
  ending ??= (async () => {
    await Promise.all([...tools].map((child) => stopTree(child)))
    for (let step = steps.pop(); step; step = steps.pop())
      await step().catch((/** @type {Error} */ error) => process.stderr.write(`${error.message}\n`))
    process.exit(code)
  })()
  return ending
}

/** Ctrl-C, a closed terminal, or kill. */
export function endOnSignals() {
  for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM', 'SIGHUP']))
    process.on(signal, () => {
      if (!isEnding()) process.stderr.write('\nStopping …\n')
      void end(0)
    })
}

/**
 * Starts a program that goes on, with how it is stopped.
 * @param {string} command
 * @param {string[]} args
 * @param {import('node:child_process').SpawnOptions} options
 * @param {(child: import('node:child_process').ChildProcess) => Promise<void>} stop
 */
export function startService(command, args, options, stop) {
  if (isEnding()) throw new Ending('It is ending.')
  const child = spawn(command, args, { ...options, detached: true })
  steps.push(() => stop(child))
  return child
}

/**
 * Runs a program to its end.
 * @param {string} command
 * @param {string[]} args
 * @param {{ cwd?: string, env?: NodeJS.ProcessEnv, input?: string, show?: boolean }} [options] show: on standard error
 * @returns {Promise<{ code: number | null, stdout: string, stderr: string }>}
 */
export function runTool(command, args, { cwd, env, input = '', show = false } = {}) {
  if (isEnding()) return Promise.reject(new Ending('It is ending.'))
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd,
      env,
      stdio: show ? ['ignore', 2, 2] : 'pipe',
      // A group of its own, so that what it starts ends with it.
      detached: true,
    })
    tools.add(child)
    let stdout = ''
    let stderr = ''
    child.stdout?.on('data', (piece) => (stdout += piece))
    child.stderr?.on('data', (piece) => (stderr += piece))
    child.stdin?.on('error', () => {})
    child.stdin?.end(input)
    const done = (/** @type {number | null} */ code) => {
      tools.delete(child)
      if (isEnding()) reject(new Ending('It is ending.'))
      else resolve({ code, stdout, stderr })
    }
    child.on('error', (error) => {
      stderr += error.message
      done(null)
    })
    child.on('close', done)
  })
}

/** @param {import('node:child_process').ChildProcess} child */
async function stopTree(child) {
  const gone = new Promise((resolve) => {
    child.once('exit', resolve)
    if (hasEnded(child)) resolve(undefined)
  })
  signalTree(child, 'SIGTERM')
  const timer = setTimeout(() => signalTree(child, 'SIGKILL'), PATIENCE)
  await gone
  clearTimeout(timer)
  // What it had started may outlive it.
  signalTree(child, 'SIGKILL')
}

/** @param {import('node:child_process').ChildProcess} child */
export const hasEnded = (child) =>
  child.pid === undefined || child.exitCode !== null || child.signalCode !== null

/**
 * @param {import('node:child_process').ChildProcess} child
 * @param {NodeJS.Signals} signal
 */
function signalTree(child, signal) {
  try {
    if (child.pid) process.kill(-child.pid, signal)
  } catch {
    // It is gone.
  }
}

/**
 * Asks a service to end and, where it does not within the time, ends it.
 * @param {import('node:child_process').ChildProcess} child
 * @param {number} within ms
 */
export async function stopService(child, within) {
  if (hasEnded(child)) return
  const gone = new Promise((resolve) => child.once('exit', resolve))
  child.kill('SIGTERM')
  const timer = setTimeout(() => child.kill('SIGKILL'), within)
  await gone
  clearTimeout(timer)
}
