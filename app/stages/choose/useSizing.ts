import { useSessionStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { Circuit } from '~~/core/circuit'
import { usualLayouts } from '~~/core/layout'
import { phaseFigures } from '~~/core/proof'
import {
  choicesOf,
  SIZING_LIMITS,
  type MasterCandidate,
  type SizingLimits,
  type SlaveCandidate,
} from '~~/core/sizing'

import { useShelfCylinders, type ShelfCylinders } from './useShelfCylinders'

/** What is typed of a candidate; units follow the person, so figures are kept in the core’s own. */
export interface Candidates {
  masters: number[]
  slaves: number[]
  /** Those whose stroke is not the present one’s. */
  cylinders: { part: 'master' | 'slave'; bore: number; stroke: number }[]
  /** Outer and inner of a concentric slave. */
  rings: { outer: number; inner: number }[]
  ratios: number[]
  layouts: string[]
  rodExtension: number
  limits: Partial<Record<keyof SizingLimits, number>>
}

/** Sizes on either side of what is there that are tried unless somebody says otherwise. */
const BESIDE = 2
function boresBeside(bore: number, offered: readonly number[]): number[] {
  const sizes = [...offered, bore]
    .sort((a, b) => a - b)
    .filter((one, i, all) => i === 0 || one - all[i - 1]! > 0.05)
  const at = sizes.findIndex((one) => Math.abs(one - bore) < 0.06)
  return sizes
    .slice(Math.max(0, at - BESIDE), at + BESIDE + 1)
    .map((one) => (Math.abs(one - bore) < 0.06 ? bore : one))
}
const startOf = ({ master, slave, pedal }: Circuit, shelf: ShelfCylinders): Candidates => ({
  masters: boresBeside(master.bore, shelf.masters.value),
  slaves: slave.type === 'external' ? boresBeside(slave.bore, shelf.slaves.value) : [],
  cylinders: [],
  rings: slave.type === 'concentric' ? [{ outer: slave.outer, inner: slave.inner }] : [],
  ratios: [pedal.ratio],
  layouts: ['asItIs'],
  rodExtension: 0,
  limits: {},
})

/** Candidates for this clutch and every combination of them, worked out in the worker whenever one changes. */
export function useSizing() {
  const { id, state } = useJob()
  const desk = useDesk()
  const heavy = useHeavy('size')
  const shelf = useShelfCylinders()
  /** As it will be bled: without air, with the pedal as it was measured. */
  const base = computed(() => {
    if (!desk.kept.value) return null
    const { padHeight, rodClearance } = state.value.readings.asFound
    return phaseFigures(desk.kept.value, {
      ...(padHeight && { padHeight }),
      ...(rodClearance && { rodClearance }),
    })
  })
  const circuit = computed(() => base.value?.circuit ?? null)
  const kept = useSessionStorage<Candidates | null>(`mellow-sizing-${id}`, null, {
    serializer: {
      read: (text) => JSON.parse(text) as Candidates | null,
      write: (value) => JSON.stringify(value),
    },
  })
  const candidates = computed<Candidates | null>({
    // What an older tab kept may lack what came since.
    get: () => {
      const start = circuit.value && startOf(circuit.value, shelf)
      return start && kept.value ? { ...start, ...kept.value } : start
    },
    set: (value) => (kept.value = value),
  })
  const change = (part: Partial<Candidates>) => {
    if (candidates.value) candidates.value = { ...candidates.value, ...part }
  }
  const layouts = computed(() => (base.value ? usualLayouts(base.value.installation) : []))
  const chosenLayouts = computed(() =>
    layouts.value.filter((one) => candidates.value?.layouts.includes(one.id)),
  )
  const limits = computed((): SizingLimits => {
    const own = candidates.value?.limits ?? {}
    const room = own.room ?? base.value?.installation.slave.room ?? null
    return { ...SIZING_LIMITS, ...own, room }
  })
  const question = computed(() => {
    const [c, from] = [circuit.value, candidates.value]
    if (!c || !from) return null
    const ofPart = (part: 'master' | 'slave') =>
      from.cylinders.filter((one) => one.part === part).map(({ bore, stroke }) => ({ bore, stroke }))
    const masters: MasterCandidate[] = [...from.masters.map((bore) => ({ bore })), ...ofPart('master')]
    const longer = from.rodExtension > 0 ? { rodExtension: from.rodExtension } : {}
    const slaves = [
      ...from.slaves.map((bore): SlaveCandidate => ({ bore, ...longer })),
      ...ofPart('slave').map((one): SlaveCandidate => ({ ...one, ...longer })),
      ...from.rings.map((ring): SlaveCandidate => ({ ...ring, ...longer })),
    ]
    const lines = chosenLayouts.value.map((one) => one.lines)
    const asItIs = chosenLayouts.value.every((one) => one.id === 'asItIs')
    const choices = choicesOf(masters, slaves, from.ratios, asItIs ? 0 : lines.length)
    return { circuit: c, choices, lines: asItIs ? [] : lines, limits: limits.value }
  })
  const most = 4000
  const tooMany = computed(() => (question.value?.choices.length ?? 0) > most)
  const stopped = ref(false)
  function ask() {
    stopped.value = false
    if (!question.value || question.value.choices.length === 0 || tooMany.value) return heavy.stop()
    void heavy.start(question.value)
  }
  function stop() {
    stopped.value = true
    heavy.stop()
  }
  watch(() => JSON.stringify(question.value), ask, { immediate: true })
  const sized = computed(() => heavy.result.value)
  return {
    base,
    shelf,
    circuit,
    candidates,
    change,
    layouts,
    chosenLayouts,
    limits,
    question,
    tooMany,
    sized,
    progress: heavy.progress,
    took: heavy.took,
    problem: heavy.problem,
    stopped,
    ask,
    stop,
  }
}
export type Sizing = ReturnType<typeof useSizing>
