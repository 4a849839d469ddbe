import {
  clampAt,
  FINGER_RATIO,
  peakOnTheWayDown,
  playAtRest,
  solveCircuit,
  WANTED_RESERVE,
  type Circuit,
  type ClampState,
  type Line,
  type Stop,
} from '../circuit'
import type { Run } from '../run'

export interface MasterCandidate {
  bore: number
  stroke?: number
}
export interface SlaveCandidate {
  bore?: number
  /** Of a concentric one. */
  outer?: number
  inner?: number
  stroke?: number
  /** mm by which its rod is longer: stroke gained, room lost. */
  rodExtension?: number
  /** Behind its piston at rest, mm. */
  room?: number
}
export interface SizingLimits {
  /** Room behind the piston where a candidate does not say its own, mm; null where nobody knows. */
  room: number | null
  /** Air that a bleed may leave besides what is there, mm³. */
  air: number
  /** More travel that a new disc needs, mm at the bearing. */
  bedding: number
  /** Facing wear to the end of the disc, mm. */
  wear: number
  fingerRatio: number
  /** mm of pad. */
  wantedReserve: number
  /** N at the pad. */
  mostForce: number
}
/** What is taken where nobody says otherwise; judgement, but for the reserve that every proof wants. */
export const SIZING_LIMITS: SizingLimits = {
  room: null,
  air: 1000,
  bedding: 0.4,
  wear: 1.5,
  fingerRatio: FINGER_RATIO,
  wantedReserve: WANTED_RESERVE,
  mostForce: 250,
}

export interface Reach {
  releases: boolean
  reserve: number
}
export const SIZING_ADVICE = [
  'notReleasing',
  'tooLittleRoom',
  'tooHeavy',
  'tooLow',
  'waitForBedding',
  'fits',
] as const
export type SizingAdvice = (typeof SIZING_ADVICE)[number]

/** A circuit with other parts in it, solved for the bedded and the new disc, with and without more air. */
export interface SizingOption {
  master: MasterCandidate
  slave: SlaveCandidate
  ratio: number
  /** Place among the lines that were given; null where none were. */
  lines: number | null
  releases: boolean
  limitedBy: Stop | null
  reserve: number
  engagement: number | null
  padForcePeak: number
  rodStroke: number
  withAir: Reach
  newDisc: Reach
  newDiscWithAir: Reach
  /** The least reserve of the four; releases only where all four do. */
  worst: Reach
  roomLeft: number | null
  clampWorn: ClampState | null
  /** No other option is better in force, worst reserve and room without being worse in one of them. */
  front: boolean
  advice: SizingAdvice
  reasons: { code: SizingAdvice; words: string }[]
}

export interface SizingChoice {
  master: MasterCandidate
  slave: SlaveCandidate
  ratio: number
  lines: number | null
}

/** The circuit with the parts of a choice in it; what a candidate does not state stays as it is. */
export function withParts(
  circuit: Circuit,
  { master, slave, ratio }: SizingChoice,
  lines: readonly Line[] = circuit.lines,
): Circuit {
  const { rodExtension = 0 } = slave
  const { stroke: ownStroke, springPreload, sealFriction } = circuit.slave
  const kept = {
    ...(springPreload !== undefined && { springPreload }),
    ...(sealFriction !== undefined && { sealFriction }),
    stroke: (slave.stroke ?? ownStroke) + rodExtension,
  }
  return {
    ...circuit,
    pedal: { ...circuit.pedal, ratio },
    master: {
      ...circuit.master,
      bore: master.bore,
      ...(master.stroke !== undefined && { stroke: master.stroke }),
    },
    lines: [...lines],
    slave:
      slave.bore !== undefined
        ? { type: 'external', bore: slave.bore, ...kept }
        : { type: 'concentric', outer: slave.outer!, inner: slave.inner!, ...kept },
  }
}

/** One choice, solved in full. Whether it is on the front is told once all are there. */
export function sizeOne(circuit: Circuit, choice: SizingChoice, limits: SizingLimits): SizingOption {
  const { air, bedding, wear, fingerRatio, wantedReserve, mostForce } = limits
  const reach = (one: Circuit): Reach => {
    const { releases, reserve } = solveCircuit(one)
    return { releases, reserve }
  }
  const solution = solveCircuit(circuit)
  const airy = { ...circuit, air: circuit.air + air }
  const onNewDisc = (one: Circuit): Circuit => ({
    ...one,
    cover: { ...one.cover, releaseTravel: one.cover.releaseTravel + bedding },
  })
  const withAir = reach(airy)
  const newDisc = reach(onNewDisc(circuit))
  const newDiscWithAir = reach(onNewDisc(airy))
  const all = [solution, withAir, newDisc, newDiscWithAir]
  const worst = {
    releases: all.every(({ releases }) => releases),
    reserve: Math.min(...all.map(({ reserve }) => reserve)),
  }
  const own = choice.slave.room ?? limits.room
  const room = own === null ? null : own - (choice.slave.rodExtension ?? 0)
  const { forkRatio } = circuit.linkage
  const roomLeft = room === null ? null : playAtRest(circuit) + room - wear * fingerRatio * forkRatio
  const clampWorn = roomLeft === null ? null : clampAt(circuit, Math.max(0, -roomLeft) / forkRatio)
  const padForcePeak = peakOnTheWayDown(circuit)
  const holds: [SizingAdvice, boolean, string][] = [
    ['notReleasing', !solution.releases, 'The disc does not come free.'],
    [
      'tooLittleRoom',
      (roomLeft !== null && roomLeft < 0) || (clampWorn !== null && clampWorn !== 'full'),
      'The piston has too little room for the facings to wear.',
    ],
    ['tooHeavy', padForcePeak > mostForce, 'The pedal is heavier than was allowed.'],
    ['tooLow', solution.reserve < wantedReserve, 'It takes up too near the floor.'],
    [
      'waitForBedding',
      !newDisc.releases || newDisc.reserve < wantedReserve,
      'On a new disc it takes up too low: fit it once the disc has bedded in.',
    ],
  ]
  const reasons = holds.flatMap(([code, does, words]) => (does ? [{ code, words }] : []))
  return {
    ...choice,
    releases: solution.releases,
    limitedBy: solution.limitedBy,
    reserve: solution.reserve,
    engagement: solution.engagement,
    padForcePeak,
    rodStroke: solution.at.rodStroke,
    withAir,
    newDisc,
    newDiscWithAir,
    worst,
    roomLeft,
    clampWorn,
    front: false,
    advice: reasons[0]?.code ?? 'fits',
    reasons: reasons.length > 0 ? reasons : [{ code: 'fits', words: 'It fits this clutch.' }],
  }
}

/** Better by less is not better. */
const BETTER = 1e-6

/** True where an option can be on the front at all. */
const stands = (
  { worst, roomLeft, clampWorn, padForcePeak }: SizingOption,
  mostForce: number,
): boolean =>
  worst.releases &&
  (roomLeft === null || roomLeft >= 0) &&
  (clampWorn === null || clampWorn === 'full') &&
  padForcePeak <= mostForce

function beats(a: SizingOption, b: SizingOption): boolean {
  const known = a.roomLeft !== null && b.roomLeft !== null
  const gains = [
    b.padForcePeak - a.padForcePeak,
    a.worst.reserve - b.worst.reserve,
    known ? a.roomLeft! - b.roomLeft! : 0,
  ]
  return gains.every((gain) => gain >= 0) && gains.some((gain) => gain > BETTER)
}

/** Marks those that no other beats. */
export function withFront(options: readonly SizingOption[], mostForce: number): SizingOption[] {
  const standing = options.filter((one) => stands(one, mostForce))
  return options.map((one) => ({
    ...one,
    front: stands(one, mostForce) && !standing.some((other) => other !== one && beats(other, one)),
  }))
}

/** Every combination of parts, masters outermost, then slaves, ratios and lines. */
export function choicesOf(
  masters: readonly MasterCandidate[],
  slaves: readonly SlaveCandidate[],
  ratios: readonly number[],
  lines: number,
): SizingChoice[] {
  const places = lines === 0 ? [null] : Array.from({ length: lines }, (_, i) => i)
  return masters.flatMap((master) =>
    slaves.flatMap((slave) =>
      ratios.flatMap((ratio) => places.map((at) => ({ master, slave, ratio, lines: at }))),
    ),
  )
}

export interface Sized {
  present: SizingOption
  options: SizingOption[]
}

/** The present circuit and every choice of parts in it, option by option. */
export function sizeRun(
  circuit: Circuit,
  choices: readonly SizingChoice[],
  lines: readonly (readonly Line[])[],
  limits: SizingLimits,
): Run<Sized> {
  const made: SizingOption[] = []
  return {
    total: choices.length,
    step(count) {
      for (const choice of choices.slice(made.length, made.length + count)) {
        const own = choice.lines === null ? circuit.lines : lines[choice.lines]!
        made.push(sizeOne(withParts(circuit, choice, own), choice, limits))
      }
      return made.length
    },
    result() {
      const present = sizeOne(circuit, presentChoice(circuit), limits)
      const [presentNow] = withFront([present, ...made], limits.mostForce)
      return { present: presentNow!, options: withFront(made, limits.mostForce) }
    },
  }
}

/** The circuit's own parts, as a choice. */
export function presentChoice({ pedal, master, slave }: Circuit): SizingChoice {
  return {
    master: { bore: master.bore, stroke: master.stroke },
    slave:
      slave.type === 'external'
        ? { bore: slave.bore, stroke: slave.stroke }
        : { outer: slave.outer, inner: slave.inner, stroke: slave.stroke },
    ratio: pedal.ratio,
    lines: null,
  }
}
