import { computed } from 'vue'
import { installationFrom } from '~~/core/journal'
import { openStops, verdictOf, type Proof } from '~~/core/proof'
import type { OpenJob } from './useJob'
import { usePhases } from './usePhases'
import { useRouting } from './useRouting'

/** What a job's entries mean on its circuit: the installation as kept and as drawn, figures, proof and stops. */
export function figuresOf({ entries, vehicleEntries, state, slices, file }: OpenJob) {
  const ofVehicle = computed(() => installationFrom(vehicleEntries.value))
  const kept = computed(() => installationFrom(entries.value, ofVehicle.value))
  const routing = useRouting(kept, file)
  /** What is drawn: the routing under way, else what is kept. */
  const installation = routing.shown
  /** Moving a point leaves the figures alone unless it takes a union, and so lengths, along. */
  const figured = computed(() =>
    routing.draft.value && routing.draft.value.circuit !== kept.value?.circuit
      ? routing.draft.value
      : kept.value,
  )
  const figures = usePhases(figured, () => slices.find.value.readings)
  const proof = computed((): Proof | null => {
    const [before, after] = [figures.asFound.value, figures.after.value]
    if (!figured.value || !before || !after) return null
    const verdict = verdictOf(after, figured.value, state.value)
    return { before, after, verdict }
  })
  const stops = computed(() => openStops(state.value, kept.value?.circuit.master.portClosure))
  return { ofVehicle, kept, routing, installation, figures, proof, stops }
}
export type JobFigures = ReturnType<typeof figuresOf>
