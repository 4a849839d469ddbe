import { useSessionStorage } from '@vueuse/core'
import { computed } from 'vue'
import { usualLayouts } from '~~/core/layout'
import { phaseFigures } from '~~/core/proof'
import { limitsOf, MOST_CHOICES, sizingAsked, startCandidates, type Candidates } from '~~/core/sizing'
import { useHeavy } from '~/asking/heavy'
import { useShelfCylinders } from './useShelfCylinders'
import { useJob } from '~/job/useJob'
import { useDesk } from '~/job/useDesk'

/** Candidates for this clutch and every combination of them, worked out in the worker whenever one changes. */
export function useSizing() {
  const { id, state } = useJob()
  const desk = useDesk()
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
      const offered = { masters: shelf.masters.value, slaves: shelf.slaves.value }
      const start = circuit.value && startCandidates(circuit.value, offered)
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
  const limits = computed(() =>
    limitsOf(candidates.value?.limits ?? {}, base.value?.installation.slave.room ?? null),
  )
  const question = computed(
    () =>
      circuit.value &&
      candidates.value &&
      sizingAsked(circuit.value, candidates.value, chosenLayouts.value, limits.value),
  )
  const count = computed(() => question.value?.choices.length ?? 0)
  const tooMany = computed(() => count.value > MOST_CHOICES)
  const { answer, progress, took, problem, stopped, ask, stop } = useHeavy(
    'size',
    () => (count.value > 0 && !tooMany.value ? question.value : null),
    { keeps: true },
  )
  return {
    ...{ base, shelf, circuit, candidates, change, layouts, chosenLayouts, limits, question },
    tooMany,
    sized: answer,
    ...{ progress, took, problem, stopped, ask, stop },
  }
}
export type Sizing = ReturnType<typeof useSizing>
