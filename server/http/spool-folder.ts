import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** Folders in which processes lay large bodies aside: the name says whose it is. */
const NAME = /^mellow-spool-(\d+)-/

let folder: string | undefined
/** This process's own folder, which nobody else may look into. */
export const spoolFolder = (): string =>
  (folder ??= mkdtempSync(join(tmpdir(), `mellow-spool-${process.pid}-`)))

/** Takes away what processes have left that were killed. @param place the system's own folder for such files */
export function sweepSpool(place = tmpdir()): string[] {
  const left = readdirSync(place).filter((name) => {
    const [, pid] = NAME.exec(name) ?? []
    return pid !== undefined && !isAlive(Number(pid))
  })
  return left.filter((name) => {
    try {
      rmSync(join(place, name), { recursive: true, force: true })
      return true
    } catch {
      // Another user's: it is not ours to take away.
      return false
    }
  })
}

export function dropSpool(): void {
  if (folder !== undefined) rmSync(folder, { recursive: true, force: true })
  folder = undefined
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    return (error as { code?: string }).code === 'EPERM'
  }
}
