import { useNow } from '@vueuse/core'
import { computed } from 'vue'
import {
  isTrick,
  moveOf,
  movesOf,
  STAGE_OF,
  toTheMark,
  type Role,
  type Touch,
  type Work,
} from '~~/core/coach'
import { callSaid, PROOF_STAGE_WORDS, ROLE_WORDS, TRICK_CAUTIONS } from '~~/core/words'
import { useCoach, type Coach } from './useCoach'

/** What stands on the screen: one word, what it asks, who waits, and what a touch answers. */
export interface Face {
  state: 'call' | 'waits' | 'held' | 'asks' | 'paused' | 'done'
  /** Where the call is for. */
  at: string
  word: string
  ask: string
  /** What the touch says; null where there is nothing to answer. */
  answer: { words: string; touch: Touch; role: Role | null } | null
  caution?: string
}
const STRAIGHT: Partial<Record<string, string>> = {
  open: 'Foot off the pedal until it is open.',
}

/** ms between two looks at the clock. */
const TICK = 200

export function useCoachFace(coach: Coach = useCoach()) {
  const person = usePersonStore()
  const { state, roles, move, mine, part, told, began, next } = coach
  const nameOf = (role: Role): string => {
    const seat = told.value?.roles[role]
    return (seat && person.names.get(seat.by)) || 'Nobody'
  }
  const isBoth = computed(() => roles.value.length === 2)
  const ml = (value: number) => withUnits(1000 * Math.abs(value), 'mm³', 0)

  const face = computed((): Face | null => {
    const now = state.value
    if (!now) return null
    const at = isBoth.value || roles.value.length === 0 ? '' : ROLE_WORDS[roles.value[0]!].at
    const quiet = { at, caution: undefined }
    if (now.asks) {
      const stage = now.asks === 'freeTravel' ? null : PROOF_STAGE_WORDS[now.asks]
      return {
        ...quiet,
        state: 'asks',
        word: 'Measure',
        ask: stage
          ? `Free travel at the pad with a light foot, ${stage}. Do not press hard on a plug.`
          : 'Free travel at the pad: how far it goes before it takes up.',
        answer: null,
      }
    }
    if (now.done)
      return {
        ...quiet,
        state: 'done',
        word: 'Done',
        ask: 'Every part has been gone through.',
        answer: null,
      }
    if (now.paused)
      return {
        ...quiet,
        state: 'paused',
        word: 'Stop',
        ask:
          now.pedal === 'down'
            ? 'Stay as you are: the pedal stays down.'
            : 'Stay as you are: nobody moves anything.',
        answer: { words: 'Go on', touch: { touch: 'resume' }, role: null },
      }
    if (now.held) return heldFace(at)
    const called = move.value
    if (!called) return null
    const method = part.value!.method
    const said = callSaid(called.call, method)
    const caution = isTrick(method)
      ? TRICK_CAUTIONS[method]
      : STAGE_OF[method as Work]
        ? 'A plugged end holds the whole pressure: a light foot only.'
        : undefined
    if (mine.value)
      return {
        at: isBoth.value ? ROLE_WORDS[called.role].at : `${at}, you`,
        state: 'call',
        word: said.word,
        ask: called.call === 'walk' ? walkTo() : said.ask,
        answer: { words: said.answer, touch: { touch: 'answer' }, role: called.role },
        ...(caution && { caution }),
      }
    return {
      at: at || ROLE_WORDS[called.role].at,
      state: 'waits',
      word: roles.value.length === 0 ? said.word : waitWord(now.pedal),
      ask: waitsFor(called.role, said.waits, called.call),
      answer: null,
      ...(caution && { caution }),
    }
  })
  function waitsFor(role: Role, waits: string, call: string): string {
    const nobody = told.value?.roles[role] ? '' : ` Nobody is ${ROLE_WORDS[role].at.toLowerCase()} yet.`
    const foot = roles.value.includes('pedal') && STRAIGHT[call]
    return `${waits}${foot ? ` ${foot}` : ''}${nobody}`
  }
  const waitWord = (pedal: 'up' | 'down') =>
    pedal === 'down' && roles.value.includes('pedal') ? 'Hold' : 'Wait'
  const walkTo = () => {
    const to = next.value
    if (!to) return 'Go over to the other end.'
    const where = to.role === 'pedal' ? 'To the pedal' : 'To the screw'
    return `${where}. Then: ${callSaid(to.call, part.value!.method).word.toLowerCase()}.`
  }
  function heldFace(at: string): Face {
    const now = state.value!
    const isLow = now.held === 'low'
    const amount = toTheMark(now)
    const why = now.plan.shared
      ? 'The next cycle would go below the brakes’ mark.'
      : 'The next cycle would run the port dry: one gulp of air and it starts again.'
    return {
      at,
      state: 'held',
      word: isLow ? 'Top up' : 'Lower',
      ask: isLow
        ? `${why} About ${ml(amount)} to the mark.`
        : `It would rise over its mark. Draw off about ${ml(amount)}: then it ends on the mark.`,
      answer: {
        words: isLow ? 'It is at the mark' : 'Drawn off',
        touch: isLow ? { touch: 'toppedUp' } : { touch: 'drawnOff' },
        role: null,
      },
    }
  }

  const clock = useNow({ interval: TICK })
  /** s until the move under way ends by itself; null where it has no time of its own. */
  const remains = computed(() => {
    const seconds = move.value?.seconds
    if (seconds === undefined) return null
    return Math.max(0, Math.ceil(seconds - (clock.value.getTime() - began.value) / 1000))
  })
  /** Moves of a cycle, with the one that is on. */
  const strip = computed(() => {
    const [now, on] = [state.value, part.value]
    if (!now || !on || now.done) return []
    return movesOf(on.method)[now.stretch].map((one, i) => ({
      word: callSaid(one.call, on.method).word,
      on: i === now.move && moveOf(now) === one,
    }))
  })
  return { face, remains, strip, isBoth, nameOf }
}
