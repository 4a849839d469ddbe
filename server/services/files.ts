import { QueryTypes } from 'sequelize'
import sharp from 'sharp'
import { fileIdOf, type StoredFile } from '../../contract'
import type { Database } from '../database/database'
import { troubleOf } from '../database/errors'
import { notFound, Refusal } from './refusal'

/** px; the longer side as kept: a thread can still be counted on it. */
const LONGEST = 2048
const THUMBNAIL = 320
/** More than any camera makes; a small file may stand for a huge picture. */
const MOST_PIXELS = 120_000_000
/** What is told to be such from its content, whatever its name says. */
const TAKEN = ['jpeg', 'png', 'webp', 'heif', 'avif', 'tiff']
const AS_KEPT = 'image/jpeg'

const refused = () =>
  new Refusal(
    415,
    'no-photograph',
    'This is no photograph that can be read: send JPEG, PNG, WebP, AVIF or TIFF. Nothing was kept.',
  )

/**
 * Keeps a photograph: turned upright, resized, and without what the camera wrote into it, its position among that. The same
 * one again changes nothing.
 *
 * @throws Refusal 415 where the content is no photograph
 */
export async function keepFile(
  database: Database,
  { bytes, sha256 }: { bytes: Buffer; sha256: Buffer },
): Promise<{ file: StoredFile; created: boolean }> {
  const id = fileIdOf(sha256)
  const known = await rowOf(database, id)
  if (known) return { file: known, created: false }
  const { content, thumbnail, width, height } = await readable(bytes)
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
    const { format } = await sharp(sent, options).metadata()
    if (!TAKEN.includes(format)) throw refused()
    // Turned as the camera was held; what it wrote besides is left out by making the picture anew.
    const upright = sharp(sent, options).rotate()
    const fit = { fit: 'inside', withoutEnlargement: true } as const
    const [full, thumbnail] = await Promise.all([
      upright
        .clone()
        .resize(LONGEST, LONGEST, fit)
        .jpeg({ quality: 82 })
        .toBuffer({ resolveWithObject: true }),
      upright.clone().resize(THUMBNAIL, THUMBNAIL, fit).jpeg({ quality: 74 }).toBuffer(),
    ])
    const { width, height } = full.info
    return { content: full.data, thumbnail, width, height }
  } catch {
    throw refused()
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
