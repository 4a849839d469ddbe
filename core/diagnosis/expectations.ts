import {
  freeTravel,
  masterArea,
  MEASURING_ERROR,
  propagate,
  solveCircuit,
  TOUCH_FORCE,
  type Circuit,
} from '../circuit'
import { uncertaintyOf, type Installation } from '../installation'
import { affected, changesCircuit, sound, TIMED, together } from './effects'
import type { Effect, Fault, Severity } from './faults'
import { kindsOf, summed } from './kinds'
import { LEAST_RESERVE, LOST_TRAVEL, type LostTravel } from './lost-travel'
import type { Sets } from './network'
import type { Expected } from './posterior'
import { readingKind, type ReadingName } from './readings'
import { showingOf, type Lost, type Showing } from './showing'

/** Readings from which faults are told; pad height only says how much travel there is. */
export const TELLING_READINGS = [
  'freeTravel',
  'takeUpHeight',
  'rodStroke',
  'sink',
  'rodClearance',
  'reservoirDrop',
  'pumpUpGain',
  'heldDrop',
] as const satisfies readonly ReadingName[]
export type TellingReading = (typeof TELLING_READINGS)[number]

/** Judgement, each with its reason; disputed here and nowhere else. */
const GUESSES = {
  /** Share of the free travel that air costs which three quick strokes win back, and how far that varies. */
  pumped: { share: 0.6, spread: 0.25 },
  /** mm; how differently good hands set a rod. */
  rodSet: 0.3,
  /** Share; a reservoir’s surface by eye. */
  area: 0.2,
  /** A pad cannot sink farther than about this share of its travel. */
  sinksAtMost: 0.85,
} as const

/** Span of what could be read at all, mm, where it is not the pad’s travel. */
const SPANS: Partial<Record<TellingReading, number>> = {
  rodClearance: 12,
  reservoirDrop: 100,
  heldDrop: 20,
}

/** Figures of this very vehicle from when its pedal was good, mm. */
export type GoodFigures = Partial<Record<'freeTravel' | 'takeUpHeight' | 'rodStroke', number>>

/** What the tape shows of a circuit, mm; and its reserve, below 0 where it never frees the disc. */
const CHANNELS = ['freeTravel', 'takeUpHeight', 'rodStroke', 'pumpUpGain', 'reserve'] as const
type Channel = (typeof CHANNELS)[number]
const RESERVE = CHANNELS.indexOf('reserve')

function shown(circuit: Circuit): number[] {
  const { engagement, at, reserve } = solveCircuit(circuit)
  const free = freeTravel(circuit)
  const airFree = circuit.air > 0 ? freeTravel({ ...circuit, air: 0 }) : free
  // Where full travel never frees the disc there is nothing to take up.
  const takeUp = engagement === null ? 0 : circuit.pedal.travel - engagement
  return [free, takeUp, at.rodStroke, GUESSES.pumped.share * (free - airFree), reserve]
}

/** What is to be read on this circuit for each way of being severe; made once per circuit. */
export interface Expectations {
  /** Pad travel from up to floor, mm: no reading at the pad exceeds it. */
  readonly travel: number
  /** @param duration of the hold, s, where the reading is taken over one. */
  of(reading: TellingReading, duration?: number): Expected
  /** Span of what could be read at all, mm. */
  span(reading: TellingReading): number
  /** What comes of lost travel, from what is left on this very circuit. */
  showing(what: LostTravel): Showing
}

/**
 * Works out what each way of being severe makes one read. Each fault alone and each pair is solved on the circuit;
 * three together are put together from their pairs (what three change beyond what each two do is left out).
 */
export function expectations(
  installation: Installation,
  sets: Sets,
  faults: readonly Pick<Fault, 'severities' | 'shows'>[],
  background: (what: LostTravel) => number,
  good: GoodFigures = {},
): Expectations {
  const base = sound(installation.circuit)
  const severities = sets.grades.map(
    ({ fault, severity }) => faults[fault]!.severities?.[severity] ?? NO_EFFECT,
  )
  const tables = pairTables(base, sets, severities)
  const own = ownVariance({ ...installation, circuit: base })
  // What it showed when it was good is what it shows with nothing wrong, to within the tape of that day.
  const off = CHANNELS.map((channel, c) => {
    const known = good[channel as keyof GoodFigures]
    if (known === undefined) return 0
    own[c] = readingKind(channel as ReadingName).error[0] ** 2
    return known - tables.start[c]!
  })
  const perFlow = base.pedal.ratio / masterArea(base)
  const cache = new Map<string, Expected>()
  const shows = new Map<LostTravel, Showing>()

  function showing(what: LostTravel): Showing {
    // A row says what else makes it so: a cup that passes, a bearing that drags.
    const own = sets.grades.map(({ fault }) => {
      const row = faults[fault]!.shows.find(([id]) => id === what)
      return row ? -Math.log1p(-row[1]) : 0
    })
    const { held } = LOST_TRAVEL[what]
    const passed = severities.map(({ effect }) => amount('sink', effect) * held * perFlow)
    return showingOf(LOST_TRAVEL[what], sets, tables.lost(own, passed), own, background(what))
  }

  function build(reading: TellingReading, duration: number): Expected {
    const [error] = readingKind(reading).error
    const channel = CHANNELS.indexOf(reading as Channel)
    if (channel >= 0) {
      const extra = reading === 'pumpUpGain' ? GUESSES.pumped.spread / GUESSES.pumped.share : 0
      return tables.shown(channel, error * error + own[channel]!, extra, off[channel])
    }
    const scale =
      reading === 'sink'
        ? duration * perFlow
        : reading === 'reservoirDrop'
          ? duration / 3600 / installation.reservoir.area
          : reading === 'heldDrop'
            ? duration / installation.reservoir.area
            : 1
    const rod = reading === 'rodClearance'
    const parts = severities.map(({ effect }) => amount(reading, effect) * scale)
    const widths = severities.map(({ spread }, i) => (spread * parts[i]!) ** 2)
    const made = summed(
      kindsOf(
        sets,
        parts.map((part, i) => (part === 0 ? null : `${part} ${widths[i]}`)),
      ),
      parts,
      widths,
      rod ? base.master.pushrodClearance : 0,
      error * error + (rod ? GUESSES.rodSet ** 2 : 0),
    )
    const most = reading === 'sink' ? GUESSES.sinksAtMost * base.pedal.travel : Infinity
    const byEye = reading === 'reservoirDrop' || reading === 'heldDrop' ? GUESSES.area : 0
    for (let k = 0; k < made.mean.length; k++) {
      const value = made.mean[k]!
      made.sigma[k] = Math.hypot(made.sigma[k]!, byEye * value)
      made.mean[k] = Math.min(value, most)
    }
    return made
  }

  return {
    travel: base.pedal.travel,
    of(reading, duration = readingKind(reading).over ?? 0) {
      const key = `${reading}${duration}`
      const known = cache.get(key)
      if (known) return known
      const made = build(reading, duration)
      cache.set(key, made)
      return made
    },
    span: (reading) => SPANS[reading] ?? base.pedal.travel,
    showing(what) {
      const known = shows.get(what)
      if (known) return known
      const made = showing(what)
      shows.set(what, made)
      return made
    },
  }
}

/** A fault that is graded for what it shows alone: the circuit is the same with it. */
const NO_EFFECT: Severity = { label: '', weight: 1, effect: {}, spread: 0, reason: '' }

function amount(reading: TellingReading, effect: Effect): number {
  switch (reading) {
    case 'sink':
      return (effect.bypass ?? 0) + (effect.loss ?? 0)
    case 'reservoirDrop':
      return effect.standing ?? 0
    // What passes a cup comes back to the reservoir; only what leaks out is missing.
    case 'heldDrop':
      return effect.loss ?? 0
    default:
      return (effect.clearance ?? 0) + (effect.pinPlay ?? 0)
  }
}

/** Variance of what the tape shows of a sound circuit, from all of it that is not exactly known, mm². */
function ownVariance(installation: Installation): number[] {
  const { circuit } = installation
  const quantities = uncertaintyOf(installation)
  const finger = MEASURING_ERROR.touchForce * TOUCH_FORCE
  const byFinger =
    (freeTravel(circuit, TOUCH_FORCE + finger) - freeTravel(circuit, TOUCH_FORCE - finger)) / 2
  const sigma = (channel: number) => propagate(circuit, quantities, (c) => shown(c)[channel]!).sigma
  return [sigma(0) ** 2 + byFinger ** 2, sigma(1) ** 2, sigma(2) ** 2, 0, 0]
}

/** Changes of each channel by each severity alone, and what two together change beyond their sum. */
function pairTables(base: Circuit, sets: Sets, severities: readonly Severity[]) {
  const n = severities.length
  const start = shown(base)
  const known = new Map<string, number[]>()
  const withAll = (all: readonly Effect[]): number[] => {
    const effect = together(all)
    const key = keyOf(effect)
    const there = known.get(key)
    if (there) return there
    const found = shown(affected(base, effect))
    known.set(key, found)
    return found
  }
  const alone = CHANNELS.map(() => new Float64Array(n))
  const beyond = CHANNELS.map(() => new Float64Array(n * n))
  const matter = severities.map(({ effect }) => changesCircuit(effect))
  const kinds = kindsOf(
    sets,
    severities.map(({ effect, spread }, i) => (matter[i] ? `${keyOf(effect)} ${spread}` : null)),
  )
  severities.forEach(({ effect }, i) => {
    if (!matter[i]) return
    const found = withAll([effect])
    alone.forEach((changes, c) => (changes[i] = found[c]! - start[c]!))
  })
  for (let i = 0; i < n; i++)
    for (let k = i; k < n; k++) {
      if (!matter[i] || !matter[k]) continue
      const found = withAll([severities[i]!.effect, severities[k]!.effect])
      beyond.forEach((more, c) => {
        more[i * n + k] = found[c]! - start[c]! - alone[c]![i]! - alone[c]![k]!
        more[k * n + i] = more[i * n + k]!
      })
    }
  /** What the grades of a kind change together beyond their sum, pair by pair. */
  const beyondSum = (grades: Int32Array, k: number, two: Float64Array): number => {
    const [a, b, c] = [grades[3 * k]!, grades[3 * k + 1]!, grades[3 * k + 2]!]
    if (b < 0) return 0
    return c < 0 ? two[a * n + b]! : two[a * n + b]! + two[a * n + c]! + two[b * n + c]!
  }
  return {
    start,
    /** Mean and spread of a channel; `off` by how much this very vehicle shows more; `extra` widens by a share of the mean itself. */
    shown(channel: number, variance: number, extra: number, off = 0): Expected {
      const one = alone[channel]!
      const two = beyond[channel]!
      const widths = severities.map(({ spread }, i) => (spread * one[i]!) ** 2)
      const made = summed(kinds, one, widths, start[channel]! + off, variance)
      const { mean } = made
      for (let k = 0; k < mean.length; k++) {
        mean[k]! += beyondSum(kinds.grades, k, two)
        if (mean[k]! < 0) mean[k] = 0
        if (extra > 0) made.sigma[k] = Math.hypot(made.sigma[k]!, extra * mean[k]!)
      }
      return made
    },
    /**
     * Travel lost, as a share of the reserve of the sound circuit.
     * @param own what tells grades apart besides.
     * @param passed lost past a cup or out of a leak meanwhile, mm at the pad.
     */
    lost(own: readonly number[], passed: readonly number[]): Lost {
      const one = alone[RESERVE]!
      const two = beyond[RESERVE]!
      const whole = Math.max(LEAST_RESERVE, start[RESERVE]!)
      const kinds = kindsOf(
        sets,
        severities.map(({ effect, spread }, i) =>
          matter[i] || own[i] || passed[i] ? `${keyOf(effect)} ${spread} ${own[i]} ${passed[i]}` : null,
        ),
      )
      const changes = one.map((change, i) => change - passed[i]!)
      const widths = severities.map(({ spread }, i) => (spread * changes[i]!) ** 2)
      const { mean, sigma } = summed(kinds, changes, widths, 0, 0)
      for (let k = 0; k < mean.length; k++) {
        mean[k]! += beyondSum(kinds.grades, k, two)
        mean[k]! /= -whole
        sigma[k]! /= whole
      }
      return { kinds, share: mean, spread: sigma, alone: changes.map((change) => -change / whole) }
    },
  }
}

const keyOf = (effect: Effect): string =>
  Object.entries(effect)
    .filter(([name]) => !TIMED.has(name))
    .map(([name, value]) => `${name}${value}`)
    .sort()
    .join()
