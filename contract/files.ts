/** Photographs: what crosses the boundary besides JSON. */

/** Bytes that a photograph may have when it is sent. */
export const MOST_FILE_BYTES = 12 * 1024 * 1024

/** A photograph as the server keeps it. */
export interface StoredFile {
  /** Made from what was sent, so that the same photograph is kept once, whoever sends it. */
  id: string
  type: 'image/jpeg'
  /** As kept: resized, without what the camera wrote into it. */
  bytes: number
  width: number
  height: number
  createdAt: string
}

/** A photograph of a part, from whichever job or vehicle of a model. */
export interface ModelPhoto {
  file: string
  place: string
  words: string | null
  vehicleName: string
  at: string
}

/** What was found out about a model, as told at its next job. */
export interface ModelNoteTold {
  /** Of the entry. */
  id: string
  place: string
  words: string
  /** Id of a photograph’s file. */
  photo: string | null
  vehicleName: string
  at: string
}

const DIGITS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ'

/**
 * The id of a file from the SHA-256 of what was sent: its first 128 bits in the same letters as every other id.
 * @param sha256 32 bytes
 */
export function fileIdOf(sha256: Uint8Array): string {
  let rest = 0n
  for (const byte of sha256.subarray(0, 16)) rest = rest * 256n + BigInt(byte)
  let text = ''
  for (let i = 0; i < 26; i++) {
    text = DIGITS[Number(rest % 32n)]! + text
    rest /= 32n
  }
  return text
}
