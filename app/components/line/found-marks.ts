import {
  faultKind,
  NOISE_PLACES,
  type FaultId,
  type FaultPlace,
  type FindingId,
  type SuspectTold,
} from '~~/core/diagnosis'
import type { Found } from '~~/core/journal'
import type { LineDrawing, Point } from './line-geometry'

/** A part of the circuit as it is told from afar. */
export type Place = 'reservoir' | 'master' | 'line' | 'slave' | 'bleeder'

/** Wet places that are shown on the line: at which part, and how they are said. */
export const WET_PLACES: readonly [id: FindingId, part: Place, words: string][] = [
  ['rodEndDamp', 'master', 'damp at the rod end'],
  ['carpetWet', 'master', 'carpet wet'],
  ['outletDamp', 'master', 'outlet damp'],
  ['bootWet', 'slave', 'boot wet'],
  ['bellHoleWet', 'slave', 'drips from the housing'],
  ['reservoirDamp', 'reservoir', 'damp at the reservoir'],
  ['slaveUnionDamp', 'slave', 'union damp'],
  ['bleederDamp', 'bleeder', 'bleed screw damp'],
  ['hoseDamp', 'line', 'hose damp'],
  ['hoseSwells', 'line', 'hose swells'],
  ['unionsWet', 'line', 'a union is damp'],
]

/** Where a leak that was found is drawn, and how it is said. */
export function leakMarks(
  drawing: LineDrawing,
  found?: Found,
): ({ id: FindingId; words: string } & Point)[] {
  const { master, slave, lines, unions } = drawing
  const hose = lines.find((line) => line.kind !== 'steel')
  const atHose = hose ? { x: hose.middle.x, y: hose.middle.y + 16 } : slave
  const drawn: Partial<Record<FindingId, Point>> = {
    rodEndDamp: { x: master.x - 84, y: master.y + 26 },
    carpetWet: { x: master.x - 150, y: master.y + 50 },
    outletDamp: { x: master.x + 10, y: master.y + 18 },
    bootWet: { x: slave.x + 92, y: slave.y + 24 },
    bellHoleWet: { x: slave.x + 40, y: slave.y + 40 },
    reservoirDamp: { x: master.x - 46, y: master.y - 44 },
    slaveUnionDamp: { x: slave.x + 2, y: slave.y + 22 },
    bleederDamp: { x: slave.x + 30, y: slave.y - 20 },
    hoseDamp: atHose,
    hoseSwells: atHose,
    unionsWet: unions[0] ? { x: unions[0].x, y: unions[0].y + 14 } : master,
  }
  return WET_PLACES.filter(([id]) => found?.[id]?.payload.state === 'present').map(([id, , words]) => ({
    id,
    ...drawn[id]!,
    words,
  }))
}

/** Where a noise was listened for, ringed: heavy where it comes from, thin where it does not. */
export function noiseMarks(
  { master, slave }: LineDrawing,
  found?: Found,
): ({ id: FindingId; words: string; loud: boolean } & Point)[] {
  const drawn: Partial<Record<FindingId, Point>> = {
    noiseAtPedal: { x: master.x - 176, y: master.y + 30 },
    noiseAtPivot: { x: master.x - 176, y: master.y - 30 },
    noiseAtRod: { x: master.x - 112, y: master.y },
    noiseAtMaster: { x: master.x - 40, y: master.y },
    noiseAtSlave: { x: slave.x + 40, y: slave.y },
    noiseAtFork: { x: slave.x + 100, y: slave.y },
  }
  return NOISE_PLACES.flatMap(({ finding, label }) => {
    const state = found?.[finding]?.payload.state
    if (state !== 'present' && state !== 'absent') return []
    const loud = state === 'present'
    return [
      {
        id: finding,
        ...drawn[finding]!,
        loud,
        words: `${label.toLowerCase()}: ${loud ? 'here' : 'not here'}`,
      },
    ]
  })
}

/** Less air than this is not drawn, mm³. */
const LEAST_DRAWN = 50

/** Bubbles: at the first crest, else along the top of the slave. Their number follows the air found. */
export function airBubbles(drawing: LineDrawing, air: number): (Point & { r: number })[] {
  if (air < LEAST_DRAWN) return []
  const count = Math.min(9, 2 + Math.round(air / 300))
  const at = drawing.crests[0] ?? { x: drawing.slave.x + 22, y: drawing.slave.y - 6 }
  return Array.from({ length: count }, (_, i) => ({
    x: at.x + (i - (count - 1) / 2) * 7,
    y: at.y - (i % 2),
    r: 1.6 + ((i * 7) % 3) * 0.8,
  }))
}

/** Where a fault sits on the drawing; clutch and gearbox lie beyond the slave. */
function placeOf(place: FaultPlace, { master, slave, lines, unions }: LineDrawing): Point {
  const hose = lines.find((line) => line.kind !== 'steel')?.middle
  const pipe = lines.find((line) => line.kind === 'steel')?.middle
  switch (place) {
    case 'reservoir':
      return { x: master.x - 46, y: master.y - 62 }
    case 'pedal':
      return { x: master.x - 112, y: master.y }
    case 'master':
      return { x: master.x - 44, y: master.y }
    case 'outlet':
      return { x: master.x + 6, y: master.y }
    case 'pipe':
      return pipe ?? hose ?? master
    case 'hose':
      return hose ?? pipe ?? slave
    case 'slaveUnion':
      return unions.at(-1) ?? { x: slave.x, y: slave.y }
    case 'bleeder':
      return { x: slave.x + 26, y: slave.y - 22 }
    case 'slave':
      return { x: slave.x + 46, y: slave.y }
    case 'fork':
      return { x: slave.x + 84, y: slave.y }
    case 'clutch':
      return { x: slave.x + 110, y: slave.y }
    case 'gearbox':
      return { x: slave.x + 142, y: slave.y }
  }
}

/** Room that the name of a hose takes, px: it ends left of the hose’s middle and stands under it. */
const NAME = { wide: 170, right: 14, top: 5, bottom: 25 } as const
/** Half the width of a figure, and how far it reaches above and below its line, px. */
const FIGURE = { half: 22, top: 14, bottom: 4 } as const

/** Whether a figure would stand on the name of a hose. */
export const isOnName = ({ lines }: Pick<LineDrawing, 'lines'>, { x, y }: Point): boolean =>
  lines.some(
    ({ kind, middle }) =>
      kind !== 'steel' &&
      x + FIGURE.half > middle.x - NAME.right - NAME.wide &&
      x - FIGURE.half < middle.x - NAME.right &&
      y + FIGURE.bottom > middle.y + NAME.top &&
      y - FIGURE.top < middle.y + NAME.bottom,
  )

/** Where its figure stands: clear of what else is written there. */
function labelAt(
  place: FaultPlace,
  { x, y }: Point,
  drawing: LineDrawing,
): Point & { anchor: 'middle' | 'end' } {
  switch (place) {
    case 'reservoir':
      return { x: x - 26, y: y + 6, anchor: 'end' }
    case 'master':
    case 'pedal':
      // Below the words for a damp rod end.
      return { x, y: y + 60, anchor: 'middle' }
    case 'fork':
    case 'clutch':
    case 'gearbox':
      return { x: x + 2, y: y + 42, anchor: 'end' }
    default: {
      const under = { x, y: y + 42, anchor: 'middle' } as const
      return isOnName(drawing, under) ? { ...under, y: y - 26 } : under
    }
  }
}

/** Suspects ringed where they sit; two at one place share the ring of the likelier. */
export function suspectMarks(
  drawing: LineDrawing,
  suspects: readonly SuspectTold[],
): ({ id: FaultId; chance: number; label: ReturnType<typeof labelAt> } & Point)[] {
  const taken = new Set<string>()
  return suspects.flatMap(({ fault, chance }) => {
    const at = placeOf(faultKind(fault).place, drawing)
    const key = `${Math.round(at.x)},${Math.round(at.y)}`
    if (taken.has(key)) return []
    taken.add(key)
    return [
      { id: fault, chance, x: at.x, y: at.y, label: labelAt(faultKind(fault).place, at, drawing) },
    ]
  })
}

const PART_OF: Record<FaultPlace, Place | null> = {
  reservoir: 'reservoir',
  pedal: 'master',
  master: 'master',
  outlet: 'master',
  pipe: 'line',
  hose: 'line',
  slaveUnion: 'line',
  slave: 'slave',
  bleeder: 'bleeder',
  fork: 'slave',
  clutch: 'slave',
  gearbox: 'slave',
}

/** A part of the folded line: what was found at it, and how likely the fault sits there. */
export interface StripPart {
  place: Place
  /** Wet places and a low level, in words. */
  wet: string[]
  /** Of the likeliest suspect at this part; null where none is. */
  chance: number | null
}

/** The line folded to a strip: the same marks, part by part in the order in which the fluid meets them. */
export function stripParts(found: Found | undefined, suspects: readonly SuspectTold[]): StripPart[] {
  const present = (id: FindingId) => found?.[id]?.payload.state === 'present'
  const places: readonly Place[] = ['reservoir', 'master', 'line', 'slave', 'bleeder']
  return places.map((place) => ({
    place,
    wet: [
      ...(place === 'reservoir' && present('levelLow') ? ['level low'] : []),
      ...WET_PLACES.filter(([id, part]) => part === place && present(id)).map(([, , words]) => words),
    ],
    chance:
      suspects
        .filter(({ fault }) => PART_OF[faultKind(fault).place] === place)
        .map(({ chance }) => chance)
        .sort((a, b) => b - a)[0] ?? null,
  }))
}
