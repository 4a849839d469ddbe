import { createEventStream } from 'h3'
import { IdPath, LiveQuery } from '../../contract'
import { join, MOST_STREAMS, openStreams, type Stream } from '../live/hub'
import { restoredAt } from '../live/keeping'
import { onCommitted } from '../live/news'
import { checker } from '../services/validate'
import { readJobRow } from '../services/lists/jobs'
import { notFound, Refusal } from '../services/refusal'
import { route } from './route'

const checkPath = checker(IdPath)
const checkQuery = checker(LiveQuery, 'query')
/** ms between beats, by which either side sees that the other is gone. */
const BEAT = 15_000
/** ms after which a browser that was cut off comes back. */
const AGAIN = 500

/**
 * A subject as it goes on, as server-sent events: `entry` with id `<job sequence>.<vehicle sequence>`, `cue` without one, and
 * a `beat` now and then, with when the shop was last put back from a backup. It goes on after Last-Event-ID, else after the
 * query's `after`.
 */
export const liveOf = (type: 'job' | 'vehicle') =>
  route(async ({ database, event, params, query }) => {
    const { id } = checkPath(params)
    const { after } = checkQuery(query)
    const last = event.node.req.headers['last-event-id']
    const from = checkQuery(typeof last === 'string' ? { after: last } : { after })
    const [jobAt = 0, vehicleAt = 0] = (from.after ?? '0.0').split('.').map(Number)
    if (openStreams() >= MOST_STREAMS)
      throw new Refusal('busy', 'So many tablets listen already; entries are asked for instead.')
    const vehicle =
      type === 'job'
        ? (await readJobRow(database, id)).vehicleId
        : (await database.models.Vehicle.findByPk(id, { attributes: ['id'] }))?.id
    if (!vehicle) throw notFound('vehicle')

    const events = createEventStream(event)
    const push = (name: string, data: unknown, eventId?: string) =>
      void events
        .push({ event: name, data: JSON.stringify(data), ...(eventId && { id: eventId }) })
        .catch(() => {})
    const stream: Stream = {
      job: type === 'job' ? id : null,
      vehicle,
      jobAt,
      vehicleAt,
      entry: (entry, ofJob, ofVehicle) => push('entry', entry, `${ofJob}.${ofVehicle}`),
      cue: (cue) => push('cue', cue),
      close: () => void events.close().catch(() => {}),
    }
    const leave = join(stream)
    const told = () => JSON.stringify({ restoredAt: restoredAt() })
    const beat = (retry?: number) =>
      void events.push({ event: 'beat', data: told(), ...(retry && { retry }) }).catch(() => {})
    const beating = setInterval(() => beat(), BEAT)
    const forget = onCommitted((news) => news === 'restored' && beat())
    event.node.res.once('close', () => {
      clearInterval(beating)
      forget()
      leave()
    })
    beat(AGAIN)
    await events.send()
  }, 'lasts')
