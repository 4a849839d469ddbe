import { readingKind, type ReadingName } from '../diagnosis'
import type { Installation } from '../installation'
import { asFoundFigure, removedWords, type AsFoundItem, type JobState } from '../journal'
import type { RecordName } from '../plan'
import type { Format } from '../quantity'

/** What a record is called. */
export const RECORD_WORDS: Record<RecordName, string> = {
  rodLength: 'length of the pushrod',
  threadsOnRod: 'threads showing on the rod',
  switchThreads: 'threads showing on the switch',
  padHeight: 'pad height',
  freeTravel: 'free travel',
  rodStroke: 'rod stroke',
  routing: 'how the line runs',
  clips: 'clips',
  portOrientation: 'which way the port points',
  sensorOrientation: 'which way the sensor points',
  lineEnds: 'which end of the line is which',
  witnessMark: 'witness marks',
  hosePath: 'how the hose hangs',
  outletAngle: 'how far the outlet is off top',
  fasteners: 'fasteners, by place and bag',
}
/** What a record is filed as. */
export const RECALLED_AS: Record<
  RecordName,
  | { reading: ReadingName }
  | { item: AsFoundItem }
  | { field: 'master.outletAngle' }
  | { ledger: 'fastener' }
> = {
  rodLength: { item: 'rodLength' },
  threadsOnRod: { item: 'threadsOnRod' },
  switchThreads: { item: 'switchThreads' },
  padHeight: { reading: 'padHeight' },
  freeTravel: { reading: 'freeTravel' },
  rodStroke: { reading: 'rodStroke' },
  routing: { item: 'routing' },
  clips: { item: 'clips' },
  portOrientation: { item: 'portOrientation' },
  sensorOrientation: { item: 'sensorOrientation' },
  lineEnds: { item: 'lineEnds' },
  witnessMark: { item: 'witnessMark' },
  hosePath: { item: 'hosePath' },
  outletAngle: { field: 'master.outletAngle' },
  fasteners: { ledger: 'fastener' },
}

/** What was written down under a record, as it is brought back; null where nobody wrote it down. */
export function recalled(
  state: Pick<JobState, 'readings' | 'recorded' | 'removed' | 'history'>,
  installation: Installation | null,
  record: RecordName,
  format: Format,
): string | null {
  const as = RECALLED_AS[record]
  if ('reading' in as) {
    const value = state.readings.asFound[as.reading]?.payload.value
    if (value === undefined) return null
    const { unit } = readingKind(as.reading)
    return unit === 'mm' ? format.length(value) : format.figure(value, unit)
  }
  if ('field' in as) {
    // Told on this job: an assumed one is no record.
    return isRecorded(state, record) && installation ? `${installation.master.outletAngle}°` : null
  }
  if ('ledger' in as) {
    const list = state.removed.filter(({ payload }) => payload.item === as.ledger)
    return list.length > 0 ? list.map(({ payload }) => removedWords(payload)).join('; ') : null
  }
  const held = state.recorded.filter(({ payload }) => payload.item === as.item).at(-1)
  if (!held) return null
  const { words, photo } = held.payload
  return [asFoundFigure(held.payload, format), words ?? '', photo && !words ? 'photograph' : '']
    .filter(Boolean)
    .join(', ')
}

/** Whether a record was written down, in whatever form it is filed. */
export function isRecorded(
  state: Pick<JobState, 'readings' | 'recorded' | 'removed' | 'history'>,
  record: string,
): boolean {
  const as = RECALLED_AS[record as RecordName]
  if (!as) return false
  if ('reading' in as) return state.readings.asFound[as.reading] !== undefined
  if ('field' in as)
    return state.history.some(
      ({ holds }) => holds.kind === 'parameter' && holds.payload.field === as.field,
    )
  if ('ledger' in as) return state.removed.some(({ payload }) => payload.item === as.ledger)
  return state.recorded.some(({ payload }) => payload.item === as.item)
}
