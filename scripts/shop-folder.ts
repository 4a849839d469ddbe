import { join, resolve } from 'node:path'
import { Plain } from './debian'
import { root } from './packages.mjs'

/** Port at which a shop is served unless another is asked for. */
const USUAL_PORT = 4180

/** The port that is asked for; the start command and its backup ask alike. */
export function portAsked(env: NodeJS.ProcessEnv = process.env): number {
  const port = Number(env.MELLOW_PORT ?? USUAL_PORT)
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new Plain('MELLOW_PORT must be a port, 1 to 65535')
  return port
}

/** The data folder of the shop at a port: each port has its own, unless a folder is named. */
export function dataFolder(port: number, env: NodeJS.ProcessEnv = process.env): string {
  return resolve(env.MELLOW_DATA || join(root, '.data', port === USUAL_PORT ? 'demo' : `demo-${port}`))
}
