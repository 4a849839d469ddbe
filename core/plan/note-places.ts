import type { Step } from './step'

/** Parts that a note about a model may be of, and how a step names them. */
const NAMED: readonly (readonly [place: string, way: RegExp])[] = [
  ['reservoir', /\breservoir|\bcap off|\bfeed\b/i],
  ['bleed screw', /\bbleed/i],
  ['slave', /\bslave/i],
  ['master', /\bmaster/i],
  ['fork', /\bfork/i],
  ['switch', /\bswitch/i],
  ['pedal', /\bpedal/i],
  ['line', /\bline\b|\bhose|\bpipe|\bunion/i],
]
/** Places whose notes belong beside a step, by what it is called and what is done; the vehicle's where it names none. */
export function notePlaces({ title, does }: Pick<Step, 'title' | 'does'>): string[] {
  const places = NAMED.filter(([, way]) => way.test(title) || way.test(does)).map(([place]) => place)
  return places.length > 0 ? places : ['vehicle']
}
