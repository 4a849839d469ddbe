import { computed, type ComputedRef, type Ref } from 'vue'
import type { Installation } from '~~/core/installation'
import { PHASES, type Phase, type Readings } from '~~/core/journal'
import { phaseFigures, type PhaseFigures } from '~~/core/proof'

/** Readings that say the same: each from the same entry, held the same way. */
const same = (a: Readings, b: Readings): boolean => {
  const names = Object.keys(a) as (keyof Readings)[]
  return (
    names.length === Object.keys(b).length &&
    names.every((name) => a[name]!.id === b[name]?.id && a[name]!.payload === b[name]?.payload)
  )
}

/**
 * What the readings of each phase mean on this circuit: worked out once, when somebody first asks, and anew only where a
 * reading of that phase or the circuit changes. The page, the ladder and the stages share it.
 */
export function usePhases(
  installation: Readonly<Ref<Installation | null>>,
  readings: () => Record<Phase, Readings>,
): Record<Phase, ComputedRef<PhaseFigures | null>> {
  const of = (phase: Phase) => {
    const own = computed<Readings>((before) => {
      const now = readings()[phase]
      return before && same(before, now) ? before : now
    })
    return computed(() => (installation.value ? phaseFigures(installation.value, own.value) : null))
  }
  return Object.fromEntries(PHASES.map((phase) => [phase, of(phase)])) as ReturnType<typeof usePhases>
}
