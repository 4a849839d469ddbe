import { useIntervalFn } from '@vueuse/core'
import { computed, onScopeDispose, shallowReactive, shallowRef, watch, type Ref } from 'vue'
import type { Cue } from '~~/contract'
import type { Stage } from '~~/core/journal'
import { usePersonStore } from '~/stores/person'
import { newId } from '~/lib/ids'
import { api } from '~/sync/api'

/** ms between two words of one's own, and without one after which somebody is taken as gone. */
const HERE = 20_000
const GONE = 50_000

/** Somebody else with this job open. */
export interface Companion {
  device: string
  by: string
  stage: Stage
  seenAt: number
}

/**
 * Who else has this job open, and calling them. None of it enters the journal: it is told by cues, which nobody keeps.
 */
export function usePresence(job: string, stage: Ref<Stage>) {
  const person = usePersonStore()
  const device = newId()
  const others = shallowReactive(new Map<string, Companion>())
  /** The last call that came, until it is answered or put away. */
  const call = shallowRef<(Cue & { cue: 'call' }) | null>(null)

  /** Told to nobody who is not there: a cue that cannot be left is no loss. */
  const tell = (cue: Cue) => api(`/jobs/${job}/cues`, cue).catch(() => {})
  const sayHere = () =>
    person.current ? tell({ cue: 'here', device, by: person.id, stage: stage.value }) : undefined

  function hear(cue: Cue): void {
    if (cue.device === device) return
    if (cue.cue === 'left') others.delete(cue.device)
    else if (cue.cue === 'call') call.value = cue
    else if (cue.cue === 'here') {
      const known = others.has(cue.device)
      others.set(cue.device, { ...cue, seenAt: Date.now() })
      // Whoever comes is told at once who is here.
      if (!known) void sayHere()
    }
  }

  watch([stage, () => person.current?.id], () => void sayHere(), { immediate: true })
  useIntervalFn(() => {
    for (const [id, { seenAt }] of others) if (Date.now() - seenAt > GONE) others.delete(id)
    void sayHere()
  }, HERE)
  onScopeDispose(() => {
    if (person.id) void tell({ cue: 'left', device, by: person.id })
  })

  return {
    /** By person: two pages of one's own are one person. */
    others: computed(() => [...others.values()].filter(({ by }) => by !== person.id)),
    call,
    hear,
    /** Calls the others, or answers. */
    sayTo: (words: string) => tell({ cue: 'call', device, by: person.id, words }),
    dismiss: () => (call.value = null),
  }
}
