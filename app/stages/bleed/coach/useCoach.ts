import { useIntervalFn, useStorage } from '@vueuse/core'
import { computed, inject, onScopeDispose, provide, shallowRef, watch, type InjectionKey } from 'vue'
import {
  callNow,
  isPutRight,
  onAlready,
  nextMove,
  reservoirOf,
  type CoachPlan,
  type Role,
  type Touch,
} from '~~/core/coach'
import type { Bleeding } from '~/job/useBleeding'
import { tab } from '~/sync/device'
import { Pair, type KeptRun } from '~/sync/pair'
import { entryOf } from './run-entries'
import { useElsewhere } from './useElsewhere'
import { useJob } from '~/job/useJob'
import { usePersonStore } from '~/stores/person'
import { newId } from '~/lib/ids'
import { api } from '~/sync/api'

const BEAT = 1000

/** The coached bleed of the open job, on this device. */
function openCoach({ drawTable }: Pick<Bleeding, 'drawTable'>) {
  const { id, entries, state: job, file, onCoachCue } = useJob()
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

  const told = computed(() => seen.value.told)
  const state = computed(() => told.value?.state ?? null)
  const leads = computed(() => told.value?.lead === device)
  const roles = computed((): Role[] => (told.value ? pair.roles : []))
  const move = computed(() => (state.value ? callNow(state.value) : null))
  const right = computed(() => state.value !== null && isPutRight(state.value))
  const next = computed(() => (state.value ? nextMove(state.value) : null))
  const part = computed(() => state.value?.plan.parts[state.value.part] ?? null)
  const level = computed(() => (state.value ? reservoirOf(state.value) : null))
  const mine = computed(() => move.value !== null && roles.value.includes(move.value.role))

  // A move with a time of its own ends by itself, on the device that leads.
  let timer: ReturnType<typeof setTimeout> | undefined
  const began = shallowRef(Date.now())
  watch(
    [() => state.value?.calledAt, leads, () => told.value?.run],
    () => {
      clearTimeout(timer)
      began.value = Date.now()
      const seconds = move.value?.seconds
      if (seconds === undefined || !leads.value) return
      timer = setTimeout(() => pair.touch({ touch: 'answer' }, null), 1000 * seconds)
    },
    { immediate: true },
  )
  onScopeDispose(() => clearTimeout(timer))
  useElsewhere({ told, leads, drawTable }, (touch) => pair.touch(touch, null))

  return {
    device,
    told,
    state,
    leads,
    roles,
    move,
    right,
    next,
    part,
    level,
    mine,
    began,
    silent: computed(() => seen.value.silent),
    unheard: computed(() => seen.value.unheard),
    cutOff: computed(() => seen.value.cutOff),
    leadGone: computed(
      () => leadGone.value && told.value?.lead === ledHere.value?.from && !told.value?.state.done,
    ),
    onItsWay: computed(() => seen.value.onItsWay),
    start: (plan: CoachPlan, places: readonly Role[]) => pair.start(plan, places, onAlready(job.value)),
    touch: (touch: Touch, role: Role | null = null) => pair.touch(touch, role),
    ask: (ask: Parameters<Pair['ask']>[0]) => pair.ask(ask),
    takeLead: () => {
      if (leadGone.value && ledHere.value) pair.adopt(ledHere.value)
      pair.takeLead(leadGone.value)
      leadGone.value = false
    },
    goOnAlone: () => pair.goOnAlone(),
    end: () => pair.end(),
  }
}

export type Coach = ReturnType<typeof openCoach>
const KEY: InjectionKey<Coach> = Symbol('coach')
export function provideCoach(bleeding: Pick<Bleeding, 'drawTable'>): Coach {
  const coach = openCoach(bleeding)
  provide(KEY, coach)
  return coach
}
export function useCoach(): Coach {
  const coach = inject(KEY)
  if (!coach) throw new Error('no coach is open here')
  return coach
}
