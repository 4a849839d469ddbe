import { randomUUID } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { rm } from 'node:fs/promises'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import type { H3Event } from 'h3'
import { setResponseHeader } from 'h3'
import { Refusal } from '../services/refusal'
import { spoolFolder } from './spool-folder'

/** ms; a list of the greatest size over a slow network. */
const WITHIN = 28_000

/** A body laid aside as a file, and how it is thrown away. */
export interface Spooled {
  path: string
  bytes: number
  remove: () => Promise<void>
}

/**
 * A large body as a file beside: nothing in the database waits for a slow sender, and it is never in memory at once.
 * @throws Refusal 400, 408 or 413
 */
export async function spool(event: H3Event, most: number): Promise<Spooled> {
  const { req } = event.node
  const path = join(spoolFolder(), `${randomUUID()}.part`)
  const remove = () => rm(path, { force: true })
  let bytes = 0
  const giveUp = AbortSignal.timeout(WITHIN)
  async function* bounded(source: AsyncIterable<Buffer>) {
    for await (const chunk of source) {
      bytes += chunk.length
      if (bytes > most)
        throw new Refusal('too-large', `At most ${most / 1024 / 1024} MiB are taken here`)
      yield chunk
    }
  }
  try {
    await pipeline(req, bounded, createWriteStream(path, { mode: 0o600 }), { signal: giveUp })
  } catch (error) {
    await remove()
    setResponseHeader(event, 'connection', 'close')
    if (error instanceof Refusal) throw error
    throw giveUp.aborted
      ? new Refusal('too-slow', `The list did not come within ${WITHIN / 1000} s`)
      : new Refusal('cut-off', 'The list was cut off')
  }
  return { path, bytes, remove }
}
