import { computed, type ComputedRef } from 'vue'
import type { ReadingName } from '~~/core/diagnosis'
import { readingKind } from '~~/core/diagnosis'
import type { Installation } from '~~/core/installation'
import { calibrationFrom, goodFigures, seconds } from '~~/core/journal'
import { expectedReading, type Expected } from '~~/core/proof'
import { useJob, useJobFigures } from './useJob'
import { unitsNow, withUnits, inUnits } from '~/units/units'

/** What was worked out for an installation: several fields on a page ask the same. */
const worked = new WeakMap<Installation, Map<string, Expected | null>>()

/** What a sound vehicle like this one shows at a reading, in words; nothing where nothing is expected. */
export function useExpected(name: ReadingName): ComputedRef<string> {
  const { vehicleEntries } = useJob()
  const { kept } = useJobFigures()
  const { unit } = readingKind(name)
  const good = computed(() => goodFigures(calibrationFrom(vehicleEntries.value)))
  const expected = computed(() => {
    if (!kept.value) return null
    let known = worked.get(kept.value)
    if (!known) worked.set(kept.value, (known = new Map()))
    const key = `${name} ${JSON.stringify(good.value)}`
    if (!known.has(key)) known.set(key, expectedReading(name, kept.value, good.value))
    return known.get(key)!
  })
  return computed(() => {
    if (!expected.value) return ''
    const { low, high, from, over } = expected.value
    const decimals = unit === 'mm' ? (unitsNow() === 'inch' ? 2 : high < 10 ? 1 : 0) : undefined
    const top = withUnits(high, unit, decimals)
    const span = low <= 0 && from === 'limit' && high > 0 && low === 0
    const figures = span ? `at most ${top}` : `${inUnits(low, unit, decimals)} to ${top}`
    const source = from === 'thisVehicle' ? ', by its own good pedal' : ''
    return `Should show ${figures}${over ? ` in ${seconds(over)}` : ''}${source}`
  })
}
