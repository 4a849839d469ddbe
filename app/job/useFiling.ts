import { computed, ref, watch } from 'vue'
import { timeline, type Entry, type Kind, type Payloads, type Subject } from '~~/core/journal'
import { type Acts, useJournalStore } from '~/stores/journal'
import type { Sight } from './in-sight'
import { usePersonStore } from '~/stores/person'

const isPlaced = (entry: Entry): boolean =>
  entry.kind === 'order' && entry.payload.happened === 'placed'

/**
 * Filing entries of one subject: what is wrong is said, and what was filed here can be taken back and put again.
 * @param sight what the open page shows: undo stays with that; all there is where it is left out
 */
export function useFiling(subject: Subject, sight?: () => Sight) {
  const journal = useJournalStore()
  const person = usePersonStore()
  const problem = ref('')
  const lastFiled = ref<Entry | null>(null)
  const entries = journal.entriesOf(subject)
  /** Withdrawals made here by undo, newest last: what can be put again. */
  const undone = ref<string[]>([])
  /** Filed while the page in sight was open. */
  const here = ref<ReadonlySet<string>>(new Set())
  if (sight)
    watch(
      () => sight().name,
      () => {
        here.value = new Set()
        undone.value = []
      },
    )

  async function append<K extends Kind>(
    kind: K,
    payload: Payloads[K],
    acts: Acts,
  ): Promise<Entry | null> {
    problem.value = ''
    if (!person.current) {
      problem.value = 'Pick your name at the bench first: each entry keeps who made it.'
      return null
    }
    try {
      const filed = await journal.file(subject, person.current.id, kind, payload, acts)
      lastFiled.value = filed
      here.value = new Set([...here.value, filed.id])
      return filed
    } catch (failure) {
      problem.value = failure instanceof Error ? failure.message : String(failure)
      return null
    }
  }

  /** Files an entry; what is wrong with it is said, and nothing is filed. */
  async function file<K extends Kind>(
    kind: K,
    payload: Payloads[K],
    acts: Acts = {},
  ): Promise<boolean> {
    const filed = await append(kind, payload, acts)
    if (filed) undone.value = []
    return filed !== null
  }

  /** Takes an entry back, or a withdrawal: then the entry stands again. */
  const withdraw = (entryId: string) => file('withdrawal', {}, { withdraws: entryId })

  /**
   * What this person made here and can take back; a job keeps its goal, a vehicle its first installation, and an order that
   * went out is cancelled at the supplier’s.
   */
  const mine = computed(() =>
    timeline(entries.value).standing.filter(
      ({ origin, holds }, i) =>
        person.isMine(holds.by) && origin.kind !== 'goal' && i > 0 && !isPlaced(holds),
    ),
  )

  /** What undo would take back: the last of this person’s that the page in sight shows, or that was filed on it. */
  const undoable = computed<Entry | null>(() => {
    const shows = sight?.().shows
    const last = mine.value.findLast(({ holds }) => !shows || shows(holds) || here.value.has(holds.id))
    return last?.holds ?? null
  })

  async function undo(): Promise<void> {
    const last = undoable.value
    if (!last) {
      problem.value = 'Nothing of yours on this page is left to take back. The journal holds the rest.'
      return
    }
    const filed = await append('withdrawal', {}, { withdraws: last.id })
    if (filed) undone.value = [...undone.value, filed.id]
  }

  async function redo(): Promise<void> {
    const last = undone.value.at(-1)
    if (!last) {
      problem.value = 'Nothing was taken back here that could be put again.'
      return
    }
    if (await append('withdrawal', {}, { withdraws: last })) undone.value = undone.value.slice(0, -1)
  }
  return { entries, problem, lastFiled, undone, undoable, file, withdraw, undo, redo }
}
