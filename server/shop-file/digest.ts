import { createHash } from 'node:crypto'

/** SHA-256 of a photograph as it is kept. */
export const digestOf = (content: string, thumbnail: string): string =>
  createHash('sha256').update(content).update('\n').update(thumbnail).digest('hex')
