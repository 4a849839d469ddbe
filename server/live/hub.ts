import { setTimeout as wait } from 'node:timers/promises'
import { QueryTypes } from 'sequelize'
import type { Cue } from '../../contract'
import type { Entry, Subject } from '../../core/journal'
import { currentDatabase } from '../database/current'
import type { Database } from '../database/database'
import { historyOf } from '../services/journal/history'
import { emptyOldCues, newCues } from './cues'
import { onCommitted } from './news'

/** ms between looks into the database for what other processes have committed, while anybody listens. */
const LOOK = 60
/** ms between emptyings of old cues. */
const EMPTY = 10_000
/** ms to wait while the database is away. */
const AWAY = 500

/** One open stream: what it is about, how far it has come, and where its messages go. */
export interface Stream {
  job: string | null
  vehicle: string
  /** Last sequences sent. */
  jobAt: number
  vehicleAt: number
  entry: (entry: Entry, jobAt: number, vehicleAt: number) => void
  cue: (cue: Cue) => void
  close: () => void
}

const streams = new Set<Stream>()
let running = false
let wake = () => {}
onCommitted(() => wake())

/** Most streams that one process holds open. */
export const MOST_STREAMS = 300
export const openStreams = (): number => streams.size

/**
 * Joins a stream to the hub: it is given what it has not seen yet, then each entry and cue as it comes, whichever process
 * took it in. The function that comes back takes it out again.
 */
export function join(stream: Stream): () => void {
  streams.add(stream)
  if (!running) void run()
  wake()
  return () => streams.delete(stream)
}

/** Ends every stream, so that the server can end; browsers come back by themselves. */
export function closeStreams(): void {
  for (const { close } of streams) close()
  streams.clear()
  wake()
}

async function run(): Promise<void> {
  running = true
  let emptied = 0
  while (streams.size > 0) {
    let pause = LOOK
    try {
      const database = currentDatabase()
      await look(database)
      if (Date.now() - emptied > EMPTY) {
        emptied = Date.now()
        await emptyOldCues(database)
      }
    } catch {
      // The database is away: streams stay open and go on when it is back.
      pause = AWAY
    }
    await Promise.race([wait(pause), new Promise<void>((resolve) => (wake = resolve))])
  }
  running = false
}

async function look(database: Database): Promise<void> {
  const open = [...streams]
  const jobs = [...new Set(open.flatMap(({ job }) => job ?? []))]
  const vehicles = [...new Set(open.map(({ vehicle }) => vehicle))]
  const [ofJobs, ofVehicles, cues] = await Promise.all([
    lastSequences(database, 'jobs', jobs),
    lastSequences(database, 'vehicles', vehicles),
    newCues(database, jobs),
  ])
  for (const stream of open) {
    const job = stream.job ? (ofJobs.get(stream.job) ?? 0) : 0
    const vehicle = ofVehicles.get(stream.vehicle) ?? 0
    if (job > stream.jobAt)
      for (const entry of await newer(database, { type: 'job', id: stream.job! }, stream.jobAt, job)) {
        stream.jobAt = entry.sequence!
        stream.entry(entry, stream.jobAt, stream.vehicleAt)
      }
    if (vehicle > stream.vehicleAt) {
      const subject = { type: 'vehicle', id: stream.vehicle } as const
      for (const entry of await newer(database, subject, stream.vehicleAt, vehicle)) {
        stream.vehicleAt = entry.sequence!
        stream.entry(entry, stream.jobAt, stream.vehicleAt)
      }
    }
    for (const { jobId, cue } of cues) if (jobId === stream.job) stream.cue(cue)
  }
}

async function lastSequences(
  { sequelize }: Database,
  table: 'jobs' | 'vehicles',
  ids: readonly string[],
): Promise<Map<string, number>> {
  if (ids.length === 0) return new Map()
  const rows = await sequelize.query<{ id: string; lastSequence: number }>(
    `SELECT id, lastSequence FROM ${table} WHERE id IN (?)`,
    { replacements: [ids], type: QueryTypes.SELECT },
  )
  return new Map(rows.map(({ id, lastSequence }) => [id, lastSequence]))
}

async function newer(
  database: Database,
  subject: Subject,
  after: number,
  lastSequence: number,
): Promise<Entry[]> {
  return (await historyOf(database, subject, lastSequence)).slice(after)
}
