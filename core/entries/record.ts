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
  words?: string
}

export interface RecordPayloads {
  photo: Photo
  note: { words: string }
  withdrawal: { reason?: string }
}
export interface RecordState {
  photos: Held<Photo>[]
  notes: Held<{ words: string }>[]
}
export const startRecord = (): RecordState => ({ photos: [], notes: [] })

type Kinds = { [K in keyof RecordPayloads]: EntryKind<RecordPayloads[K], RecordState> }

export const RECORD_KINDS: Kinds = {
  photo: {
    subjects: ['job', 'vehicle'],
    take: (slice, held) => slice.photos.push(held),
    tell: ({ words }) => (words ? `Photograph: ${words}` : 'Photograph'),
  },
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
