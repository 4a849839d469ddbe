import { describe, expect, it } from 'vitest'
import { computed, shallowRef } from 'vue'
import { fold, type Entry } from '../../core/journal'
import { cycle, entry, reading } from '../../tests/arbitrary/entry'
import { useSlices } from './useSlices'

const free = (n: number, value: number) => entry(n, 'measurement', reading('freeTravel', value))

describe('the state slice by slice', () => {
  it('is what the fold says, after each entry', () => {
    const entries = shallowRef<Entry[]>([])
    const { state } = useSlices(entries)
    const all: Entry[] = [
      free(1, 40),
      entry(2, 'bleedCycle', cycle('clear')),
      entry(3, 'measurement', reading('freeTravel', 42), { corrects: free(1, 40).id }),
      entry(4, 'withdrawal', {}, { withdraws: entry(2, 'note', { words: '' }).id }),
      entry(5, 'cause', { faults: ['slaveLeak'] }),
    ]
    for (let n = 1; n <= all.length; n++) {
      entries.value = all.slice(0, n)
      expect(state.value).toEqual(fold(all.slice(0, n)))
    }
  })

  it('folds only the slice whose kinds came: a bleed cycle works out nothing of what was found', () => {
    const entries = shallowRef<Entry[]>([free(1, 40)])
    const { slices } = useSlices(entries)
    let worked = 0
    const figures = computed(() => {
      worked += 1
      return slices.find.value.readings.asFound.freeTravel!.payload.value
    })
    expect(figures.value).toBe(40)
    const [first] = entries.value
    entries.value = [first!, entry(2, 'bleedCycle', cycle('few'))]
    expect([figures.value, worked, slices.bleed.value.bleed.cycles.length]).toEqual([40, 1, 1])
    entries.value = [...entries.value, free(3, 44)]
    expect([figures.value, worked]).toEqual([44, 2])
    // Put right, and the correction taken back: seen both times.
    entries.value = [
      ...entries.value,
      entry(4, 'measurement', reading('freeTravel', 45), { corrects: free(3, 44).id }),
    ]
    expect(figures.value).toBe(45)
    entries.value = [
      ...entries.value,
      entry(5, 'withdrawal', {}, { withdraws: entry(4, 'note', { words: '' }).id }),
    ]
    expect(figures.value).toBe(44)
  })
})
