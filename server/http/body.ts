import { createHash } from 'node:crypto'
import { setResponseHeader, type H3Event } from 'h3'
import { Refusal } from '../services/refusal'

/** A job's first entries fit many times over. */
const MOST_BYTES = 256 * 1024
/** ms; a body of this size takes a second on the slowest network of a workshop. */
const READ_WITHIN = 15_000

/** ms; a photograph of the greatest size over a slow network. */
const BYTES_WITHIN = 28_000

/**
 * The body as it is with its hash, refused as soon as it has more bytes than it may.
 * @throws Refusal 400, 408 or 413
 */
export async function readBytes(
  event: H3Event,
  most: number,
): Promise<{ bytes: Buffer; sha256: Buffer }> {
  // As it comes: all of it at once would hold up everybody else.
  const hash = createHash('sha256')
  const bytes = await bounded(event, most, BYTES_WITHIN, (chunk) => hash.update(chunk))
  return { bytes, sha256: hash.digest() }
}

/**
 * The body as JSON, bounded in size and time while it is read, so that one of unstated length is bounded too.
 * @throws Refusal 400, 408, 413 or 415
 */
export async function readJson(event: H3Event): Promise<unknown> {
  const { req } = event.node
  if (!/^application\/json\b/.test(req.headers['content-type'] ?? ''))
    throw new Refusal('not-json', 'Send application/json')
  const body = await bounded(event, MOST_BYTES, READ_WITHIN)
  try {
    return JSON.parse(body.toString('utf8'))
  } catch {
    throw new Refusal('no-json', 'The body is not readable as JSON')
  }
}

async function bounded(
  event: H3Event,
  most: number,
  within: number,
  each: (chunk: Buffer) => void = () => {},
): Promise<Buffer> {
  const { req } = event.node
  const chunks: Buffer[] = []
  let size = 0
  let late = false
  const timer = setTimeout(() => {
    late = true
    req.emit('error', new Error('late'))
  }, within)
  const end = (refusal: Refusal): Refusal => {
    setResponseHeader(event, 'connection', 'close')
    return refusal
  }
  try {
    for await (const chunk of req as AsyncIterable<Buffer>) {
      size += chunk.length
      if (size > most) throw end(new Refusal('too-large', `At most ${inWords(most)} are taken here`))
      chunks.push(chunk)
      each(chunk)
    }
  } catch (error) {
    if (error instanceof Refusal) throw error
    throw end(
      late
        ? new Refusal('too-slow', `The body did not come within ${within / 1000} s`)
        : new Refusal('cut-off', 'The body was cut off'),
    )
  } finally {
    clearTimeout(timer)
  }
  return Buffer.concat(chunks)
}

const inWords = (bytes: number): string =>
  bytes >= 1024 * 1024 ? `${bytes / 1024 / 1024} MiB` : `${bytes / 1024} KiB`
