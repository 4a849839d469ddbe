import { useStorage } from '@vueuse/core'
import { watch, type ComputedRef, type Ref } from 'vue'
import type { CoachTold } from '~~/contract'
import { drewBy, type DrawTable } from '~~/core/bleed'
import { strokeVolume } from '~~/core/circuit'
import { drawsOfPlan, type Elsewhere, type Touch } from '~~/core/coach'
import { useJob, useJobFigures } from '~/job/useJob'
import { newId } from '~/lib/ids'

const MM3_IN_ML = 1000
/** What stood in the log when this device first heard of a run: it was before the reservoir was filled for it. */
interface Before {
  run: string
  ids: string[]
}

/**
 * Cycles and top-ups that are filed beside a coached bleed (log, say-line, another tablet): the device that leads has its level count them, by
 * the same function that the log asks.
 */
export function useElsewhere(
  {
    told,
    leads,
    drawTable,
  }: {
    told: ComputedRef<CoachTold | null>
    leads: ComputedRef<boolean>
    drawTable: Readonly<Ref<DrawTable>>
  },
  touch: (touch: Touch) => void,
): void {
  const { id, state } = useJob()
  const { kept } = useJobFigures()
  const before = useStorage<Before | null>(`mellow-coach-before-${id}`, null, undefined, {
    serializer: { read: (text) => JSON.parse(text) as Before, write: JSON.stringify },
    listenToStorageChanges: false,
    flush: 'sync',
  })
  const log = () => {
    const { cycles, topUps } = state.value.bleed
    return { cycles, topUps, ids: [...cycles, ...topUps].map((one) => one.id) }
  }
  /** Top-ups that were counted: one that is taken back later was never poured. */
  const poured = new Set<string>()

  watch(
    [() => told.value?.run, leads, () => log().ids.join()],
    () => {
      const now = told.value
      if (!now) return
      const { cycles, topUps, ids } = log()
      if (before.value?.run !== now.run) before.value = { run: now.run, ids }
      if (!leads.value || now.state.done) return
      const own = new Set([...Object.values(now.ids), ...before.value.ids, ...now.state.counted])
      const circuit = kept.value?.circuit
      const { usable } = now.state.plan
      // The table may still be on its way; what this run draws itself is known.
      const table = { ...drawTable.value, ...drawsOfPlan(now.state.plan) }
      const stroke = circuit ? strokeVolume(circuit) / MM3_IN_ML : usable
      const fresh: Elsewhere[] = [
        ...cycles.flatMap(({ id: one, payload }) =>
          own.has(one) ? [] : [{ id: one, drew: drewBy(payload, table, stroke, usable) }],
        ),
        ...topUps.flatMap(({ id: one, payload }) =>
          own.has(one)
            ? []
            : [
                {
                  id: one,
                  poured: payload.volume === undefined ? null : payload.volume / MM3_IN_ML,
                },
              ],
        ),
      ].sort((a, b) => (a.id < b.id ? -1 : 1))
      for (const { id: one, ...what } of fresh) if (!('drew' in what)) poured.add(one)
      const standing = new Set(ids)
      for (const one of poured) {
        if (standing.has(one)) continue
        poured.delete(one)
        fresh.push({ id: newId(), drew: { low: 0, middle: 0, high: usable } })
      }
      if (fresh.length > 0) touch({ touch: 'elsewhere', entries: fresh.slice(0, 200) })
    },
    { immediate: true },
  )
}
