import { spawnSync } from 'node:child_process'
import {
  chmodSync,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { join } from 'node:path'
import { Plain } from './debian'

/** Work on a data folder; what the file system refuses is said in a sentence. */
export function inFolder<T>(folder: string, work: () => T): T {
  try {
    return work()
  } catch (error) {
    if (error instanceof Plain) throw error
    throw new Plain(
      `The data folder ${folder} cannot be used: ${(error as Error).message}.\n` +
        'Set MELLOW_DATA to a folder that can be written.',
    )
  }
}

/** Makes a folder that only its owner reads, and that a server's own account may pass through. */
export function makeFolder(folder: string): void {
  inFolder(folder, () => {
    mkdirSync(folder, { recursive: true, mode: 0o711 })
    chmodSync(folder, 0o711)
  })
}

/** A small JSON file; null where there is none, or where it was cut off and says nothing any more. */
export function readSmall<T extends object>(file: string): Partial<T> | null {
  if (!existsSync(file)) return null
  try {
    const read: unknown = JSON.parse(readFileSync(file, 'utf8'))
    return typeof read === 'object' && read !== null ? (read as Partial<T>) : null
  } catch {
    return null
  }
}

/** Written whole or not at all. */
export function writeSmall(file: string, value: object): void {
  writeFileSync(`${file}.new`, JSON.stringify(value), { mode: 0o600 })
  renameSync(`${file}.new`, file)
}

/**
 * Takes a data folder for this process: two demos on one folder would end each other's database.
 * @returns gives it back
 */
export function takeFolder(folder: string, port: number): () => void {
  makeFolder(folder)
  const file = join(folder, 'owner.json')
  const owner = readSmall<{ pid: number; port: number }>(file)
  if (owner?.pid && owner.pid !== process.pid && isDemo(owner.pid))
    throw new Plain(
      `The data folder ${folder} is in use by the demo at port ${owner.port} (process ${owner.pid}).\n` +
        'Stop that one, or give this one a folder of its own: MELLOW_DATA=<folder> npm run demo',
    )
  inFolder(folder, () => writeSmall(file, { pid: process.pid, port }))
  return () => rmSync(file, { force: true })
}

function isDemo(pid: number): boolean {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('demo.mjs')
  } catch {
    return false
  }
}

/** An account of the machine under which a server runs. */
export interface Account {
  name: string
  uid: number
  gid: number
}

/**
 * The account that Debian makes for its database server, where we may become it and it can reach the folder; null where the
 * server runs as whoever starts it.
 */
export function serverAccount(folder: string): Account | null {
  if (process.getuid?.() !== 0) return null
  const line = readFileSync('/etc/passwd', 'utf8')
    .split('\n')
    .find((one) => one.startsWith('mysql:'))
  if (!line) return null
  const [name, , uid, gid] = line.split(':')
  const account = { name: name!, uid: Number(uid), gid: Number(gid) }
  const { status } = spawnSync('/bin/sh', ['-c', 'test -x "$0"', folder], {
    uid: account.uid,
    gid: account.gid,
  })
  return status === 0 ? account : null
}
