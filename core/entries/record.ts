import type { Held } from './held'
import type { EntryKind } from './kind'

export interface RecordPayloads {
  note: { words: string }
  withdrawal: { reason?: string }
}
export interface RecordState {
  notes: Held<{ words: string }>[]
}
export const startRecord = (): RecordState => ({ notes: [] })

type Kinds = { [K in keyof RecordPayloads]: EntryKind<RecordPayloads[K], RecordState> }

export const RECORD_KINDS: Kinds = {
  note: {
    subjects: ['job', 'vehicle'],
    silent: true,
    take: (slice, held) => slice.notes.push(held),
    tell: ({ words }) => words,
  },
  withdrawal: {
    subjects: ['job', 'vehicle'],
    silent: true,
    take: () => {},
    tell: () => 'Taken back',
  },
}
