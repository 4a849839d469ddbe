import { accessSync, constants } from 'node:fs'
import { delimiter, join } from 'node:path'
import { runTool } from './ending.mjs'
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
export async function ensureProgram(program: string, debianPackage: string): Promise<void> {
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
  await runTool('apt-get', ['update', '-qq'], { env })
  const install = ['install', '-y', '-qq', '--no-install-recommends', debianPackage]
  const { code, stderr } = await runTool('apt-get', install, { env })
  if (code !== 0 || !onPath(program))
    throw new Plain(
      `apt-get could not install ${debianPackage}:\n${stderr.trim()}\n` +
        `Check the network to Debian's packages, or install it by hand, then start again.`,
    )
}
