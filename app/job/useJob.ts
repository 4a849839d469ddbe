import { createEventHook } from '@vueuse/core'
import { computed, ref } from 'vue'
import { isCoachCue, type CoachCue, type Job, type Vehicle } from '~~/contract'
import { phaseAt, type Stage } from '~~/core/journal'
import { stageSight, type Sight } from './in-sight'
import { usePresence } from './usePresence'
import { useFollowing } from './useFollowing'
import { useOpened } from './useOpened'
import { useJournalStore } from '~/stores/journal'
import { usePersonStore } from '~/stores/person'
import { injected } from '~/lib/injected'
import { figuresOf, type JobFigures } from './figures-of'
import { useFiling } from './useFiling'
import { useSlices } from './useSlices'

/** A job with its vehicle: its entries, the state they fold into, who else is here, and filing. */
export function openJob(id: string, sight?: () => Sight | null) {
  const journal = useJournalStore()
  const person = usePersonStore()
  const subject = { type: 'job', id } as const
  const ofJob = useOpened<Job>('job')
  const owner = useOpened<Vehicle>('vehicle')
  const vehicle = owner.value
  /** Shown once its vehicle is there too. */
  const job = computed(() => (vehicle.value ? ofJob.value.value : null))
  const error = ref<string | null>(null)
  const stage = ref<Stage>('find')
  const filing = useFiling(subject, () => sight?.() ?? stageSight(stage.value))

  const vehicleEntries = computed(() =>
    vehicle.value ? journal.entriesOf({ type: 'vehicle', id: vehicle.value.id }).value : [],
  )
  const { state, slices } = useSlices(filing.entries)
  const phase = computed(() => phaseAt(stage.value))

  async function load(): Promise<void> {
    error.value = null
    try {
      await journal.restored
      const [found] = await Promise.all([ofJob.load(id), person.load()])
      await owner.load(found.vehicleId)
    } catch (failure) {
      error.value = failure instanceof Error ? failure.message : String(failure)
    }
  }
  const presence = usePresence(id, stage)
  /** What coached bleeds tell each other; told to whoever listens. */
  const coachCues = createEventHook<CoachCue>()
  useFollowing(
    () => (job.value ? `/jobs/${id}` : undefined),
    [
      { subject: () => subject, look: ofJob.look },
      {
        subject: () => (vehicle.value ? { type: 'vehicle', id: vehicle.value.id } : null),
        look: owner.look,
      },
    ],
    (cue) => (isCoachCue(cue) ? void coachCues.trigger(cue) : presence.hear(cue)),
  )

  void load()
  return {
    id,
    subject,
    job,
    vehicle,
    error,
    stage,
    phase,
    vehicleEntries,
    state,
    slices,
    load,
    presence,
    onCoachCue: coachCues.on,
    fetchingOlder: ofJob.fetchingOlder,
    ...filing,
  }
}

export type OpenJob = ReturnType<typeof openJob>
export type { JobFigures }
const [provideState, useState] = injected('job', openJob)
const [provideFigures, useFigures] = injected('job', figuresOf)

/** @param sight what a page other than a stage shows; null on a stage */
export function provideJob(
  id: string,
  sight?: () => Sight | null,
): { job: OpenJob; figures: JobFigures } {
  const job = provideState(id, sight)
  return { job, figures: provideFigures(job) }
}
/** The open job: its entries, what they say, and filing. */
export const useJob = useState
/** What the open job's entries mean on its circuit. */
export const useJobFigures = useFigures
