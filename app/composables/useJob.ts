import { useIntervalFn } from '@vueuse/core'
import { computed, inject, provide, ref, type InjectionKey } from 'vue'
import type { Job, Vehicle, WithEntries } from '~~/contract'
import {
  fold,
  installationFrom,
  phaseAt,
  type Entry,
  type Kind,
  type Payloads,
  type Stage,
} from '~~/core/journal'
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
  const problem = ref('')
  const lastFiled = ref<Entry | null>(null)
  const stage = ref<Stage>('find')

  const entries = journal.entriesOf(subject)
  const vehicleEntries = computed(() =>
    vehicle.value ? journal.entriesOf({ type: 'vehicle', id: vehicle.value.id }).value : [],
  )
  const state = computed(() => fold(entries.value))
  const installation = computed(() =>
    installationFrom(entries.value, installationFrom(vehicleEntries.value)),
  )
  const proof = computed(() => (installation.value ? judge(installation.value, state.value) : null))
  const stops = computed(() => openStops(state.value))
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

  /** Files an entry of this job; what is wrong with it is said, and nothing is filed. */
  async function file<K extends Kind>(
    kind: K,
    payload: Payloads[K],
    acts: { corrects?: string; withdraws?: string } = {},
  ): Promise<boolean> {
    problem.value = ''
    if (!person.current) {
      problem.value = 'Pick your name at the bench first: each entry keeps who made it.'
      return false
    }
    try {
      lastFiled.value = await journal.file(subject, person.current.id, kind, payload, acts)
      return true
    } catch (failure) {
      problem.value = failure instanceof Error ? failure.message : String(failure)
      return false
    }
  }

  /** Takes an entry back, or a withdrawal: then the entry stands again. */
  const withdraw = (entryId: string) => file('withdrawal', {}, { withdraws: entryId })

  /** Takes back the newest entry that stands and that this person made here. */
  async function undo(): Promise<void> {
    const { standing } = { standing: state.value.history }
    const mine = standing.filter(({ holds }) => holds.by === person.id && holds.kind !== 'goal')
    const last = mine.at(-1)
    if (last) await withdraw(last.holds.id)
    else problem.value = 'Nothing of yours is left to take back.'
  }

  void load()
  return {
    id,
    subject,
    job,
    vehicle,
    error,
    problem,
    lastFiled,
    stage,
    phase,
    entries,
    state,
    installation,
    proof,
    stops,
    load,
    file,
    withdraw,
    undo,
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
