/** A screw thread by its figures, mm. */
export interface Thread {
  name: string
  /** Nominal (major) diameter of the male thread. */
  diameter: number
  pitch: number
  /** Angle between its flanks, degrees. */
  flank: 60 | 55
}

const INCH = 25.4
/** Pipe threads have names that tell neither diameter nor pitch; parallel, ISO 228. */
const PIPE: Record<string, readonly [diameter: number, perInch: number]> = {
  'G1/8': [9.728, 28],
  'G1/4': [13.157, 19],
  'G3/8': [16.662, 19],
  'G1/2': [20.955, 14],
}
const METRIC = /^M(\d+(?:\.\d+)?)[x×](\d+(?:\.\d+)?)$/i
const INCHES = /^(?:(\d+)[- ])?(\d+)\/(\d+)-(\d+)(?:\s*(UNF|UNC|BSF|BSW))?$/i

/**
 * Reads a thread as it is named: M10x1, 3/8-24 (UNF unless BSF is said), G1/8.
 * @returns null where nothing of that name is a thread
 */
export function threadOf(name: string): Thread | null {
  const text = name.trim()
  const metric = METRIC.exec(text)
  if (metric) return made(text, Number(metric[1]), Number(metric[2]), 60)
  const pipe = PIPE[text.toUpperCase().replace(/\s/g, '')]
  if (pipe) return made(text, pipe[0], INCH / pipe[1], 55)
  const inch = INCHES.exec(text)
  if (!inch) return null
  const [, whole = '0', over, under, perInch, kind = 'UNF'] = inch
  const diameter = INCH * (Number(whole) + Number(over) / Number(under))
  return made(text, diameter, INCH / Number(perInch), /^BS/i.test(kind) ? 55 : 60)
}
const made = (name: string, diameter: number, pitch: number, flank: 60 | 55): Thread | null =>
  Number.isFinite(diameter) && diameter > 0 && Number.isFinite(pitch) && pitch > 0
    ? { name, diameter, pitch, flank }
    : null

/** mm; threads of other names whose figures differ by less are one thread. */
const SAME = 0.005
export const sameThread = (a: Thread, b: Thread): boolean =>
  Math.abs(a.diameter - b.diameter) < SAME && Math.abs(a.pitch - b.pitch) < SAME && a.flank === b.flank

/** Of the pitch: what the female's minor diameter lies below its nominal one, by its flanks. */
const DEPTH = { 60: 1.0825, 55: 1.2806 }
export const minorOf = ({ diameter, pitch, flank }: Thread): number => diameter - DEPTH[flank] * pitch

export interface LookAlike {
  /** Turns until it binds; null where equal pitches never bind. */
  turns: number | null
  /** Overlap of the flanks, as a share of the full depth. */
  depth: number
}

/** tan 30°, for all flanks: what the angle changes is less than the law is good for. */
const TAN_30 = Math.tan(Math.PI / 6)

/**
 * Another thread that starts all the same: the male enters the female's mouth and holds for some turns before it binds.
 * @returns null where it does not start, or binds within the first turn
 */
export function lookAlike(male: Thread, female: Thread): LookAlike | null {
  if (sameThread(male, female)) return null
  const minor = minorOf(female)
  if (male.diameter > female.diameter || male.diameter <= minor) return null
  const gap = female.diameter - male.diameter
  const slip = Math.abs(female.pitch - male.pitch)
  const depth = (male.diameter - minor) / (female.diameter - minor)
  if (slip < 1e-9) return { turns: null, depth }
  const turns = (gap * TAN_30) / slip
  return turns >= 1 ? { turns, depth } : null
}
