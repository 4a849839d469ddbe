import { useNow } from '@vueuse/core'
import { computed } from 'vue'
import { shownNow, stripOf, type Role } from '~~/core/coach'
import { usePersonStore } from '~/stores/person'
import { formatNow } from '~/units/units'
import { useCoach, type Coach } from './useCoach'

/** ms between two looks at the clock. */
const TICK = 200

/** What the coach shows on this device: the call, how long it still runs, and the moves of the cycle. */
export function useCoachScreen(coach: Coach = useCoach()) {
  const person = usePersonStore()
  const { state, roles, move, told, began, unheard, leads } = coach
  const nameOf = (role: Role): string => {
    const seat = told.value?.roles[role]
    return (seat && person.names.get(seat.by)) || 'Nobody'
  }
  const ROLES = ['pedal', 'bleeder'] as const
  const shown = computed(() =>
    state.value
      ? shownNow(
          {
            state: state.value,
            roles: roles.value,
            taken: ROLES.filter((role) => told.value?.roles[role]),
            unheard: unheard.value,
            leads: leads.value,
          },
          formatNow(),
        )
      : null,
  )
  const clock = useNow({ interval: TICK })
  /** s until the move under way ends by itself; null where it has no time of its own. */
  const remains = computed(() => {
    const seconds = move.value?.seconds
    if (seconds === undefined || unheard.value) return null
    return Math.max(0, Math.ceil(seconds - (clock.value.getTime() - began.value) / 1000))
  })
  return {
    shown,
    remains,
    strip: computed(() => (state.value ? stripOf(state.value) : [])),
    isBoth: computed(() => roles.value.length === 2),
    nameOf,
  }
}
