import { TRICK_ROWS } from '~~/core/bleed'
import { useNow } from '@vueuse/core'
import { computed } from 'vue'
import {
  isStopped,
  isTrick,
  moveOf,
  movesOf,
  STAGE_OF,
  toTheMark,
  type CoachState,
  type Role,
  type Touch,
  type Work,
} from '~~/core/coach'
import {
  CALL_WORDS,
  PROOF_STAGE_WORDS,
  ROLE_WORDS,
  sentenceOf,
  STATE_WORDS,
  STOPPED_FIRST,
  UNUSUAL_WORDS,
} from '~~/core/words'
import { useCoach, type Coach } from './useCoach'

/** What stands on the screen: one word, what it asks, who waits, and what a touch answers. */
export interface Face {
  state: 'call' | 'waits' | 'held' | 'asks' | 'paused' | 'unusual' | 'unheard' | 'done'
  /** Where the call is for. */
  at: string
  word: string
  ask: string
  /** What the touch says; null where there is nothing to answer. */
  answer: { words: string; touch: Touch; role: Role | null } | null
  caution?: string
}
/** ms between two looks at the clock. */
const TICK = 200

export function useCoachFace(coach: Coach = useCoach()) {
  const person = usePersonStore()
  const { state, roles, move, right, mine, part, told, began, next, unheard, leads } = coach
  const nameOf = (role: Role): string => {
    const seat = told.value?.roles[role]
    return (seat && person.names.get(seat.by)) || 'Nobody'
  }
  const isBoth = computed(() => roles.value.length === 2)
  const ml = (value: number) => withUnits(1000 * Math.abs(value), 'mm³', 0)
  const place = computed(() =>
    isBoth.value || roles.value.length === 0 ? '' : placeWords(roles.value[0]!),
  )
  /** In the hand, hung up or on the bench nobody is at a screw. */
  const placeWords = (role: Role): string => {
    const method = part.value?.method
    if (role === 'bleeder' && method && movesOf(method).offVehicle) return 'At the slave'
    if (role === 'bleeder' && method && movesOf(method).valve === 'union') return 'At the union'
    return ROLE_WORDS[role].at
  }

  const face = computed((): Face | null => {
    const now = state.value
    if (!now) return null
    if (unheard.value && !now.done)
      return {
        at: place.value,
        state: 'unheard',
        word: STATE_WORDS.stopped,
        ask: leads.value
          ? 'Nobody hears this device, and another may be calling by now. Keep pedal and screw as they are.'
          : 'Nothing has been heard for a while: this call may be over. Keep pedal and screw as they are.',
        answer: null,
      }
    if (move.value) return callFace(now)
    if (now.asks) {
      const stage = now.asks === 'freeTravel' ? null : PROOF_STAGE_WORDS[now.asks]
      return {
        at: place.value,
        state: 'asks',
        word: STATE_WORDS.measure,
        ask: stage
          ? `Free travel at the pad with a light foot, ${stage}. Do not press hard on a plug.`
          : 'Free travel at the pad: how far it goes before it takes up.',
        answer: null,
      }
    }
    if (now.done)
      return {
        at: place.value,
        state: 'done',
        word: STATE_WORDS.finished,
        ask: 'Every part has been gone through, and what was put on is off.',
        answer: null,
      }
    if (now.paused)
      return {
        at: place.value,
        state: 'paused',
        word: STATE_WORDS.stopped,
        ask: stoppedWords(now),
        answer: { words: 'Go on', touch: { touch: 'resume' }, role: null },
      }
    if (now.unusual) {
      const { means, tries } = UNUSUAL_WORDS[now.unusual]
      return {
        at: place.value,
        state: 'unusual',
        word: STATE_WORDS.look,
        ask: `${means} ${tries}`,
        answer: { words: 'Looked: go on', touch: { touch: 'goOn' }, role: null },
      }
    }
    return now.held ? heldFace(now) : null
  })

  /** Stopped with the screw shut: how the pedal stands, for nobody moves it. */
  function stoppedWords({ world }: CoachState): string {
    if (world.pedal === 'up') return 'Stay as you are: nobody moves anything. The screw is shut.'
    if (world.heldBy === 'bar')
      return 'Stay as you are: the screw is shut, the bar holds the pedal down.'
    if (world.heldBy === 'wedge') return 'Stay as you are: the wedge holds the pedal down.'
    return 'Stay as you are: the screw is shut, the pedal stays down.'
  }
  /** What waits behind a screw that is closed first. */
  function thenWords(now: CoachState): string {
    if (!isStopped(now)) return ''
    if (now.paused) return ' Then everything waits for “Go on”.'
    if (now.held === 'low') return ` Then the reservoir is filled: about ${ml(toTheMark(now))}.`
    if (now.held === 'high') return ' Then the reservoir is drawn down.'
    return now.asks ? ' Then free travel is measured.' : ''
  }
  const firstWords = (now: CoachState): string => {
    if (!isStopped(now)) return ''
    if (now.paused) return `${STOPPED_FIRST.paused} `
    if (now.held) return `${STOPPED_FIRST[now.held]} `
    return `${now.asks ? STOPPED_FIRST.asks : STOPPED_FIRST.unusual} `
  }

  function callFace(now: CoachState): Face {
    const called = move.value!
    const on = part.value ?? now.plan.parts.at(-1)!
    const { word, answer } = CALL_WORDS[called.call]
    const said = sentenceOf({
      method: on.method,
      stretch: now.stretch,
      index: now.move,
      move: called,
      right: right.value,
      world: now.world,
      pumps: on.pumps,
    })
    const sentence = (which: 'does' | 'other') => {
      const own = said?.[which] ?? ''
      const first = right.value ? firstWords(now) : ''
      const small = first ? own.charAt(0).toLowerCase() + own.slice(1) : own
      return `${first}${small}${right.value ? thenWords(now) : ''}`
    }
    // An empty circuit pushes nothing back.
    const byHand =
      called.call === 'up' && on.phase === 'fill'
        ? ' If it stays down, lift it by hand: while it is empty that is no fault.'
        : ''
    const caution = isTrick(on.method)
      ? TRICK_ROWS[on.method].caution
      : STAGE_OF[on.method as Work]
        ? 'A plugged end holds the whole pressure: a light foot only.'
        : undefined
    if (mine.value)
      return {
        at: isBoth.value ? placeWords(called.role) : `${place.value}, you`,
        state: 'call',
        word,
        ask: called.call === 'walk' ? walkTo(said?.does ?? '') : `${sentence('does')}${byHand}`,
        answer: { words: answer, touch: { touch: 'answer' }, role: called.role },
        ...(caution && { caution }),
      }
    const nobody = told.value?.roles[called.role]
      ? ''
      : ` Nobody is ${placeWords(called.role).toLowerCase()} yet.`
    const atPedal = roles.value.includes('pedal')
    return {
      at: place.value || placeWords(called.role),
      state: 'waits',
      word:
        roles.value.length === 0
          ? word
          : now.world.pedal === 'down' && now.world.heldBy === 'foot' && atPedal
            ? STATE_WORDS.holds
            : STATE_WORDS.waits,
      ask: `${sentence('other')}${nobody}`,
      answer: null,
      ...(caution && { caution }),
    }
  }
  const walkTo = (where: string) => {
    const to = next.value
    return to ? `${where} Then: ${CALL_WORDS[to.call].word.toLowerCase()}.` : where
  }
  function heldFace(now: CoachState): Face {
    const isLow = now.held === 'low'
    const amount = toTheMark(now)
    const why = now.plan.shared
      ? 'The next cycle might go below the brakes’ mark.'
      : 'The next cycle might run the port dry: one gulp of air and it starts again.'
    const unsure = now.plan.unknown ? ' What a cycle draws is not known here, so it is held early.' : ''
    return {
      at: place.value,
      state: 'held',
      word: isLow ? STATE_WORDS.low : STATE_WORDS.high,
      ask: isLow
        ? `${why} About ${ml(amount)} to the mark.${unsure}`
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
    if (seconds === undefined || unheard.value) return null
    return Math.max(0, Math.ceil(seconds - (clock.value.getTime() - began.value) / 1000))
  })
  /** Moves of a cycle, with the one that is on. */
  const strip = computed(() => {
    const [now, on] = [state.value, part.value]
    if (!now || !on || now.done || now.stretch === 'ready' || right.value) return []
    return movesOf(on.method)[now.stretch].map((one, i) => ({
      word: CALL_WORDS[one.call].word,
      on: i === now.move && moveOf(now)?.call === one.call,
    }))
  })
  return { face, remains, strip, isBoth, nameOf }
}
