import { createEventHook } from '@vueuse/core'
import { computed, inject, provide, ref, type InjectionKey } from 'vue'
import { isCoachCue, type CoachCue, type Job, type Vehicle } from '~~/contract'
import { installationFrom, phaseAt, type Stage } from '~~/core/journal'
import { openStops, verdictOf, type Proof } from '~~/core/proof'
import { stageSight, type Sight } from './in-sight'
import { useCompany } from './usePresence'
import { useFollowing } from './useFollowing'
import { useOpened } from './useOpened'
import { useJournalStore } from '~/stores/journal'
import { usePersonStore } from '~/stores/person'
import { useFiling } from './useFiling'
import { useSlices } from './useSlices'
import { useRouting } from './useRouting'
import { usePhases } from './usePhases'

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
  const company = useCompany(id, stage)
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
    (cue) => (isCoachCue(cue) ? void coachCues.trigger(cue) : company.hear(cue)),
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
    company,
    onCoachCue: coachCues.on,
    fetchingOlder: ofJob.fetchingOlder,
    ...filing,
  }
}

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

export type OpenJob = ReturnType<typeof openJob>
export type JobFigures = ReturnType<typeof figuresOf>
const STATE: InjectionKey<OpenJob> = Symbol('job')
const FIGURES: InjectionKey<JobFigures> = Symbol('figures of the job')

/** @param sight what a page other than a stage shows; null on a stage */
export function provideJob(
  id: string,
  sight?: () => Sight | null,
): { job: OpenJob; figures: JobFigures } {
  const job = openJob(id, sight)
  const figures = figuresOf(job)
  provide(STATE, job)
  provide(FIGURES, figures)
  return { job, figures }
}

function opened<T>(key: InjectionKey<T>): T {
  const open = inject(key)
  if (!open) throw new Error('no job is open here')
  return open
}
/** The open job: its entries, what they say, and filing. */
export const useJob = (): OpenJob => opened(STATE)
/** What the open job's entries mean on its circuit. */
export const useJobFigures = (): JobFigures => opened(FIGURES)
