import { createHash } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { Transform } from 'node:stream'
import { StringDecoder } from 'node:string_decoder'
import Papa from 'papaparse'
import { QueryTypes, type Transaction } from 'sequelize'
import { monotonicFactory } from 'ulid'
import type { ImportPlanBody, ImportTold, KeptMapping, RefusedRow } from '../../../contract'
import {
  isOwnHeader,
  missingColumns,
  plainForSheets,
  readRow,
  type ColumnMapping,
  type ListedPart,
} from '../../../core/shelf'
import type { Database } from '../../database/database'
import { inTurn } from '../../threads/in-turn'
import { WRITTEN, written } from './parts'
import { Refusal } from '../refusal'

/** Rows that go into the database together. */
const TOGETHER = 500
/** Refused rows that are told at once; all of them come as a list. */
const FIRST = 50
/** Cells of a row, and rows of a list. */
const MOST_CELLS = 200
const MOST_ROWS = 200_000
/** Bytes within which a row must end: a quotation mark that is never closed would take in all that follows. */
const MOST_ROW_BYTES = 256 * 1024
/** Characters of a cell that stand in the list of refused rows: none that is kept has so many. */
const MOST_TOLD = 1000
/** Lists that may wait while one is read in. */
const MOST_WAITING = 4
const oneAtATime = inTurn(
  MOST_WAITING,
  'Several lists are being read in already; send this one again in a minute. Nothing was read in.',
)
/** What a list of refused rows has beside its own columns. */
const WHY = ['wrong_column', 'reason'] as const

/**
 * Reads a list of parts into the shelf in one transaction: all good rows, or, where that is asked for, all or nothing. It says
 * how far it is; left before its end, nothing is kept.
 *
 * @param path a file of comma-separated values with a header
 * @param bytes its size
 */
export async function* importParts(
  database: Database,
  { path, bytes }: { path: string; bytes: number },
  plan: ImportPlanBody,
): AsyncGenerator<ImportTold> {
  const missing = missingColumns(plan.mapping, plan.supplier)
  if (missing.length > 0)
    throw new Refusal('invalid', `No column is given for ${missing.join(', ')}`, [
      ...missing.map((one) => ({ path: `/mapping/${one}`, message: 'is missing' })),
    ])
  yield { stage: 'reading', rows: 0, bad: 0, share: 0 }
  // One after the other: each holds a connection, and what it writes, until its end.
  const end = await oneAtATime.turn()
  try {
    yield* readIn(database, { path, bytes }, plan)
  } finally {
    end()
  }
}

async function* readIn(
  database: Database,
  { path, bytes }: { path: string; bytes: number },
  plan: ImportPlanBody,
): AsyncGenerator<ImportTold> {
  const reading = new Reading(plan)
  const source = createReadStream(path)
  const rows = source.pipe(reading.watch()).pipe(Papa.parse(Papa.NODE_STREAM_INPUT, { header: false }))
  reading.parser = rows
  source.once('error', (error) => rows.destroy(error))
  const transaction = await database.sequelize.transaction()
  let done = false
  try {
    const before = await count(database, transaction)
    let batch: ListedPart[] = []
    for await (const cells of rows as AsyncIterable<string[]>) {
      const part = reading.take(cells)
      if (part) batch.push(part)
      if (reading.rows > MOST_ROWS)
        throw new Refusal('too-large', `At most ${MOST_ROWS} rows are read at once`)
      if (batch.length === TOGETHER) {
        await keep(database, batch, plan.mapping, transaction)
        batch = []
        yield {
          stage: 'reading',
          rows: reading.rows,
          bad: reading.bad,
          share: bytes === 0 ? 1 : Math.min(1, source.bytesRead / bytes),
        }
      }
    }
    if (reading.header === null)
      throw new Refusal('invalid', 'The list is empty: its first row must name its columns')
    await keep(database, batch, plan.mapping, transaction)
    const nothing = plan.whole === true && reading.bad > 0
    const added = (await count(database, transaction)) - before
    if (nothing) await transaction.rollback()
    else {
      await keepMapping(database, reading.header, plan, transaction)
      await transaction.commit()
    }
    done = true
    yield {
      stage: 'done',
      rows: reading.rows,
      kept: nothing ? 0 : reading.rows - reading.bad,
      added: nothing ? 0 : added,
      refused: reading.bad,
      first: reading.first,
      csv: reading.refusedList(),
      nothing,
    }
  } finally {
    source.destroy()
    if (!done) await transaction.rollback()
  }
}

interface Destroyable {
  destroy: (error: Error) => unknown
  readonly readableLength: number
}
const short = (cell: string): string =>
  cell.length > MOST_TOLD ? `${cell.slice(0, MOST_TOLD)}…` : cell

/** What was read of a list so far. */
class Reading {
  header: string[] | null = null
  rows = 0
  bad = 0
  readonly first: RefusedRow[] = []
  private readonly refused: string[][] = []
  /** Rows by supplier and number. */
  private readonly seen = new Map<string, number>()

  /** What takes the list apart; it is ended where a row does not. */
  parser: Destroyable | null = null
  /** Bytes that went into the parser since a row came out of it. */
  private since = 0

  constructor(private readonly plan: ImportPlanBody) {}

  /** Passes the list on as text, and ends it where a row goes on and on. */
  watch(): Transform {
    const text = new StringDecoder('utf8')
    return new Transform({
      decodeStrings: true,
      encoding: 'utf8',
      transform: (chunk: Buffer, _, done) => {
        this.since += chunk.length
        // Rows that came out and wait to be kept are no row that goes on and on: the database may only be slow.
        if (this.since > MOST_ROW_BYTES && this.parser?.readableLength === 0)
          this.parser.destroy(this.endless())
        done(null, text.write(chunk))
      },
      flush: (done) => done(null, text.end()),
    })
  }
  private endless(): Refusal {
    const row = this.header === null ? 1 : this.rows + 2
    return new Refusal(
      'invalid',
      `Row ${row} does not end within ${MOST_ROW_BYTES / 1024} KiB: is there a quotation mark that is never closed? Nothing was read in.`,
    )
  }

  /** The part of the next row; null for the header and for a row that is refused. */
  take(cells: string[]): ListedPart | null {
    this.since = 0
    if (cells.every((cell) => cell.trim() === '')) return null
    if (this.header === null) {
      this.header = cells.map((one, i) => (i === 0 ? one.replace(/^\uFEFF/, '') : one).trim())
      return null
    }
    this.rows += 1
    if (cells.length > MOST_CELLS)
      return this.refuse(cells.slice(0, MOST_CELLS), 'number', `has more than ${MOST_CELLS} cells`)
    const read = readRow(cells, this.plan.mapping, this.plan.supplier)
    if ('problems' in read) {
      this.bad += 1
      if (this.first.length < FIRST) this.first.push({ row: this.rows + 1, problems: read.problems })
      const columns = read.problems.map(({ column }) => column).join('; ')
      const reasons = read.problems.map(({ column, reason }) => `${column} ${reason}`).join('; ')
      this.refused.push([...cells.map(short), columns, reasons])
      return null
    }
    const key = `${read.part.supplier.toLowerCase()}\n${read.part.number.toLowerCase()}`
    const before = this.seen.get(key)
    if (before !== undefined)
      return this.refuse(cells, 'number', `stands in row ${before} of this list already`)
    this.seen.set(key, this.rows + 1)
    return read.part
  }

  private refuse(
    cells: string[],
    column: RefusedRow['problems'][number]['column'],
    reason: string,
  ): null {
    this.bad += 1
    if (this.first.length < FIRST)
      this.first.push({ row: this.rows + 1, problems: [{ column, reason }] })
    this.refused.push([...cells.map(short), column, `${column} ${reason}`])
    return null
  }

  /** Refused rows as a list of their own: mended, it can be read in as it is. */
  refusedList(): string {
    if (this.refused.length === 0) return ''
    const width = this.header!.length
    const rows = this.refused.map((row) => {
      const [cells, why] = [row.slice(0, -WHY.length), row.slice(-WHY.length)]
      return [...Array.from({ length: width }, (_, i) => cells[i] ?? ''), ...why]
    })
    return Papa.unparse([[...this.header!, ...WHY], ...rows.map((row) => row.map(plainForSheets))], {
      newline: '\r\n',
    })
  }
}

async function count({ sequelize }: Database, transaction: Transaction): Promise<number> {
  const [row] = await sequelize.query<{ n: number }>('SELECT COUNT(*) AS n FROM parts', {
    type: QueryTypes.SELECT,
    transaction,
  })
  return Number(row!.n)
}

const newId = monotonicFactory()
/** Columns that only the shop knows: a list that has none of them leaves them as they were. */
const SHOPS_OWN = { grade: 'grade', supersededBy: 'superseded_by', place: 'place' } as const

async function keep(
  { sequelize }: Database,
  parts: readonly ListedPart[],
  mapping: ColumnMapping,
  transaction: Transaction,
): Promise<void> {
  if (parts.length === 0) return
  const now = new Date()
  const columns = [...WRITTEN.split(', '), 'changedAt']
  const sets = columns.filter((column) => {
    const own = SHOPS_OWN[column as keyof typeof SHOPS_OWN]
    return own === undefined || mapping[own] !== undefined
  })
  const places = `(${['id', ...columns].map(() => '?').join(', ')})`
  await sequelize.query(
    `INSERT INTO parts (id, ${columns.join(', ')}) VALUES ${parts.map(() => places).join(', ')}
     ON DUPLICATE KEY UPDATE ${sets.map((one) => `${one} = VALUES(${one})`).join(', ')}`,
    {
      replacements: parts.flatMap((part) => [newId(), ...written(part), now]),
      type: QueryTypes.INSERT,
      transaction,
    },
  )
}

/** The hash under which a header's mapping is kept. */
export const headerHash = (header: readonly string[]): string =>
  createHash('sha256').update(JSON.stringify(header)).digest('hex')

async function keepMapping(
  { sequelize }: Database,
  header: readonly string[],
  { mapping, supplier }: ImportPlanBody,
  transaction: Transaction,
): Promise<void> {
  if (isOwnHeader(header)) return
  await sequelize.query(
    `INSERT INTO part_mappings (hash, mapping, supplier, changedAt) VALUES (?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE mapping = VALUES(mapping), supplier = VALUES(supplier), changedAt = VALUES(changedAt)`,
    {
      replacements: [headerHash(header), JSON.stringify(mapping), supplier ?? null, new Date()],
      type: QueryTypes.INSERT,
      transaction,
    },
  )
}

/** How a list with this header was read last; null where none was. */
export async function keptMapping({ sequelize }: Database, hash: string): Promise<KeptMapping | null> {
  const [row] = await sequelize.query<{ mapping: unknown; supplier: string | null }>(
    'SELECT mapping, supplier FROM part_mappings WHERE hash = ?',
    { replacements: [hash], type: QueryTypes.SELECT },
  )
  if (!row) return null
  const { mapping, supplier } = row
  return {
    mapping: (typeof mapping === 'string' ? JSON.parse(mapping) : mapping) as ColumnMapping,
    supplier,
  }
}
