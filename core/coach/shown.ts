import { TRICK_ROWS, type Role } from '../bleed/methods'
import type { Format } from '../quantity'
import { PROOF_STAGE_WORDS } from '../words'
import { callNow, isPutRight, isStopped, moveOf, nextMove } from './call'
import { toTheMark } from './fluid'
import { isTrick, movesOf, type Coached } from './moves'
import type { CoachState, Touch } from './state'
import { CALL_WORDS, ROLE_WORDS, sentenceOf, STATE_WORDS, STOPPED_FIRST, UNUSUAL_WORDS } from './words'
import { STAGE_OF, WORKS } from './works'

/** What stands on one device’s screen: one word, what it asks, who waits, and what a touch answers. */
export interface Shown {
  state: 'call' | 'waits' | 'held' | 'asks' | 'paused' | 'unusual' | 'unheard' | 'done'
  /** Where the call is for. */
  at: string
  word: string
  ask: string
  /** What the touch says; null where there is nothing to answer. */
  answer: { words: string; touch: Touch; role: Role | null } | null
  caution?: string
}
export interface ShownAsked {
  state: CoachState
  /** What this device does: both, where somebody is alone. */
  roles: readonly Role[]
  /** Roles that somebody has taken. */
  taken: readonly Role[]
  /** Nothing has been heard for a while; and this device is the one that calls. */
  unheard: boolean
  leads: boolean
}

/** What this device shows now; null where there is nothing to show. */
export function shownNow(asked: ShownAsked, format: Format): Shown | null {
  const { state, roles, unheard, leads } = asked
  const at = roles.length === 1 ? placeWords(state, roles[0]!) : ''
  const without = (
    kind: Shown['state'],
    word: string,
    ask: string,
    answer: Shown['answer'] = null,
  ): Shown => ({ at, state: kind, word, ask, answer })

  if (unheard && !state.done)
    return without(
      'unheard',
      STATE_WORDS.stopped,
      leads
        ? 'Nobody hears this device, and another may be calling by now. Keep pedal and screw as they are.'
        : 'Nothing has been heard for a while: this call may be over. Keep pedal and screw as they are.',
    )
  if (callNow(state)) return called(asked, at, format)
  if (state.asks) {
    const stage = state.asks === 'freeTravel' ? null : PROOF_STAGE_WORDS[state.asks]
    return without(
      'asks',
      STATE_WORDS.measure,
      stage
        ? `Free travel at the pad with a light foot, ${stage}. Do not press hard on a plug.`
        : 'Free travel at the pad: how far it goes before it takes up.',
    )
  }
  if (state.done)
    return without(
      'done',
      STATE_WORDS.finished,
      'Every part has been gone through, and what was put on is off.',
    )
  if (state.paused)
    return without('paused', STATE_WORDS.stopped, stoppedWords(state), {
      ...{ words: 'Go on', touch: { touch: 'resume' }, role: null },
    })
  if (state.unusual) {
    const { means, tries } = UNUSUAL_WORDS[state.unusual]
    return without('unusual', STATE_WORDS.look, `${means} ${tries}`, {
      ...{ words: 'Looked: go on', touch: { touch: 'goOn' }, role: null },
    })
  }
  return state.held ? held(state, at, format) : null
}

/** In the hand, hung up or on the bench nobody is at a screw. */
function placeWords({ plan, part }: CoachState, role: Role): string {
  const method = plan.parts[part]?.method
  if (role === 'bleeder' && method && movesOf(method).offVehicle) return 'At the slave'
  if (role === 'bleeder' && method && movesOf(method).valve === 'union') return 'At the union'
  return ROLE_WORDS[role].at
}
const ml = (value: number, format: Format) => format.volume(1000 * Math.abs(value))

/** Stopped with the screw shut: how the pedal stands, for nobody moves it. */
function stoppedWords({ world }: CoachState): string {
  if (world.pedal === 'up') return 'Stay as you are: nobody moves anything. The screw is shut.'
  if (world.heldBy === 'bar') return 'Stay as you are: the screw is shut, the bar holds the pedal down.'
  if (world.heldBy === 'wedge') return 'Stay as you are: the wedge holds the pedal down.'
  return 'Stay as you are: the screw is shut, the pedal stays down.'
}
/** Why a screw is closed before anything else. */
function firstWords(state: CoachState): string {
  if (!isStopped(state)) return ''
  if (state.paused) return `${STOPPED_FIRST.paused} `
  if (state.held) return `${STOPPED_FIRST[state.held]} `
  return `${state.asks ? STOPPED_FIRST.asks : STOPPED_FIRST.unusual} `
}
/** What waits behind a screw that is closed first. */
function thenWords(state: CoachState, format: Format): string {
  if (!isStopped(state)) return ''
  if (state.paused) return ' Then everything waits for “Go on”.'
  if (state.held === 'low')
    return ` Then the reservoir is filled: about ${ml(toTheMark(state), format)}.`
  if (state.held === 'high') return ' Then the reservoir is drawn down.'
  return state.asks ? ' Then free travel is measured.' : ''
}
const isWork = (method: Coached) => WORKS.find((one) => one === method)
function cautionOf(method: Coached): string | null {
  if (isTrick(method)) return TRICK_ROWS[method].caution
  const work = isWork(method)
  return work && STAGE_OF[work] ? 'A plugged end holds the whole pressure: a light foot only.' : null
}

/** A call: to whoever does it, or to who waits meanwhile. */
function called({ state, roles, taken }: ShownAsked, at: string, format: Format): Shown {
  const move = callNow(state)!
  const right = isPutRight(state)
  const part = state.plan.parts[state.part] ?? state.plan.parts.at(-1)!
  const { word, answer } = CALL_WORDS[move.call]
  const said = sentenceOf({
    ...{ method: part.method, stretch: state.stretch, index: state.move, move, right },
    ...{ world: state.world, pumps: part.pumps },
  })
  const sentence = (which: 'does' | 'other') => {
    const own = said?.[which] ?? ''
    if (!right) return own
    const first = firstWords(state)
    const small = first ? own.charAt(0).toLowerCase() + own.slice(1) : own
    return `${first}${small}${thenWords(state, format)}`
  }
  const caution = cautionOf(part.method)
  const warned = caution ? { caution } : {}
  if (roles.includes(move.role)) {
    // An empty circuit pushes nothing back.
    const byHand =
      move.call === 'up' && part.phase === 'fill'
        ? ' If it stays down, lift it by hand: while it is empty that is no fault.'
        : ''
    const next = nextMove(state)
    const walk = `${said?.does ?? ''}${next ? ` Then: ${CALL_WORDS[next.call].word.toLowerCase()}.` : ''}`
    return {
      at: roles.length === 2 ? placeWords(state, move.role) : `${at}, you`,
      ...{ state: 'call', word },
      ask: move.call === 'walk' ? walk : `${sentence('does')}${byHand}`,
      answer: { words: answer, touch: { touch: 'answer' }, role: move.role },
      ...warned,
    }
  }
  const there = placeWords(state, move.role)
  const nobody = taken.includes(move.role) ? '' : ` Nobody is ${there.toLowerCase()} yet.`
  return {
    ...{ at: at || there, state: 'waits', word: waitsWord(state, roles, word) },
    ...{ ask: `${sentence('other')}${nobody}`, answer: null },
    ...warned,
  }
}
/** Who holds the pedal down is told to hold it, and not only to wait. */
function waitsWord({ world }: CoachState, roles: readonly Role[], word: string): string {
  if (roles.length === 0) return word
  const holds = world.pedal === 'down' && world.heldBy === 'foot' && roles.includes('pedal')
  return holds ? STATE_WORDS.holds : STATE_WORDS.waits
}

/** Held back by what is in the reservoir. */
function held(state: CoachState, at: string, format: Format): Shown {
  const isLow = state.held === 'low'
  const amount = ml(toTheMark(state), format)
  const why = state.plan.shared
    ? 'The next cycle might go below the brakes’ mark.'
    : 'The next cycle might run the port dry: one gulp of air and it starts again.'
  const unsure = state.plan.unknown ? ' What a cycle draws is not known here, so it is held early.' : ''
  return {
    ...{ at, state: 'held', word: isLow ? STATE_WORDS.low : STATE_WORDS.high },
    ask: isLow
      ? `${why} About ${amount} to the mark.${unsure}`
      : `It would rise over its mark. Draw off about ${amount}: then it ends on the mark.`,
    answer: {
      words: isLow ? 'It is at the mark' : 'Drawn off',
      touch: isLow ? { touch: 'toppedUp' } : { touch: 'drawnOff' },
      role: null,
    },
  }
}

/** Moves of a cycle by their words, with the one that is on; none while something is made ready or put right. */
export function stripOf(state: CoachState): { word: string; on: boolean }[] {
  const part = state.plan.parts[state.part]
  if (!part || state.done || state.stretch === 'ready' || isPutRight(state)) return []
  const now = moveOf(state)?.call
  return movesOf(part.method)[state.stretch].map(({ call }, i) => ({
    word: CALL_WORDS[call].word,
    on: i === state.move && now === call,
  }))
}
