import { useIntervalFn, useStorage } from '@vueuse/core'
import { computed, inject, onScopeDispose, provide, shallowRef, watch, type InjectionKey } from 'vue'
import { callNow, nextMove, reservoirOf, type CoachPlan, type Role, type Touch } from '~~/core/coach'
import { Pair, type KeptRun } from '~/sync/pair'
import { entryOf } from './run-entries'

const BEAT = 1000

/** One name for this tab, so that a page that is opened again is the same device. */
const deviceOf = (): string => {
  const kept = sessionStorage.getItem('mellow-device')
  if (kept) return kept
  const made = newId()
  sessionStorage.setItem('mellow-device', made)
  return made
}

/** The coached bleed of the open job, on this device. */
function openCoach() {
  const { id, entries, file, onCoachCue } = useJob()
  const person = usePersonStore()
  const stored = useStorage<KeptRun | null>(`mellow-coach-${id}`, null, undefined, {
    serializer: { read: (text) => JSON.parse(text) as KeptRun, write: JSON.stringify },
    // Another tab is another device: it is told by cues.
    listenToStorageChanges: false,
    flush: 'sync',
  })
  const device = deviceOf()
  const seen = shallowRef({ told: stored.value?.told ?? null, silent: false, onItsWay: false })

  const pair: Pair = new Pair(
    {
      device,
      by: () => person.id,
      newId,
      now: () => Date.now(),
      // One that cannot be left is said again by the next beat; nobody is told by somebody without a name.
      send: (cue) => {
        if (cue.by) void api(`/jobs/${id}/cues`, cue).catch(() => {})
      },
      file: async (filed) => {
        if (entries.value.some((one) => one.id === filed.id)) return
        const { kind, payload, acts } = entryOf(filed)
        await file(kind, payload, acts)
      },
      save: (kept) => (stored.value = kept),
      changed: () => look(),
    },
    stored.value,
  )
  function look(): void {
    const { told, silent, onItsWay } = pair
    const now = seen.value
    if (now.told === told && now.silent === silent && now.onItsWay === onItsWay) return
    seen.value = { told, silent, onItsWay }
  }
  onCoachCue((cue) => pair.hear(cue))
  useIntervalFn(() => pair.beat(), BEAT)
  if (!pair.leads) pair.ask('state')

  const told = computed(() => seen.value.told)
  const state = computed(() => told.value?.state ?? null)
  const leads = computed(() => told.value?.lead === device)
  const roles = computed((): Role[] => (told.value ? pair.roles : []))
  const move = computed(() => (state.value ? callNow(state.value) : null))
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

  return {
    device,
    told,
    state,
    leads,
    roles,
    move,
    next,
    part,
    level,
    mine,
    began,
    silent: computed(() => seen.value.silent),
    onItsWay: computed(() => seen.value.onItsWay),
    start: (plan: CoachPlan, places: readonly Role[]) => pair.start(plan, places),
    touch: (touch: Touch, role: Role | null = null) => pair.touch(touch, role),
    ask: (ask: Parameters<Pair['ask']>[0]) => pair.ask(ask),
    takeLead: () => pair.takeLead(),
    end: () => pair.end(),
  }
}

export type Coach = ReturnType<typeof openCoach>
const KEY: InjectionKey<Coach> = Symbol('coach')
export function provideCoach(): Coach {
  const coach = openCoach()
  provide(KEY, coach)
  return coach
}
export function useCoach(): Coach {
  const coach = inject(KEY)
  if (!coach) throw new Error('no coach is open here')
  return coach
}
