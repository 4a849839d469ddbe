import { QueryTypes } from 'sequelize'
import sharp from 'sharp'
import { fileIdOf, type StoredFile } from '../../../contract'
import type { Database } from '../../database/database'
import { troubleOf } from '../../database/errors'
import { inTurn } from '../../threads/in-turn'
import { notFound, Refusal } from '../refusal'

/** px; the longer side as kept: a thread can still be counted on it. */
const LONGEST = 2048
const THUMBNAIL = 320
/** More than any camera makes; a small file may stand for a huge picture. */
const MOST_PIXELS = 120_000_000
/** Of a format that is unpacked all at once: some 18 bytes of memory for each. */
const MOST_PIXELS_AT_ONCE = 50_000_000
const UNPACKED_AT_ONCE = ['heif', 'avif']
/** Photographs that may wait while one is made smaller. */
const MOST_WAITING = 8
/** What is told to be such from its content, whatever its name says. */
const TAKEN = ['jpeg', 'png', 'webp', 'heif', 'avif', 'tiff']
const AS_KEPT = 'image/jpeg'

// What was unpacked is not kept: the next photograph is another one.
sharp.cache(false)
const oneAtATime = inTurn(
  MOST_WAITING,
  'Several photographs are being taken in already; send this one again in a minute.',
)

const tooLarge = (most: number) =>
  new Refusal(
    'too-large',
    `This photograph has more than ${most / 1_000_000} megapixels: send it smaller. Nothing was kept.`,
  )
const refused = () =>
  new Refusal(
    'no-photograph',
    'This is no photograph that can be read: send JPEG, PNG, WebP, AVIF or TIFF. Nothing was kept.',
  )

/**
 * Keeps a photograph: turned upright, resized, and without what the camera wrote into it, its position among that. The same
 * one again changes nothing.
 *
 * @throws Refusal 413 where it is too large a picture, 415 where the content is no photograph, 503 where too many wait
 */
export async function keepFile(
  database: Database,
  { bytes, sha256 }: { bytes: Buffer; sha256: Buffer },
): Promise<{ file: StoredFile; created: boolean }> {
  const id = fileIdOf(sha256)
  const known = await rowOf(database, id)
  if (known) return { file: known, created: false }
  const { content, thumbnail, width, height } = await oneAtATime.run(() => readable(bytes))
  const createdAt = new Date()
  try {
    await database.sequelize.query(
      `INSERT INTO files (id, sha256, type, bytes, width, height, content, thumbnail, createdAt)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)`,
      {
        replacements: [
          id,
          sha256,
          AS_KEPT,
          content.length,
          width,
          height,
          content,
          thumbnail,
          createdAt,
        ],
        type: QueryTypes.INSERT,
      },
    )
  } catch (error) {
    // Another tablet was a moment earlier with the same one.
    const there = troubleOf(error) === 'taken' ? await rowOf(database, id) : null
    if (!there) throw error
    return { file: there, created: false }
  }
  const file = { id, type: AS_KEPT, bytes: content.length, width, height } as const
  return { file: { ...file, createdAt: createdAt.toISOString() }, created: true }
}

async function readable(sent: Buffer) {
  try {
    const options = { limitInputPixels: MOST_PIXELS, failOn: 'error' } as const
    // The head of the file alone is read, whatever it stands for.
    const head = await sharp(sent, { ...options, limitInputPixels: false }).metadata()
    if (!TAKEN.includes(head.format)) throw refused()
    const most = UNPACKED_AT_ONCE.includes(head.format) ? MOST_PIXELS_AT_ONCE : MOST_PIXELS
    if (head.width * head.height > most) throw tooLarge(most)
    const fit = { fit: 'inside', withoutEnlargement: true } as const
    // Turned as the camera was held; what it wrote besides is left out by making the picture anew.
    const { data: content, info } = await sharp(sent, options)
      .rotate()
      .resize(LONGEST, LONGEST, fit)
      .jpeg({ quality: 82 })
      .toBuffer({ resolveWithObject: true })
    // From the one that is kept: the large one is unpacked once.
    const thumbnail = await sharp(content)
      .resize(THUMBNAIL, THUMBNAIL, fit)
      .jpeg({ quality: 74 })
      .toBuffer()
    return { content, thumbnail, width: info.width, height: info.height }
  } catch (error) {
    throw error instanceof Refusal ? error : refused()
  }
}

async function rowOf({ sequelize }: Database, id: string): Promise<StoredFile | null> {
  const [row] = await sequelize.query<Omit<StoredFile, 'createdAt'> & { createdAt: Date }>(
    'SELECT id, type, bytes, width, height, createdAt FROM files WHERE id = ?',
    { replacements: [id], type: QueryTypes.SELECT },
  )
  return row ? { ...row, createdAt: row.createdAt.toISOString() } : null
}

/** The picture itself, whole or small. */
export async function readFile(
  { sequelize }: Database,
  id: string,
  size: 'full' | 'small',
): Promise<{ type: string; content: Buffer }> {
  const column = size === 'small' ? 'thumbnail' : 'content'
  const [row] = await sequelize.query<{ type: string; content: Buffer }>(
    `SELECT type, ${column} AS content FROM files WHERE id = ?`,
    { replacements: [id], type: QueryTypes.SELECT },
  )
  if (!row) throw notFound('photograph')
  return row
}

/** Ids of these that are kept. */
export async function filesKept(
  { sequelize }: Database,
  ids: readonly string[],
): Promise<ReadonlySet<string>> {
  if (ids.length === 0) return new Set()
  const rows = await sequelize.query<{ id: string }>('SELECT id FROM files WHERE id IN (?)', {
    replacements: [[...ids]],
    type: QueryTypes.SELECT,
  })
  return new Set(rows.map(({ id }) => id))
}
