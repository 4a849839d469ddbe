import type { KitItem } from '../entries'
import type { Format } from '../quantity'
import { KIT_WORDS } from '../words'
import { carryOf, type Carry } from './answer'
import { usualConstants } from './constants'
import type { RuledOut } from './sequences'
import { needsOf, RUNS, type BleedRun } from './methods'
import { askedOf, type RankAsked, type RankedEntry, type Target } from './rank'

/** Degrees off the top from which a bleed screw keeps a pocket worth a word. */
const OFF_TOP = 10
/** Carry numbers under this take more strokes than anybody makes. */
const BARELY = 1.5
/** Degrees of nose from which it counts. */
const NOSED = 2
/** ml/min past a screw's threads from which bubbles never stop. */
const LOOSE = 60

/** Methods one after the other, as one would say them. */
export function sequenceWords({ steps, atUnion }: Pick<RankedEntry, 'steps' | 'atUnion'>): string {
  const words = steps.map(({ method }, i) => (i === 0 ? RUNS[method].words : small(RUNS[method].words)))
  return `${atUnion ? 'At a cracked union: ' : ''}${words.join(', then ')}`
}
const small = (words: string) => words.charAt(0).toLowerCase() + words.slice(1)

/** Why a sequence is out, and what would let it in. */
export function ruledOutWords(
  out: RuledOut,
  steps: readonly BleedRun[],
  kit: readonly KitItem[],
): string {
  switch (out) {
    case 'noBleedScrew':
      return 'There is no bleed screw to do it at.'
    case 'shared':
      return 'The brakes share this reservoir: not under pressure or vacuum, unless somebody who answers for the brakes says so.'
    case 'noHelper':
      return 'It takes a second person at the pedal.'
    case 'noTool': {
      const missing = [...new Set(steps.flatMap((one) => needsOf(one).tools))].filter(
        (one) => !kit.includes(one),
      )
      return missing.length > 0
        ? `Not at hand: ${missing.map((one) => small(KIT_WORDS[one])).join(', ')}.`
        : 'For circuits that have no bleed screw.'
    }
  }
}

/** Where a method cannot carry the air down, in words: the hardest stretch. */
export function carryWords(list: readonly Carry[], format: Format): string | null {
  // A method that sends nothing through carries nothing.
  const hard = list.filter(({ k }) => k > 0 && k < BARELY).sort((a, b) => a.k - b.k)[0]
  if (!hard) return null
  const at = `from ${format.length(hard.from)} to ${format.length(hard.to)} along the line`
  const number = `(carry number ${hard.k.toFixed(2)}: it has to be well over 1)`
  return hard.k < 1
    ? `${at} air rises faster than this carries it down ${number}`
    : `${at} air rises nearly as fast as this carries it down ${number}`
}

/** What it cannot reach, and what would. */
function unreached(entry: RankedEntry, asked: RankAsked, format: Format): string[] {
  const { residual, cannotReach, steps } = entry
  const { laid, noseUp } = asked
  const runs = steps.map(({ method }) => method)
  const about = (place: 'line' | 'slave' | 'master') => format.volume(1000 * residual[place].middle)
  return cannotReach.map((place) => {
    switch (place) {
      case 'line': {
        const first = { ...askedOf(asked, { ...usualConstants(), ...asked.set }), method: runs[0]! }
        const carry = carryWords(carryOf(first), format)
        return `${about('line')} stays in the line${carry ? `: ${carry}` : ''}. A faster flow, a line that falls or a narrower bore reaches it.`
      }
      case 'slave': {
        const off = laid.slave.bleeder?.off ?? null
        return off !== null && off > OFF_TOP
          ? `${about('slave')} stays in the slave over its bleed screw, which sits ${off.toFixed(0)}° off the top. Turn the slave, or bottom it.`
          : `${about('slave')} stays in the slave. Turn it, raise its end, or bottom it.`
      }
      case 'master':
        return runs.includes('shortStrokes') && noseUp > NOSED
          ? `${about('master')} stays in the master: with the nose up its short strokes bring out less. Level the vehicle first.`
          : runs.includes('shortStrokes')
            ? `${about('master')} stays in the master in spite of the short strokes: its port is not at its highest place. Tilt it, or bench-bleed it.`
            : `${about('master')} stays in the master, over its outlet. Ten short strokes with the cap off reach it.`
    }
  })
}

const span = ({ low, high }: { low: number; high: number }, unit: string): string => {
  const [a, b] = [low.toFixed(0), high.toFixed(0)]
  return `${a === b ? a : `${a} to ${b}`} ${unit}`
}
const counted = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`

/** What a ranked sequence comes to, in sentences. */
export function entryWords(
  entry: RankedEntry,
  asked: RankAsked,
  format: Format,
  target: Target = asked.target,
): string {
  const runs = entry.steps.map(({ method }) => method)
  if (entry.ruledOut) return ruledOutWords(entry.ruledOut, runs, asked.kit)
  const { chance, minutes, residual, lineClearAt, topUps, cannotReach } = entry
  const aim = format.volume(1000 * target.value)
  const words: string[] = []
  if (chance >= 0.5) {
    words.push(
      `Down to ${aim} in ${Math.round(10 * chance)} of 10 such circuits, ${span(minutes, 'min')} with setting up.`,
    )
  } else {
    words.push(
      `Mostly does not get down to ${aim}: ${format.volume(1000 * residual.total.middle)} stays.`,
    )
  }
  if (chance < 0.5 && cannotReach.length === 0)
    words.push('What stays hides behind cups and in threads: finer than can be told.')
  if (lineClearAt !== null && !cannotReach.includes('line'))
    words.push(`The line is clear at cycle ${lineClearAt}.`)
  if (topUps.middle > 0) words.push(`${counted(topUps.middle, 'top-up', 'top-ups')}.`)
  words.push(...unreached(entry, asked, format))
  if (asked.noseUp > NOSED && runs.includes('shortStrokes') && !cannotReach.includes('master'))
    words.push('Level the vehicle before the short strokes: with its nose up they leave more behind.')
  if (runs.some((one) => RUNS[one].falseAir)) words.push(...screwWords(asked.set.falseAir))
  return words.join(' ')
}

/** What comes past the threads of a bleed screw under vacuum. @param falseAir ml/min, undefined where nobody said */
export function screwWords(falseAir: number | undefined): string[] {
  if (falseAir === 0) return []
  return (falseAir ?? 0) > LOOSE
    ? [
        'Bubbles never stop: they come past the screw’s loose thread, not out of the circuit. Tape the thread, never the seat, or shut the screw and look.',
      ]
    : ['Some of the bubbles are the screw’s: they come past its thread.']
}

/** Nothing that is bled out can give the reserve: said once, over the list. */
export const targetWords = ({ value, from, reachable }: Target, format: Format): string => {
  if (!reachable)
    return 'Even with no air left this circuit has less than the wanted reserve: bleeding cannot give it. Look for play, swell or a bore that does not fit.'
  const aim = format.volume(1000 * value)
  if (from === 'given') return `Wanted: no more than ${aim} of air left.`
  return from === 'reserve'
    ? `No more than ${aim} of air may stay for this circuit to keep its reserve.`
    : `No more than ${aim} of air may stay: finer than that nobody can tell.`
}
