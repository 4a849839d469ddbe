import { computed, onScopeDispose, shallowRef, watch } from 'vue'
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
import { injected } from '~/lib/injected'
import type { Pair } from '~/sync/pair'
import { openPair } from './open-pair'
import { useElsewhere } from './useElsewhere'
import { useJob } from '~/job/useJob'

/** The coached bleed of the open job, on this device. */
function openCoach({ drawTable }: Pick<Bleeding, 'drawTable'>) {
  const { device, pair, seen, leadGone, ledHere } = openPair()
  const { state: job } = useJob()

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
export const [provideCoach, useCoach] = injected('coach', openCoach)
