import { STAGES } from './stages'
import type { Held } from './held'
import type { EntryKind } from './kind'

/** A photograph that hangs on an entry, or shows a part of this model for the next who looks for it. */
export interface Photo {
  /** Id of the file, made from its content. */
  file: string
  /** Id of the entry that it shows. */
  of?: string
  /** Part of the circuit that it shows, by its name in the drawing. */
  place?: string
  /** Of two parts that are compared: the one in the vehicle, or the new one. */
  side?: 'old' | 'new'
  words?: string
}

/** What one job found out about a model: where a part hides, how it is reached, what lies across. */
export interface ModelNote {
  /** Make and model, as the shop calls it. */
  model: string
  /** The part or place it is about. */
  place: string
  words: string
  /** Id of a photograph’s file. */
  photo?: string
}
/** The job leaves the bench; taken back, it is open again. */
export interface Closed {
  /** Why, where it is not simply done. */
  reason?: string
}

export interface RecordPayloads {
  photo: Photo
  modelNote: ModelNote
  closed: Closed
  note: { words: string }
  withdrawal: { reason?: string }
}
export interface RecordState {
  photos: Held<Photo>[]
  notes: Held<{ words: string }>[]
  modelNotes: Held<ModelNote>[]
  closed: Held<Closed> | null
}
export const startRecord = (): RecordState => ({
  photos: [],
  notes: [],
  modelNotes: [],
  closed: null,
})

type Kinds = { [K in keyof RecordPayloads]: EntryKind<RecordPayloads[K], RecordState> }

export const RECORD_KINDS: Kinds = {
  photo: {
    stages: ['choose', 'fit'],
    subjects: ['job', 'vehicle'],
    take: (slice, held) => slice.photos.push(held),
    tell: ({ words }) => (words ? `Photograph: ${words}` : 'Photograph'),
  },
  modelNote: {
    stages: ['find', 'fit', 'record'],
    subjects: ['job', 'vehicle'],
    take: (slice, held) => slice.modelNotes.push(held),
    tell: ({ place, words }) => `Note for this model, ${place}: ${words}`,
  },
  closed: {
    stages: ['prove', 'record'],
    subjects: ['job'],
    replaces: () => 'closed',
    take: (slice, held) => (slice.closed = held),
    tell: ({ reason }) => (reason ? `Job closed: ${reason}` : 'Job closed'),
  },
  note: {
    stages: STAGES,
    subjects: ['job', 'vehicle'],
    silent: true,
    take: (slice, held) => slice.notes.push(held),
    tell: ({ words }) => words,
  },
  withdrawal: {
    stages: [],
    subjects: ['job', 'vehicle'],
    silent: true,
    take: () => {},
    tell: () => 'Taken back',
  },
}
