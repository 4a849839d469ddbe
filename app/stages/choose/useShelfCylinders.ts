import { computed, shallowRef } from 'vue'
import type { Part } from '~~/contract'
import { WORKSHOP_BORES } from '~~/core/circuit'
import { api } from '~/sync/api'

/** Bores on the shelf must be at least so many before they are what is tried: one odd cylinder is no choice. */
const ENOUGH = 3
const NEAR = 0.06

/** Cylinders that lie on the shelf: what can be had is tried before what could be made. */
export function useShelfCylinders() {
  const parts = shallowRef<Part[]>([])
  void api<Part[]>('/parts/cylinders')
    .then((found) => (parts.value = found))
    .catch(() => {
      // Away: the table of usual bores serves.
    })
  const boresOf = (kind: Part['kind']): number[] =>
    [
      ...new Set(parts.value.filter((one) => one.kind === kind).flatMap(({ data }) => data.bore ?? [])),
    ].sort((a, b) => a - b)
  const offered = (kind: Part['kind']): readonly number[] => {
    const own = boresOf(kind)
    return own.length >= ENOUGH ? own : WORKSHOP_BORES
  }
  const masters = computed(() => offered('masterCylinder'))
  const slaves = computed(() => offered('slaveCylinder'))
  /** The best part of a bore, as the shelf ranks it; null where none lies there. */
  const partOf = (kind: Part['kind'], bore: number | undefined): Part | null =>
    bore === undefined
      ? null
      : (parts.value.find(
          (one) =>
            one.kind === kind && one.data.bore !== undefined && Math.abs(one.data.bore - bore) < NEAR,
        ) ?? null)
  return { masters, slaves, partOf }
}
export type ShelfCylinders = ReturnType<typeof useShelfCylinders>
