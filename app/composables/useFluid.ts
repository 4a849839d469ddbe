import { computed } from 'vue'
import {
  circuitVolume,
  judgeFluid,
  neededFor,
  type FluidAct,
  type FluidAnswer,
  type FluidKind,
} from '~~/core/fluid'
import { latestReading, timeline, type Entry, type FluidInside } from '~~/core/journal'
import type { Container } from '~~/contract'

/** ms in a month, the mean of a year’s. */
const MONTH = (365.25 / 12) * 24 * 3600 * 1000
export const monthsSince = (iso: string, now = Date.now()): number =>
  Math.max(0, (now - Date.parse(iso)) / MONTH)

/** What the vehicle’s own history says of its fluid, where the job has not said it. */
export function insideOf(entries: readonly Entry[]): FluidInside | null {
  let found: FluidInside | null = null
  for (const { holds } of timeline(entries).standing)
    if (holds.kind === 'fluidInside') found = holds.payload
  return found
}

/** The fluid of the open job: what is inside and how old, what may go in, and how much of it. */
export function useFluid() {
  const { state, vehicleEntries } = useJob()
  const { kept } = useJobFigures()
  const inside = computed<FluidInside>(
    () => state.value.fluidInside?.payload ?? insideOf(vehicleEntries.value) ?? { kind: 'unknown' },
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
