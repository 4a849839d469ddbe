import { computed, type ComputedRef } from 'vue'
import { foldSlice, timeline, type Photo } from '~~/core/journal'
import type { useFiling } from './useFiling'

/** Photographs in a row; each opens, with its words, which can be changed, and can be taken back. */
export interface ShownPhoto {
  file: string
  /** What it shows, for who hears it and under it. */
  words: string
  /** In this browser only, for now. */
  waits?: boolean
  /** The entry, where it may be changed here. */
  entry?: string
}

/** Photographs of a subject that stand, of one entry or of one part; and what is done about them. */
export function usePhotos(
  { entries, file, withdraw }: Pick<ReturnType<typeof useFiling>, 'entries' | 'file' | 'withdraw'>,
  which: (photo: Photo) => boolean,
) {
  const held = computed(() => foldSlice('record', timeline(entries.value).standing).photos)
  const photos: ComputedRef<ShownPhoto[]> = computed(() =>
    held.value
      .filter(({ payload }) => which(payload))
      .map(({ payload, id, sent }) => ({
        file: payload.file,
        words: payload.words ?? '',
        waits: !sent,
        entry: id,
      })),
  )
  async function setWords(entry: string, words: string): Promise<void> {
    const one = held.value.find(({ id }) => id === entry)
    if (!one) return
    const { words: _, ...payload } = one.payload
    await file('photo', { ...payload, ...(words && { words }) }, { corrects: entry })
  }
  return { photos, setWords, takeBack: withdraw }
}
