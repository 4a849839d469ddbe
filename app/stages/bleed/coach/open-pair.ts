import { useIntervalFn, useStorage } from '@vueuse/core'
import { shallowRef } from 'vue'
import { useJob } from '~/job/useJob'
import { newId } from '~/lib/ids'
import { usePersonStore } from '~/stores/person'
import { api } from '~/sync/api'
import { tab } from '~/sync/device'
import { Pair, type KeptRun } from '~/sync/pair'
import { entryOf } from './run-entries'

const BEAT = 1000

/** What this device and the other one tell each other of the bleed, kept so that the page can be opened again. */
export function openPair() {
  const { id, entries, file, onCoachCue } = useJob()
  const person = usePersonStore()
  const device = tab.identity!.id
  const serializer = { read: (text: string) => JSON.parse(text) as KeptRun, write: JSON.stringify }
  const keeps = { serializer, listenToStorageChanges: false, flush: 'sync' } as const
  /** As this tab goes on with it when its page is opened again; and as the tab that leads leaves it, should it be closed. */
  const stored = useStorage<KeptRun | null>(`mellow-coach-${id}-${device}`, null, sessionStorage, keeps)
  const ledHere = useStorage<KeptRun | null>(`mellow-coach-${id}`, null, undefined, keeps)
  const kept = stored.value ?? ledHere.value
  const seen = shallowRef({
    told: kept?.told ?? null,
    ...{ silent: false, onItsWay: false, unheard: false, cutOff: false },
  })
  /** The tab that led is gone from this browser: nobody has to be waited for. */
  const leadGone = shallowRef(false)

  const pair: Pair = new Pair(
    {
      device,
      by: () => person.id,
      newId,
      now: () => Date.now(),
      // One that cannot be left is said again by the next beat; nobody is told by somebody without a name.
      send: async (cue) => {
        if (!cue.by) return null
        try {
          return (await api<{ number: number }>(`/jobs/${id}/cues`, cue)).number
        } catch {
          return null
        }
      },
      file: async (filed) => {
        if (entries.value.some((one) => one.id === filed.id)) return
        const { kind, payload, acts } = entryOf(filed)
        await file(kind, payload, acts)
      },
      save: (run) => {
        stored.value = run
        if (run === null ? ledHere.value?.from === device : run.told.lead === device)
          ledHere.value = run
      },
      changed: () => look(),
    },
    kept,
  )
  function look(): void {
    const { told, silent, onItsWay, unheard, cutOff } = pair
    const now = seen.value
    const same =
      now.told === told &&
      now.silent === silent &&
      now.onItsWay === onItsWay &&
      now.unheard === unheard &&
      now.cutOff === cutOff
    if (!same) seen.value = { told, silent, onItsWay, unheard, cutOff }
  }
  onCoachCue((cue) => pair.hear(cue))
  useIntervalFn(() => pair.beat(), BEAT)
  if (!pair.leads) pair.ask('state')
  // The tab of this browser that led may have been closed: then it is said at once, and nobody waits ten seconds for it.
  if (ledHere.value && ledHere.value.from !== device && !pair.leads)
    void tab.identity!.isAlive(ledHere.value.from).then((alive) => (leadGone.value = !alive))
  return { device, pair, seen, leadGone, ledHere }
}
