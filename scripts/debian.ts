import { spawnSync } from 'node:child_process'
import { accessSync, constants } from 'node:fs'
import { delimiter, join } from 'node:path'
import { say } from './packages.mjs'

/** What stops a command in plain words, with what to do. */
export class Plain extends Error {
  override readonly name = 'Plain'
}

const onPath = (program: string): boolean =>
  [...(process.env.PATH ?? '').split(delimiter), '/usr/sbin', '/sbin'].some((folder) => {
    try {
      accessSync(join(folder, program), constants.X_OK)
      return true
    } catch {
      return false
    }
  })

/** Installs a Debian package where its program is missing. */
export function ensureProgram(program: string, debianPackage: string): void {
  if (onPath(program)) return
  if (process.getuid?.() !== 0)
    throw new Plain(
      `${program} is missing and only root may install it. Run: sudo apt-get install ${debianPackage}`,
    )
  if (!onPath('apt-get'))
    throw new Plain(
      `${program} is missing and this is no Debian machine. Install ${debianPackage} by hand.`,
    )
  say(`Installing ${debianPackage} …`)
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  const apt = (...args: string[]) =>
    spawnSync('apt-get', args, { env, encoding: 'utf8', maxBuffer: 64 * 1024 * 1024 })
  apt('update', '-qq')
  const done = apt('install', '-y', '-qq', '--no-install-recommends', debianPackage)
  if (done.status !== 0 || !onPath(program))
    throw new Plain(
      `apt-get could not install ${debianPackage}:\n${(done.stderr || done.error?.message || '').trim()}\n` +
        `Check the network to Debian's packages, or install it by hand, then start again.`,
    )
}
