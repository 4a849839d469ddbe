/** A bleed screw's hex with the hose that grips its nipple, mm; judgement, by what is usually found. */
export interface Nipple {
  thread: string
  hex: number
  hose: number
  reason: string
}
export const NIPPLES: readonly Nipple[] = [
  { thread: 'M6x1', hex: 8, hose: 4, reason: 'A small nipple: 5 mm hose slips off it.' },
  { thread: 'M7x1', hex: 7, hose: 4, reason: 'A small nipple.' },
  { thread: 'M8x1.25', hex: 10, hose: 5, reason: 'The middle size; 9 mm is found as well.' },
  { thread: 'M10x1', hex: 11, hose: 5, reason: 'A large nipple: 5 mm stretches over it and grips.' },
  { thread: '3/8-24', hex: 11.11, hose: 6, reason: 'Inch nipples are thicker.' },
  { thread: '5/16-24', hex: 9.53, hose: 5, reason: 'Inch, middle size.' },
  { thread: '1/4-28', hex: 7.94, hose: 4, reason: 'Inch, small.' },
]

/** What bleeding this vehicle takes, beside fluid. */
export interface BleedKit {
  /** mm; null where the screw’s thread was not read off. */
  hex: number | null
  /** Inside diameter of the hose, mm; null where not known. */
  hose: number | null
  /** Length of the hose, mm: from the screw to the floor and up over the screw again. */
  length: number
  /** The bottle holds at least so much, mm³. */
  bottle: number
  dustCap: boolean
  why: string
}

/**
 * @param thread of the bleed screw; null where nobody read it
 * @param drop height of the screw over the floor, mm
 * @param passed fluid that goes through, mm³
 */
export function bleedKit(input: {
  thread: string | null
  screw: boolean
  drop?: number
  passed: number
}): BleedKit | null {
  if (!input.screw) return null
  const { thread, drop = 350, passed } = input
  const nipple = NIPPLES.find((one) => one.thread === thread) ?? null
  return {
    hex: nipple?.hex ?? null,
    hose: nipple?.hose ?? null,
    // Up over the screw first, so that air stays out of the way it came, and then down.
    length: Math.ceil((drop + 400) / 100) * 100,
    bottle: Math.max(250_000, Math.ceil(passed / 2 / 50_000) * 50_000),
    dustCap: true,
    why: nipple?.reason ?? 'The bleed screw’s thread is not read off: take the hex with you.',
  }
}
