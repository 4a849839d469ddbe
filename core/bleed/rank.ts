import { USUAL_MASTER, usualAsked, type BleedAsked, type BleedStart } from './asked'
import { BLEED_CONSTANTS, usualConstants, type ConstantName, type Constants } from './constants'
import { tellsOn } from './sensitivities'
import { drawnConstants, type Learned } from './draw-constants'
import type { LaidCircuit } from './laid'
import { evenDraws } from '../chance'
import type { KitItem } from '../entries'
import { ruledOut, sequencesFor, type RuledOut, type Sequence } from './sequences'
import { cycleOf, needsOf, RUNS, type BleedRun } from './methods'
import { Bleed } from './run'
import { sharedOut } from './share-out'
import type { Run } from '../run'

/** Cells of a line while methods are ranked: coarser than a single run, and nearly twice as quick. */
const CELLS = 60
/** Cycles after which a method has given what it can. */
const MOST_CYCLES = 40
/** ml; less in the line is none that a foot would notice. */
const LINE_CLEAR = 0.05
/** ml that hide behind cups and in threads whatever is done, at the most. */
const HIDDEN = 0.1
/** A method stands once so many cycles bring less than this share of what is left. */
const STANDS_FOR = 4
const STANDS = 0.01
/** ml; less than this out of the hose is nothing. */
const ANYTHING = 0.1
const TOP_UP_MINUTES = 1
/** Minutes to wipe up and rinse a spilt ml of a fluid that eats paint. */
const SPILL_MINUTES = 0.3
/** Minutes more to clean round a union, and to see that it holds again. */
const UNION_MINUTES = 4

export interface Target {
  /** ml of free air. */
  value: number
  from: 'given' | 'reserve' | 'floor'
  /** False where even no air would leave the reserve: bleeding cannot give it. */
  reachable: boolean
}
export interface RankAsked {
  laid: LaidCircuit
  start: BleedStart
  /** Air that a reading showed: where it sits is drawn anew each time. */
  shareOut?: boolean
  target: Target
  people: number
  kit: readonly KitItem[]
  /** Only these; all of them where left out. */
  methods?: readonly BleedRun[]
  /** Constants that somebody set or read off. */
  set: Partial<Constants>
  sharedOverride?: string
  /** What this shop's own bleeds say of the constants. */
  learned?: Learned
  noseUp: number
  draws: number
  seed: number
}

/** How one sequence went with one set of constants; volumes ml, minutes with set-up. */
export interface Outcome {
  reached: boolean
  cycles: number[]
  minutes: number
  fluid: number
  spill: number
  topUps: number
  line: number
  slave: number
  master: number
  total: number
  firstFluidAt: number | null
  lineClearAt: number | null
}

/** The circuit of a rank as a run takes it. */
export const askedOf = (
  { laid, start, noseUp }: Pick<RankAsked, 'laid' | 'start' | 'noseUp'>,
  constants: Constants,
  cells = CELLS,
): BleedAsked => ({
  ...usualAsked(laid.line),
  ...(laid.bleedLine && { bleedLine: laid.bleedLine }),
  master: laid.master ?? USUAL_MASTER,
  slave: laid.slave,
  start,
  noseUp,
  constants,
  cells,
})

/** Goes through a sequence until the target is reached or the last of its methods stands. */
export function tryOut(
  steps: readonly BleedRun[],
  asked: RankAsked,
  constants: Constants,
  atUnion = false,
): Outcome {
  const hung = steps.find((one) => RUNS[one].hung)
  const method = hung ?? steps[0]!
  const bleed = new Bleed({ ...askedOf(asked, constants), method, atUnion })
  const { setting, machine } = bleed
  const cycles: number[] = []
  let n = 0
  let reached = false
  let firstFluidAt: number | null = null
  let lineClearAt: number | null = null
  const inLine = () => machine.gasIn(machine.line) + machine.gasIn(machine.far)
  steps.forEach((method, i) => {
    let done = 0
    let still = 0
    let before = machine.total
    const last = i === steps.length - 1
    const started = asked.start === 'dry' ? 1 : 0
    while (done < MOST_CYCLES && !reached) {
      cycleOf(method, setting)
      done += 1
      n += 1
      if (firstFluidAt === null && machine.count.liquidOut > ANYTHING) firstFluidAt = n
      if (lineClearAt === null && inLine() < LINE_CLEAR) lineClearAt = n
      const total = machine.total
      // A circuit that is being filled is full once fluid comes.
      reached = total <= asked.target.value && (asked.start !== 'dry' || firstFluidAt !== null)
      still = before - total < STANDS * before ? still + 1 : 0
      before = total
      // A line that is on its way over a crest stands for a while: it is given time.
      if (still >= (lineClearAt === null ? 4 * STANDS_FOR : STANDS_FOR)) break
      // What comes next is for what this one cannot reach.
      if (!last && lineClearAt !== null && done >= 1 + started) break
    }
    cycles.push(done)
  })
  const told = bleed.told()
  const setup = steps.reduce((sum, method) => sum + needsOf(method).setup, 0)
  // From a union it runs down the cylinder.
  const spill = atUnion ? told.liquidOut : steps.reduce((sum, one) => sum + needsOf(one).spill, 0)
  return {
    reached,
    cycles,
    minutes:
      setup +
      (atUnion ? UNION_MINUTES : 0) +
      told.time / 60 +
      TOP_UP_MINUTES * told.topUps +
      SPILL_MINUTES * spill,
    fluid: Math.max(told.injected, told.drawn - told.returned),
    spill,
    topUps: told.topUps,
    line: told.line + told.bleedLine,
    slave: told.slave,
    master: told.master,
    total: told.total,
    firstFluidAt,
    lineClearAt,
  }
}

export interface Ranged {
  low: number
  middle: number
  high: number
}
export interface RankedEntry {
  steps: { method: BleedRun; cycles: number }[]
  /** At a cracked union: a circuit without a bleed screw. */
  atUnion?: true
  ruledOut: RuledOut | null
  /** Share of draws in which the target was reached. */
  chance: number
  cycles: Ranged
  minutes: Ranged
  /** ml. */
  fluid: Ranged
  /** ml. */
  spill: Ranged
  topUps: Ranged
  residual: Record<'line' | 'slave' | 'master' | 'total', Ranged>
  firstFluidAt: number | null
  lineClearAt: number | null
  cannotReach: ('line' | 'slave' | 'master')[]
  restsOn: ConstantName[]
}

const NONE: Ranged = { low: 0, middle: 0, high: 0 }
function ranged(values: readonly number[]): Ranged {
  const sorted = [...values].sort((a, b) => a - b)
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!
  return sorted.length === 0 ? NONE : { low: at(0.1), middle: at(0.5), high: at(0.9) }
}
const middleOf = (values: readonly (number | null)[]): number | null => {
  const known = values.filter((one) => one !== null)
  return known.length * 2 > values.length ? ranged(known).middle : null
}

function entryOf(
  { steps, atUnion }: Sequence,
  outcomes: readonly Outcome[],
  target: Target,
): RankedEntry {
  const of = (pick: (one: Outcome) => number) => ranged(outcomes.map(pick))
  const failed = outcomes.filter(({ reached }) => !reached)
  // A place that keeps a good part of the target by itself, mostly, cannot be reached so. What hides behind cups is no place.
  const keeps = (place: 'line' | 'slave' | 'master') =>
    failed.length * 2 > outcomes.length &&
    ranged(failed.map((one) => one[place])).middle >
      Math.max(place === 'line' ? LINE_CLEAR * 1.01 : HIDDEN, 0.5 * target.value)
  return {
    steps: steps.map((method, i) => ({ method, cycles: of(({ cycles }) => cycles[i] ?? 0).middle })),
    ...(atUnion && { atUnion }),
    ruledOut: null,
    chance: outcomes.length > 0 ? 1 - failed.length / outcomes.length : 0,
    cycles: of(({ cycles }) => cycles.reduce((a, b) => a + b, 0)),
    minutes: of(({ minutes }) => minutes),
    fluid: of(({ fluid }) => fluid),
    spill: of(({ spill }) => spill),
    topUps: of(({ topUps }) => topUps),
    residual: {
      line: of(({ line }) => line),
      slave: of(({ slave }) => slave),
      master: of(({ master }) => master),
      total: of(({ total }) => total),
    },
    firstFluidAt: middleOf(outcomes.map(({ firstFluidAt }) => firstFluidAt)),
    lineClearAt: middleOf(outcomes.map(({ lineClearAt }) => lineClearAt)),
    cannotReach: (['line', 'slave', 'master'] as const).filter(keeps),
    restsOn: [],
  }
}

/** Those that mostly reach the target first, the quicker before the slower; then by what is left; what cannot be done at the end. */
function compared(a: RankedEntry, b: RankedEntry): number {
  const group = ({ ruledOut: out, chance }: RankedEntry) => (out ? 2 : chance >= 0.5 ? 0 : 1)
  return (
    group(a) - group(b) ||
    (group(a) === 0
      ? a.minutes.middle - b.minutes.middle
      : a.residual.total.middle - b.residual.total.middle)
  )
}

const isIncluded = (steps: readonly BleedRun[], methods?: readonly BleedRun[]): boolean =>
  !methods || steps.every((one) => methods.includes(one))

/** Where the air sits at the start of each draw. */
export function startsOf(
  { start, shareOut, seed }: Pick<RankAsked, 'start' | 'shareOut' | 'seed'>,
  draws: number,
): BleedStart[] {
  const shares = evenDraws(seed + 1)
  return Array.from({ length: draws }, () => (shareOut ? sharedOut(start, shares) : start))
}
/** Ranks in slices: one piece is one sequence with one set of constants; what is known so far can be looked at in between. */
export function rankRun(asked: RankAsked): Run<RankedEntry[]> {
  const { laid, people, kit, set, draws, seed, methods, target } = asked
  const screw = laid.slave.bleeder !== null
  const overridden = asked.sharedOverride !== undefined
  const sequences = sequencesFor(screw, methods)
    .filter(({ steps }) => isIncluded(steps, methods))
    .map((sequence) => ({
      sequence,
      out: ruledOut(sequence, { screw, shared: laid.shared, overridden, people, kit }),
      outcomes: [] as Outcome[],
    }))
  const open = sequences.filter(({ out }) => out === null)
  const constants = drawnConstants(set, draws, seed, asked.learned)
  const starts = startsOf(asked, draws)
  let done = 0
  return {
    total: open.length * draws,
    tellsFrom: open.length,
    step(count) {
      // All sequences with one draw, then all with the next: a first order is there soon.
      for (const end = Math.min(this.total, done + count); done < end; done++) {
        const one = open[done % open.length]!
        const k = Math.floor(done / open.length)
        const { steps, atUnion } = one.sequence
        one.outcomes.push(tryOut(steps, { ...asked, start: starts[k]! }, constants[k]!, atUnion))
      }
      return done
    },
    result: () => {
      const entries = sequences.map(({ sequence, out, outcomes }) => ({
        ...entryOf(sequence, outcomes, target),
        ruledOut: out,
      }))
      for (const one of entries) if (one.ruledOut === null && done >= open.length) needed(one)
      const seen = new Set<string>()
      return entries.sort(compared).filter((one) => {
        const key = [one.atUnion, ...one.steps.map(({ method }) => method)].join()
        return one.ruledOut !== null || (!seen.has(key) && !!seen.add(key))
      })
    },
  }
}
/** What a sequence mostly does without at its end is no part of it. */
function needed(one: RankedEntry): void {
  while (one.steps.length > 1 && one.steps.at(-1)!.cycles === 0) one.steps.pop()
}

/** A change of minutes by more than this, or of whether it gets there, hangs on a constant. */
const MUCH = 1.5
/** Constants on which an entry's place hangs: rerun with each that bears on it at both ends of its range, the others usual. */
export function restsOn(steps: readonly BleedRun[], asked: RankAsked, atUnion = false): ConstantName[] {
  const usual = { ...usualConstants(), ...asked.set }
  return BLEED_CONSTANTS.flatMap(({ name, low, high }) => {
    const known = name as ConstantName
    if (low === undefined || high === undefined || asked.set[known] !== undefined) return []
    if (!tellsOn(known, steps)) return []
    const [a, b] = [low, high].map((value) =>
      tryOut(steps, asked, { ...usual, [known]: value }, atUnion),
    )
    const far = Math.max(a!.minutes, b!.minutes) > MUCH * Math.min(a!.minutes, b!.minutes)
    return a!.reached !== b!.reached || far ? [known] : []
  })
}
