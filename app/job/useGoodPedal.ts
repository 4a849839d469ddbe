import { computed, type ComputedRef } from 'vue'
import type { PedalReadings } from '~~/core/estimate'
import { calibrationFrom, type Entry } from '~~/core/journal'
import { useJournalStore } from '~/stores/journal'
import { usePersonStore } from '~/stores/person'

/** What a vehicle's pedal showed when it was known to be good, and keeping new readings of that. */
export function useGoodPedal(vehicleId: ComputedRef<string>, entries: ComputedRef<Entry[]>) {
  const journal = useJournalStore()
  const person = usePersonStore()
  const held = computed(() => calibrationFrom(entries.value))

  /** Files the readings with the vehicle; what is wrong, or nothing. */
  async function keep(readings: PedalReadings): Promise<string> {
    if (!person.current) return 'Pick your name at the bench first: each entry keeps who made it.'
    try {
      await journal.file({ type: 'vehicle', id: vehicleId.value }, person.id, 'calibration', readings)
      return ''
    } catch (error) {
      return error instanceof Error ? error.message : String(error)
    }
  }
  return { held, keep }
}
