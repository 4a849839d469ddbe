import { useIntervalFn } from '@vueuse/core'
import { computed, inject, provide, ref, type InjectionKey } from 'vue'
import type { Job, Vehicle, WithEntries } from '~~/contract'
import { fold, installationFrom, phaseAt, type Entry, type Stage } from '~~/core/journal'
import { judge, openStops } from '~~/core/proof'

/** Other tablets' entries are asked for this often, ms. */
const LOOK_AGAIN = 10_000

/** A job with its vehicle: its entries, the state they fold into, the figures, and filing. */
function openJob(id: string) {
  const journal = useJournalStore()
  const person = usePersonStore()
  const subject = { type: 'job', id } as const
  const job = ref<Job | null>(null)
  const vehicle = ref<Vehicle | null>(null)
  const error = ref<string | null>(null)
  const filing = useFiling(subject)
  const { entries } = filing
  const stage = ref<Stage>('find')

  const vehicleEntries = computed(() =>
    vehicle.value ? journal.entriesOf({ type: 'vehicle', id: vehicle.value.id }).value : [],
  )
  const state = computed(() => fold(entries.value))
  const ofVehicle = computed(() => installationFrom(vehicleEntries.value))
  const kept = computed(() => installationFrom(entries.value, ofVehicle.value))
  const routing = useRouting(kept, filing.file)
  /** What is drawn: the routing under way, else what is kept. */
  const installation = routing.shown
  /** Moving a point leaves the figures alone unless it takes a union, and so lengths, along. */
  const figured = computed(() =>
    routing.draft.value && routing.draft.value.circuit !== kept.value?.circuit
      ? routing.draft.value
      : kept.value,
  )
  const proof = computed(() =>
    figured.value ? judge(figured.value, state.value, undefined, formatNow()) : null,
  )
  const stops = computed(() => openStops(state.value, kept.value?.circuit.master.portClosure))
  const phase = computed(() => phaseAt(stage.value))

  async function load(): Promise<void> {
    error.value = null
    try {
      await journal.restored
      const [found] = await Promise.all([api<WithEntries<Job>>(`/jobs/${id}`), person.load()])
      const owner = await api<WithEntries<Vehicle>>(`/vehicles/${found.subject.vehicleId}`)
      journal.take(subject, found.entries)
      journal.take({ type: 'vehicle', id: owner.subject.id }, owner.entries)
      vehicle.value = owner.subject
      job.value = found.subject
    } catch (failure) {
      error.value = failure instanceof Error ? failure.message : String(failure)
    }
  }

  /** Entries that another tablet has filed since. */
  async function lookAgain(): Promise<void> {
    if (!job.value || journal.away || document.visibilityState === 'hidden') return
    const known = entries.value.filter((entry) => entry.sequence !== undefined)
    const after = Math.max(0, ...known.map((entry) => entry.sequence!))
    const newer = await api<Entry[]>(`/jobs/${id}/entries?after=${after}`).catch(() => [])
    if (newer.length > 0) journal.take(subject, [...known, ...newer])
  }
  useIntervalFn(() => void lookAgain(), LOOK_AGAIN)

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
    ofVehicle,
    state,
    kept,
    routing,
    installation,
    proof,
    stops,
    load,
    ...filing,
  }
}

export type OpenJob = ReturnType<typeof openJob>
const KEY: InjectionKey<OpenJob> = Symbol('job')

export function provideJob(id: string): OpenJob {
  const open = openJob(id)
  provide(KEY, open)
  return open
}
export function useJob(): OpenJob {
  const open = inject(KEY)
  if (!open) throw new Error('no job is open here')
  return open
}
