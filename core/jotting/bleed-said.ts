import { METHOD_ROWS, METHODS, TRICK_ROWS, TRICKS, type Method } from '../bleed/methods'
import type { BleedPhase, CameOut, PedalSays } from '../entries'
import { stored } from '../quantity'
import { coachSaid, signsSaid } from './coach-said'
import type { LineContext, Statement } from './statement'

/** What is said while it is bled: cycles by their method, tricks, and what whoever sits at the pedal calls over. */

const NUMBER = String.raw`(\d+(?:[.,]\d+)?)`
const figure = (text: string): number => Number(text.replace(',', '.'))
const one = (way: string) => new RegExp(`^(?:${way})$`, 'i')

const PEDAL = '(?:the )?(?:pedal|pad)(?: is| goes| went| feels| stays| says)?(?: getting)?'
const SAYS: readonly (readonly [PedalSays, RegExp])[] = [
  ['firmer', one(`(?:${PEDAL} )?firmer(?: now)?`)],
  ['toFloor', one(`(?:${PEDAL} )?(?:straight |right )?to the floor`)],
  ['stuck', one(`${PEDAL} (?:stuck(?: down)?|stays down|down)`)],
  ['easy', one(`(?:${PEDAL} )?(?:easy|no resistance)`)],
]
const CALLED = one(`(?:${PEDAL}|called over|called):? ${NUMBER} ?(mm|in)?(?: mm)? free`)
function pedalSaid(line: string, { phase, units }: LineContext): Statement | null {
  // At the first look the same words are a complaint.
  if (phase === 'working')
    for (const [says, way] of SAYS) if (way.test(line)) return { kind: 'pedalSays', payload: { says } }
  const called = CALLED.exec(line)
  if (!called) return null
  const value = figure(called[1]!)
  const inch = called[2] === 'in' || (called[2] === undefined && units === 'inch')
  return {
    kind: 'pedalSays',
    payload: { says: 'free', mm: inch ? stored(value, 'mm', 'inch') : value },
  }
}

const TRICK_WAYS = TRICKS.map((id) => ({ id, ...TRICK_ROWS[id].said })).map(({ way, ...row }) => ({
  ...row,
  way: one(way),
}))
function trickSaid(line: string): Statement | null {
  for (const { id: trick, way, figure: kind } of TRICK_WAYS) {
    const found = way.exec(line)
    if (!found) continue
    const [number, unit] = found.slice(1).filter((part) => part !== undefined)
    const value = number === undefined ? null : figure(number)
    return {
      kind: 'trick',
      payload: {
        trick,
        ...(kind === 'degrees' && value !== null && { degrees: value }),
        ...(kind === 'duration' &&
          value !== null && { minutes: unit?.startsWith('h') ? 60 * value : value }),
      },
    }
  }
  return null
}

/** Where one is the beginning of another, the one that takes more of the line. */
const METHOD_WAYS = METHODS.flatMap((id) => {
  const { said } = METHOD_ROWS[id]
  return said === null ? [] : [{ id, way: said }]
})
const CAME: readonly (readonly [CameOut | 'notSeen', string])[] = [
  ['nothing', 'nothing(?: came)?'],
  ['foam', 'foam'],
  ['large', 'large(?: bubbles)?|big bubbles'],
  ['few', 'few(?: bubbles)?|a few'],
  ['clear', 'clear'],
  ['notSeen', 'not seen|did(?: not|n.t) look|nobody looked'],
]
const STEP = /^(fill|flush|finish)\s*[:,]\s*/i
const SEP = String.raw`\s*[,:;]?\s*`

/** A cycle in its parts: phase, method, strokes or time, what came out, what is in the bottle. */
function cycleSaid(line: string, { units }: LineContext): Statement | null {
  const { rest: cycle, signs } = signsSaid(line)
  let rest = cycle
  const step = STEP.exec(rest)
  if (step) rest = rest.slice(step[0].length)
  let strokes: number | undefined
  let seconds: number | undefined
  let method: Method | undefined
  const atFront = (way: string) => new RegExp(`^(?:${way})(?=$|[\\s,:;])${SEP}`, 'i').exec(rest)
  /** Takes a part off the front, where it stands there. */
  const take = (way: string): RegExpExecArray | null => {
    const found = atFront(way)
    if (found) rest = rest.slice(found[0].length)
    return found
  }
  const takeCount = () => {
    const count = take(`(\\d{1,3}) ?(?:strokes?|pumps?|x)`)
    if (count) strokes = Number(count[1])
  }
  const before = /^(\d{1,3}) (?=slave strokes)/i.exec(rest)
  if (before) {
    strokes = Number(before[1])
    rest = rest.slice(before[0].length)
  }
  takeCount()
  const ways = METHOD_WAYS.map(({ id, way }) => ({ id, found: atFront(way) }))
  const longest = ways.reduce<(typeof ways)[number] | null>(
    (most, one) => ((one.found?.[0].length ?? 0) > (most?.found?.[0].length ?? 0) ? one : most),
    null,
  )
  if (longest?.found) {
    method = longest.id
    rest = rest.slice(longest.found[0].length)
  }
  takeCount()
  const time = take(`(?:for )?${NUMBER} ?(s|sec(?:onds)?|min(?:utes)?)`)
  if (time) seconds = figure(time[1]!) * (time[2]!.toLowerCase().startsWith('s') ? 1 : 60)
  const came = CAME.find(([, way]) => take(`(?:${way})`))?.[0]
  const bottle = take(`${NUMBER} ?(ml|fl oz)?(?: in the bottle)?`)
  if (rest !== '' || !came) return null
  // Strokes and what came out, with nothing else, are understood as they always were.
  if (!method && !step && came !== 'notSeen' && signs.length === 0) return null
  if (!method && strokes === undefined) return null
  const inch = bottle && (bottle[2] === 'fl oz' || (bottle[2] === undefined && units === 'inch'))
  return {
    kind: 'bleedCycle',
    payload: {
      ...(method && { method }),
      ...(strokes !== undefined && { strokes }),
      cameOut: came,
      ...(bottle && {
        bottle: inch ? stored(figure(bottle[1]!), 'mm³', 'inch') : 1000 * figure(bottle[1]!),
      }),
      ...(seconds !== undefined && { seconds }),
      ...(step && { phase: step[1]!.toLowerCase() as BleedPhase }),
      ...(signs.length > 0 && { signs }),
    },
  }
}

export const bleedSaid = (line: string, context: LineContext): Statement | null =>
  pedalSaid(line, context) ?? trickSaid(line) ?? coachSaid(line, context) ?? cycleSaid(line, context)
