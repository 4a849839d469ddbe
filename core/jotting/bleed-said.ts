import type { BleedPhase, CameOut, Method, PedalSays, Trick } from '../entries'
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

const DEGREES = `(?: by)?(?: ${NUMBER} ?(?:°|deg(?:rees?)?)?)?`
const TRICKS: readonly (readonly [Trick, RegExp])[] = [
  [
    'shortStrokes',
    one('(?:(?:ten|10|twenty|20) )?short strokes(?: at the master)?(?:,? (?:with the )?cap off)?'),
  ],
  [
    'tap',
    one('(?:line|pipe) tapped|tapped (?:along |down )?(?:the )?(?:line|pipe)(?: along its way)?'),
  ],
  ['noseUp', one(`nose up${DEGREES}|front (?:lifted|up)${DEGREES}`)],
  ['noseDown', one(`nose down${DEGREES}|(?:back|rear) (?:lifted|up)${DEGREES}`)],
  [
    'turned',
    one('turned the slave|slave turned(?:,? (?:with )?(?:bleed )?screw (?:on top|uppermost|up))?'),
  ],
  [
    'bottomed',
    one(
      'bottomed the slave|slave bottomed|slave pushed home(?:,? (?:with )?(?:the )?(?:bleed )?screw open)?',
    ),
  ],
  [
    'wedged',
    one(`(?:pedal )?wedged(?: down)?(?: overnight)?(?: for ${NUMBER} ?(h|hours?|min(?:utes)?))?`),
  ],
]
function trickSaid(line: string): Statement | null {
  for (const [trick, way] of TRICKS) {
    const found = way.exec(line)
    if (!found) continue
    const [number, unit] = found.slice(1).filter((part) => part !== undefined)
    const value = number === undefined ? null : figure(number)
    const isNose = trick === 'noseUp' || trick === 'noseDown'
    return {
      kind: 'trick',
      payload: {
        trick,
        ...(isNose && value !== null && { degrees: value }),
        ...(trick === 'wedged' &&
          value !== null && { minutes: unit?.startsWith('h') ? 60 * value : value }),
      },
    }
  }
  return null
}

const METHOD_WAYS: readonly (readonly [Method, string])[] = [
  ['reservoirVacuum', 'vacuum at the (?:reservoir|cap)|reservoir vacuum'],
  ['vacuum', 'vacuum(?: at the (?:bleeder|screw))?'],
  ['pressure', 'pressure(?: at the (?:reservoir|cap))?'],
  ['gravity', 'gravity'],
  ['inject', 'injected|from the bleeder up|reverse'],
  ['slaveStrokes', 'slave strokes(?: in place)?'],
  ['crackedUnion', '(?:at (?:the|a) )?cracked union'],
  ['benchLoop', 'bench loop|on the bench, looped'],
  ['pumpHold', 'pump(?:ed)? and h(?:old|eld)'],
  ['prop', 'pedal propped'],
  ['submerged', 'hose under(?: fluid)?'],
  ['checkValve', 'check[- ]valve(?: hose)?'],
]
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
  /** Takes a part off the front, where it stands there. */
  const take = (way: string): RegExpExecArray | null => {
    const found = new RegExp(`^${way}(?=$|[\\s,:;])${SEP}`, 'i').exec(rest)
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
  for (const [id, way] of METHOD_WAYS) if (!method && take(`(?:${way})`)) method = id
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
