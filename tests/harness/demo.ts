import { spawn } from 'node:child_process'
import { readdirSync, readFileSync } from 'node:fs'
import { setTimeout as wait } from 'node:timers/promises'
import { freePort } from '../../scripts/mariadb'
import { root } from '../../scripts/packages.mjs'

/** The demo as somebody starts it at a terminal. */
export interface RunningDemo {
  /** What it has said until now. */
  said: () => string
  /** Ctrl-C; its exit code. */
  stop: () => Promise<number | null>
}

/** Starts the demo and waits until it prints its address. */
export async function startDemo(env: Record<string, string>): Promise<RunningDemo> {
  const child = spawn('node', ['scripts/demo.mjs'], { cwd: root, env: { ...process.env, ...env } })
  let said = ''
  const ended = new Promise<number | null>((resolve) => child.on('exit', resolve))
  await new Promise<void>((resolve, reject) => {
    child.stderr.on('data', (chunk: Buffer) => {
      said += chunk.toString()
      if (said.includes('Mellow Anchor is at')) resolve()
    })
    child.on('exit', () => reject(new Error(said)))
  })
  return {
    said: () => said,
    stop: async () => {
      child.kill('SIGINT')
      return ended
    },
  }
}

/** Processes that belong to a data folder: its database, its server, and what builds for it. */
export function processesOf(folder: string): { pid: number; command: string }[] {
  return readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name) && Number(name) !== process.pid)
    .flatMap((name) => {
      try {
        const command = readFileSync(`/proc/${name}/cmdline`, 'utf8').replaceAll('\0', ' ')
        if (command === '' || /demo\.mjs/.test(command)) return []
        const database = folder !== '' && command.includes(`--datadir=${folder}/`)
        const environment = readFileSync(`/proc/${name}/environ`, 'utf8')
        const ours = folder === '' || database || environment.includes(`MELLOW_DATA=${folder}\0`)
        return ours ? [{ pid: Number(name), command }] : []
      } catch {
        return []
      }
    })
}

/**
 * Starts the demo and sends it a signal so long after a program of its own has begun.
 * @param part of that program's command line
 * @param after ms
 * @returns its exit code, and what it left running
 */
export async function interrupted(
  folder: string,
  part: string,
  after: number,
  signal: NodeJS.Signals = 'SIGINT',
  cwd = root,
): Promise<{ code: number | null; left: string[] }> {
  const child = spawn('node', ['scripts/demo.mjs'], {
    cwd,
    stdio: 'ignore',
    env: { ...process.env, MELLOW_DATA: folder, MELLOW_PORT: String(await freePort()) },
  })
  let gone = false
  const ended = new Promise<number | null>((resolve) =>
    child.on('exit', (code) => ((gone = true), resolve(code))),
  )
  const until = Date.now() + 120_000
  while (!processesOf(folder).some(({ command }) => command.includes(part))) {
    if (gone) throw new Error(`it ended before ${part} began`)
    if (Date.now() > until) {
      child.kill('SIGINT')
      throw new Error(`${part} never began`)
    }
    await wait(5)
  }
  await wait(after)
  child.kill(signal)
  const code = await ended
  // What it has told to end may still be ending: it is left over only if it stays.
  const endedBy = Date.now() + 5000
  while (processesOf(folder).length > 0 && Date.now() < endedBy) await wait(20)
  return { code, left: processesOf(folder).map(({ command }) => command) }
}
