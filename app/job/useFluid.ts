import { computed } from 'vue'
import { fluidAsked, judgeFluid, volumesOf, type FluidAnswer, type FluidKind } from '~~/core/fluid'
import { fluidFrom, latestReading, type FluidInside } from '~~/core/journal'
import type { Container } from '~~/contract'
import { useJob, useJobFigures } from './useJob'
import { monthsSince } from '~/units/format'

/** The fluid of the open job: what is inside and how old, what may go in, and how much of it. */
export function useFluid() {
  const { state, vehicleEntries } = useJob()
  const { kept } = useJobFigures()
  const inside = computed<FluidInside>(
    () => state.value.fluidInside?.payload ?? fluidFrom(vehicleEntries.value) ?? { kind: 'unknown' },
  )
  const shared = computed(() => kept.value?.reservoir.sharedWithBrakes ?? false)
  const age = computed(() => latestReading(state.value, 'fluidAge'))
  /** What stands against filling this in, and what it would be then. */
  const judge = (adding: FluidKind, container?: Container, share = 0): FluidAnswer =>
    judgeFluid(
      fluidAsked(
        { inside: inside.value, shared: shared.value, ageMonths: age.value },
        {
          adding,
          share,
          openMonths: container?.openedAt ? monthsSince(container.openedAt) : null,
        },
      ),
    )
  /** As it is now, with nothing added. */
  const now = computed(() => judge(inside.value.kind))
  const volumes = computed(() => kept.value && volumesOf(kept.value))
  return { inside, shared, age, judge, now, volumes }
}
