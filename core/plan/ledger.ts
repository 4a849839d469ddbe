import { after, breachesNow } from './check'
import type { RuledStep } from './rules'
import { PACKAGES, type Package } from './packages'
import { isOpening, isPassing } from './states'

/** States of the plan that are something put on; the other passing ones are something off its place. */
const IS_ON: ReadonlySet<string> = new Set([
  'feedClamped',
  'capSheeted',
  'loopOn',
  'propOn',
  'pedalTagged',
  'strapsOn',
  'paintCovered',
  'chocked',
  'onStands',
  'ignitionOff',
])
export const isPutOn = (state: string): boolean => IS_ON.has(state) || state.startsWith('plugged:')

/**
 * States that hold by the steps that were done, in their order; what was left out puts nothing on and takes nothing off.
 * @param own packages of the shop, beside the usual ones
 */
export function heldByWork(
  told: readonly { step: string; act: string }[],
  own: ReadonlyMap<string, Package> = new Map(),
): Set<string> {
  let held = new Set<string>()
  for (const step of stepsDone(told, own)) held = after(held, step)
  return held
}
/** What steps that were done put and take, in their order. */
function stepsDone(
  told: readonly { step: string; act: string }[],
  own: ReadonlyMap<string, Package>,
): Pick<RuledStep, 'puts' | 'takes'>[] {
  return told.flatMap(({ step: id, act }) => {
    const [pack = '', name, surprise] = id.split('.')
    // A surprise is named after the step that met it, and puts nothing on.
    if (act !== 'done' || surprise !== undefined) return []
    const step = (PACKAGES.get(pack) ?? own.get(pack))?.steps.find((one) => one.id === name)
    return step ? [{ puts: step.puts ?? [], takes: step.takes ?? [] }] : []
  })
}
/** Whether steps that were done have let the fluid out, or opened the circuit: then it is filled before it is bled. */
export const emptiedBy = (
  told: readonly { step: string; act: string }[],
  own: ReadonlyMap<string, Package> = new Map(),
): boolean =>
  stepsDone(told, own).some(({ puts }) => puts.some((state) => state === 'drained' || isOpening(state)))
/** What of them must be gone before the vehicle is handed over. */
export const leftByWork = (held: ReadonlySet<string>): string[] =>
  [...held].filter(isPassing).sort((a, b) => rank(a) - rank(b) || (a < b ? -1 : 1))
/** Named first: what spoils the fluid or hurts somebody. */
const FIRST = [
  'feedClamped',
  'capSheeted',
  'pedalTagged',
  'strapsOn',
  'propOn',
  'loopOn',
  'circuitOpen:master',
  'circuitOpen:slave',
  'slaveFree',
  'masterOff',
]
const rank = (state: string): number => {
  const at = FIRST.indexOf(state)
  return at < 0 ? FIRST.length : at
}

/** Rules that a thing left on breaks; what a step needs is the plan's own order. */
const SPOILING: ReadonlySet<string> = new Set(['spoil', 'press', 'engine', 'forbids'])

/** Why a step may not be done while these states hold: nothing is filled past a clamp, no pedal pressed under a tag. */
const NOTHING: ReadonlySet<string> = new Set()
export function spoiledBy(
  step: RuledStep,
  states: ReadonlySet<string>,
): { state: string; words: string }[] {
  return [...states].flatMap((state) => {
    const one = new Set([state])
    const found = breachesNow(step, { before: one, after: one, put: one, everPut: NOTHING }).filter(
      ({ rule }) => SPOILING.has(rule),
    )
    // What the rule says of it tells more than that the step forbids it.
    const said = found.find(({ rule }) => rule !== 'forbids') ?? found[0]
    return said ? [{ state, words: said.words }] : []
  })
}

/** What of these states must be off before anything is filled or pumped: by the rules that the plan's own strokes keep. */
export function spoilsBleed(states: ReadonlySet<string>): Set<string> {
  const told = PACKAGES.get('bleed')!.steps.find(({ fills, presses }) => fills && presses)!
  const stroke: RuledStep = { needs: [], forbids: [], puts: [], takes: [], ...told }
  return new Set(spoiledBy(stroke, states).map(({ state }) => state))
}
