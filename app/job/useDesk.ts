import { useSessionStorage } from '@vueuse/core'
import { computed, ref, shallowRef, type ComputedRef, type Ref } from 'vue'
import { InputError, solveCircuit } from '~~/core/circuit'
import type { PedalReadings } from '~~/core/estimate'
import type { Installation } from '~~/core/installation'
import type { Entry, Subject } from '~~/core/journal'
import { plannedFigures } from '~~/core/proof'
import type { Change } from '~~/core/whatif'
import { injected } from '~/lib/injected'
import type { LadderStack, PartId } from './drawn'
import { stackOf, type Measured, type Stack, type Stacks } from './stacks'
import type { useRouting } from './useRouting'
import type { useFiling } from './useFiling'

/** What a page gives to the circuit's sheets: a vehicle's own circuit, or a job's copy of it. */
export interface DeskSource {
  subject: Subject
  /** Where its sheets stand, without the last part. */
  path: string
  name: ComputedRef<string>
  vehicleId: ComputedRef<string>
  /** Make and model, as the shop calls it; null where nobody said. */
  model: ComputedRef<string | null>
  kept: ComputedRef<Installation | null>
  routing: ReturnType<typeof useRouting>
  filing: ReturnType<typeof useFiling>
  /** As found, and what came later; figures without changes. */
  measured: ComputedRef<Measured>
  /** Changes filed as the job's plan. */
  plan: ComputedRef<Change[] | null>
  readings: ComputedRef<PedalReadings>
  vehicleEntries: ComputedRef<Entry[]>
}

export type Desk = DeskSource & {
  shown: ComputedRef<Installation | null>
  part: Ref<PartId | null>
  noseUp: Ref<number>
  pad: Ref<number>
  changes: Ref<Change[]>
  planned: ComputedRef<{ stack: Stack | null; problem: string }>
  stacks: ComputedRef<Stacks>
  /** States that a page compares on the ladder in place of those that were measured; none where nothing is compared. */
  compared: Ref<readonly LadderStack[]>
  /** The circuit with its pad where the slider puts it. */
  pressed: ComputedRef<ReturnType<typeof solveCircuit>['at'] | null>
}

export function openDesk(source: DeskSource): Desk {
  const { subject, measured, plan, routing } = source
  /** Unfiled changes live as long as the tab, so that a reload loses nothing. */
  const loose = useSessionStorage<Change[] | null>(`mellow-whatif-${subject.id}`, null, {
    serializer: { read: (text) => JSON.parse(text) as Change[] | null, write: JSON.stringify },
  })
  const changes = computed<Change[]>({
    get: () => loose.value ?? plan.value ?? [],
    set: (list) => (loose.value = list),
  })
  const planned = computed(() => {
    const found = measured.value[0]
    if (!found || changes.value.length === 0) return { stack: null, problem: '' }
    const id = subject.type === 'job' ? 'planned' : 'whatIf'
    try {
      const figures = plannedFigures(found.figures, changes.value)
      return { stack: stackOf(id, figures), problem: '' }
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      return { stack: null, problem: error.message }
    }
  })
  /** As found, planned, after, in the order of time. */
  const stacks = computed((): Stacks => {
    const [found, later] = measured.value
    const { stack } = planned.value
    if (!found || !stack) return measured.value
    return later ? [found, stack, later] : [found, stack]
  })
  const pad = ref(0)
  return {
    ...source,
    shown: routing.shown,
    part: ref(null),
    noseUp: ref(0),
    pad,
    changes,
    planned,
    stacks,
    compared: shallowRef([]),
    pressed: computed(() => {
      const circuit = stacks.value.at(-1)?.figures.circuit
      return circuit ? solveCircuit(circuit, Math.min(pad.value, circuit.pedal.travel)).at : null
    }),
  }
}

export const [provideDesk, useDesk] = injected('circuit', openDesk)
