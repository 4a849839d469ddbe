import type { ProofStage } from '../circuit'
import type { BleedSign } from '../entries'
import { stored } from '../quantity'
import type { LineContext, Statement } from './statement'

/** What is said around a coached bleed: the proof in stages, priming, used fluid, what went wrong beside a cycle. */

const NUMBER = String.raw`(\d+(?:[.,]\d+)?)`
const figure = (text: string): number => Number(text.replace(',', '.'))
const one = (way: string) => new RegExp(`^(?:${way})$`, 'i')

const STAGES: readonly (readonly [ProofStage, string])[] = [
  ['masterAndLine', 'master (?:with|and)(?: its| the)? line|(?:the )?line plugged(?: at the slave)?'],
  ['whole', '(?:the )?whole circuit|with the slave'],
  ['master', 'master alone|master plugged|outlet plugged'],
]
const MM = `${NUMBER} ?(mm|in)?(?: free)?`
function stageSaid(line: string, { units }: LineContext): Statement | null {
  for (const [stage, way] of STAGES) {
    const found = one(`(?:proof:? )?(?:${way})(?:,? plugged)?[,:]? ${MM}`).exec(line)
    if (!found) continue
    const [, number, unit] = found
    // Two bare words and a number are no reading: a unit or “free” says what it is.
    if (unit === undefined && !/free$/i.test(line)) return null
    const inch = unit === 'in' || (unit === undefined && units === 'inch')
    const travel = inch ? stored(figure(number!), 'mm', 'inch') : figure(number!)
    return { kind: 'stageProof', payload: { stage, travel } }
  }
  return null
}

const PLACE = '(?:licensed )?(?:collection|disposal|waste)'
const VOLUME = `${NUMBER} ?(ml|l|fl oz)`
const DISPOSED = [
  one(`${VOLUME}(?: of)?(?: used fluid)? to ${PLACE}`),
  one(`used fluid to ${PLACE}[,:]? ${VOLUME}`),
  one(`disposed of ${VOLUME}(?: of used fluid)?`),
]
function disposedSaid(line: string): Statement | null {
  const found = DISPOSED.map((way) => way.exec(line)).find((hit) => hit !== null)
  if (!found) return null
  const [, number, unit] = found
  const value = figure(number!)
  const volume =
    unit === 'fl oz' ? stored(value, 'mm³', 'inch') : value * (unit === 'l' ? 1_000_000 : 1000)
  return { kind: 'fluidDisposed', payload: { volume } }
}

const SIGNS: readonly (readonly [BleedSign, string])[] = [
  ['hoseOff', '(?:the )?hose (?:came |blew |blown )?off'],
  ['threadWet', '(?:the )?(?:screw.s )?thread(?: is)? wet|wet thread'],
  ['bubblesHeard', '(?:heard bubbles|bubbles heard)'],
]
/** What went wrong, off the end of what is said of a cycle. */
export function signsSaid(line: string): { rest: string; signs: BleedSign[] } {
  const signs: BleedSign[] = []
  let rest = line
  for (let found = true; found;) {
    found = false
    for (const [sign, way] of SIGNS) {
      const hit = new RegExp(`[,;] ?(?:${way})$`, 'i').exec(rest)
      if (!hit) continue
      rest = rest.slice(0, hit.index)
      signs.unshift(sign)
      found = true
    }
  }
  return { rest, signs }
}

export function coachSaid(line: string, context: LineContext): Statement | null {
  return stageSaid(line, context) ?? disposedSaid(line)
}
