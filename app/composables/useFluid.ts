import { computed } from 'vue'
import {
  circuitVolume,
  judgeFluid,
  neededFor,
  type FluidAct,
  type FluidAnswer,
  type FluidKind,
} from '~~/core/fluid'
import { fluidFrom, latestReading, type FluidInside } from '~~/core/journal'
import type { Container } from '~~/contract'

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
  const judge = (adding: FluidKind, container?: Container, share = 0): FluidAnswer => {
    const { kind, wanted, water, boiling, climate } = inside.value
    return judgeFluid({
      inside: kind,
      adding,
      share,
      shared: shared.value,
      ...(wanted !== undefined && { wanted }),
      ...(water !== undefined && { water }),
      ...(boiling !== undefined && { boiling }),
      ...(climate !== undefined && { climate }),
      ...(age.value !== null && { ageMonths: age.value }),
      ...(container?.openedAt && {
        container: { opened: true, months: Math.floor(monthsSince(container.openedAt)) },
      }),
    })
  }
  /** As it is now, with nothing added. */
  const now = computed(() => judge(inside.value.kind))
  const volumes = computed(() => {
    const installation = kept.value
    if (!installation) return null
    const circuit = circuitVolume(installation.circuit, installation.slave.chamber ?? 0)
    const need = (act: FluidAct) => neededFor(act, circuit, installation.reservoir.usable)
    return {
      circuit,
      topUp: need('topUp'),
      bleed: need('bleed'),
      flush: need('flush'),
      fill: need('fill'),
    }
  })
  return { inside, shared, age, judge, now, volumes }
}
