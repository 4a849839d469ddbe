import { randomUUID } from 'node:crypto'
import { createReadStream, createWriteStream } from 'node:fs'
import { rm } from 'node:fs/promises'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { setImmediate as others } from 'node:timers/promises'
import { setResponseHeader, type H3Event } from 'h3'
import { inTurn } from '../threads/in-turn'
import { spoolFolder } from './spool-folder'

/** Large answers that may wait while one is written. */
const MOST_WAITING = 20
/** Characters that are written together, and ms of work after which others have their turn. */
const TOGETHER = 64 * 1024
const AT_ONCE = 8

const oneAtATime = inTurn(
  MOST_WAITING,
  'Several files are being written already; ask again in a minute.',
)

/**
 * A large answer, written to a file first and sent from there: the database waits for no slow network, others have their
 * turn in between, and what goes wrong on the way is told as such, not as a file that ends early.
 *
 * @param most bytes it may have
 * @param tooLarge what is thrown where it has more
 */
export async function laidAside(
  event: H3Event,
  pieces: AsyncGenerator<string>,
  most = Infinity,
  tooLarge: () => Error = () => new Error('too large'),
): Promise<Readable> {
  const path = join(spoolFolder(), `${randomUUID()}.answer`)
  const gone = new AbortController()
  const { res } = event.node
  res.once('close', () => gone.abort())
  let bytes = 0
  async function* inBlocks(): AsyncGenerator<Buffer> {
    for await (const block of blocksOf(pieces)) {
      const written = Buffer.from(block, 'utf8')
      bytes += written.length
      if (bytes > most) throw tooLarge()
      yield written
    }
  }
  try {
    await oneAtATime.run(() =>
      pipeline(Readable.from(inBlocks()), createWriteStream(path, { mode: 0o600 }), {
        signal: gone.signal,
      }),
    )
  } catch (error) {
    await rm(path, { force: true })
    throw error
  }
  setResponseHeader(event, 'content-length', bytes)
  const body = createReadStream(path)
  const end = () => {
    body.destroy()
    void rm(path, { force: true })
  }
  body.once('close', end)
  res.once('close', end)
  return body
}

/** Pieces put together, with a pause for others now and then. */
async function* blocksOf(pieces: AsyncGenerator<string>): AsyncGenerator<string> {
  let block = ''
  let since = performance.now()
  for await (const piece of pieces) {
    block += piece
    if (block.length >= TOGETHER) {
      yield block
      block = ''
    }
    if (performance.now() - since < AT_ONCE) continue
    await others()
    since = performance.now()
  }
  if (block !== '') yield block
}
