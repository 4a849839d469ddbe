/** A thread that hydraulic lines are found with, and what it is easily taken for. */
export interface ThreadInUse {
  thread: string
  /** Usual pipe, mm outside diameter. */
  tube: number | null
  where: string
  reason: string
}

/** Threads in use on hydraulic lines: what a rule and a thread gauge will most likely show. */
export const THREADS_IN_USE: readonly ThreadInUse[] = [
  {
    thread: 'M10x1',
    tube: 4.75,
    where: 'Metric vehicles: nut on 4.75 mm pipe',
    reason: 'ISO metric fine (ISO 261); 3/8-24 starts in its port and binds after five turns.',
  },
  {
    thread: 'M12x1',
    tube: 6,
    where: 'Metric vehicles: nut on 6 mm pipe, larger masters',
    reason: 'ISO metric fine (ISO 261).',
  },
  {
    thread: 'M12x1.25',
    tube: 6.35,
    where: 'Trucks and tractors',
    reason: 'ISO metric fine (ISO 261); 7/16-20 runs right in and holds on little.',
  },
  {
    thread: 'M14x1.5',
    tube: 8,
    where: 'Feed unions, larger vehicles',
    reason: 'ISO metric fine (ISO 261).',
  },
  {
    thread: 'M8x1',
    tube: null,
    where: 'Bleed screws',
    reason: 'ISO metric fine; M8x1.25 is the bolt beside it and does not go in.',
  },
  {
    thread: '3/8-24',
    tube: 4.7625,
    where: 'Inch vehicles: nut on 3/16 in pipe',
    reason: 'Unified fine (ASME B1.1); starts in an M10x1 port.',
  },
  {
    thread: '7/16-24',
    tube: 6.35,
    where: 'Inch vehicles: nut on 1/4 in pipe',
    reason: 'Unified, 24 to the inch; an M10x1 nut runs in without ever binding.',
  },
  {
    thread: '7/16-20',
    tube: 6.35,
    where: 'Hoses and adapters',
    reason: 'Unified fine (ASME B1.1).',
  },
  {
    thread: '1/2-20',
    tube: 7.9375,
    where: 'Larger inch masters',
    reason: 'Unified fine (ASME B1.1).',
  },
  {
    thread: '5/16-24',
    tube: null,
    where: 'Bleed screws of inch cylinders',
    reason: 'Unified fine; 7.94 mm against M8x1 at 8: a gauge tells them, not the eye.',
  },
  {
    thread: '3/8-20 BSF',
    tube: 4.7625,
    where: 'Old imperial unions',
    reason: 'British Standard Fine, 55° flanks; goes into 3/8-20 UNF work and spoils it.',
  },
  {
    thread: '7/16-18 BSF',
    tube: 6.35,
    where: 'Old imperial unions',
    reason: 'British Standard Fine, 55° flanks.',
  },
  {
    thread: 'G1/8',
    tube: null,
    where: 'Gauge and adapter ports',
    reason: 'Parallel pipe thread (ISO 228): 9.73 mm, not an eighth of an inch.',
  },
]
/** Outside diameters of pipe in use, mm. */
export const TUBES_IN_USE: readonly { outerDiameter: number; name: string; reason: string }[] = [
  {
    outerDiameter: 4.75,
    name: '4.75 mm or 3/16 in',
    reason: 'The usual line; both names are one pipe.',
  },
  { outerDiameter: 6, name: '6 mm', reason: 'Metric, larger flow; not 1/4 in.' },
  { outerDiameter: 6.35, name: '1/4 in', reason: 'Trucks and tractors; not 6 mm.' },
  { outerDiameter: 8, name: '8 mm', reason: 'Feed and heavy vehicles.' },
]
