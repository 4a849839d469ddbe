/**
 * What a fault of one severity does to the figures of a circuit. A severity is a class, not a point: `spread` is half its
 * width as a share of its effect, and it widens what is expected of a reading.
 */
export interface Effect {
  /** Trapped air, mm³. */
  air?: number
  /** Added to the pushrod's clearance, mm; below 0 the rod is longer. */
  clearance?: number
  /** Added to what is felt as play at the rod, mm, beyond the clearance itself. */
  pinPlay?: number
  /** Added slop at the slave rod, mm. */
  slop?: number
  /** Added clearance at the bearing, mm. */
  bearingClearance?: number
  /** Added friction of the slave's piston, N. */
  friction?: number
  /** The hoses swell this many times as much. */
  swell?: number
  /** Travel lost to bending at the force of release, mm at the pad. */
  flex?: number
  /** The fork gives away this share of its travel. */
  fork?: number
  /** The master's bore is this many times the right one. */
  masterBore?: number
  /** The slave's bore is this many times the right one. */
  slaveBore?: number
  /** Bearing travel to free the disc, this many times as much. */
  release?: number
  /** Cover's load, this many times as much. */
  load?: number
  /** Pad travel that is not there, mm. */
  travel?: number
  /** Past the primary cup under a held foot, mm³/s. */
  bypass?: number
  /** Out of the circuit under a held foot, mm³/s. */
  loss?: number
  /** Out of the circuit while it stands, mm³/h. */
  standing?: number
}

export interface Severity {
  label: string
  /** Prior weight among the severities of its fault; they sum to 1. */
  weight: number
  effect: Effect
  spread: number
  reason: string
}

const classes = (
  spread: number,
  ...rows: readonly [label: string, weight: number, effect: Effect, reason: string][]
): readonly Severity[] =>
  rows.map(([label, weight, effect, reason]) => ({ label, weight, effect, spread, reason }))

/** Each figure is engineering judgement, to be disputed here and nowhere else. */
export const SEVERITIES = {
  air: classes(
    0.4,
    ['a little', 0.35, { air: 500 }, 'A bubble at a crest; felt, seldom complained of.'],
    ['some', 0.35, { air: 1500 }, 'A soft pedal that still changes gear.'],
    ['much', 0.3, { air: 4500 }, 'A drained line that was filled and left.'],
  ),
  bypass: classes(
    0.5,
    ['slow', 0.35, { bypass: 2 }, 'A few millimetres in a minute at the pad.'],
    ['plain', 0.4, { bypass: 8 }, 'A hand’s breadth in some minutes.'],
    ['fast', 0.17, { bypass: 40 }, 'Down while one waits at a light.'],
    ['at once', 0.08, { bypass: 400 }, 'Down in seconds: the cup holds nothing.'],
  ),
  background: classes(
    0.6,
    ['seeps', 0.45, { loss: 0.3, standing: 20, air: 150 }, 'Damp; a top-up in months.'],
    ['steady', 0.35, { loss: 3, standing: 150, air: 600 }, 'Wet; a top-up each week.'],
    ['runs', 0.2, { loss: 25, standing: 1500, air: 2500 }, 'A puddle in the morning.'],
  ),
  feedLeak: classes(
    0.6,
    ['seeps', 0.5, { standing: 30 }, 'No pressure drives it.'],
    ['drips', 0.5, { standing: 600, air: 200 }, 'A perished hose end.'],
  ),
  rodLong: classes(
    0.3,
    ['presses', 0.5, { clearance: -0.9 }, 'The port is part covered.'],
    ['shuts the port', 0.35, { clearance: -2 }, 'No way home at rest.'],
    ['far too long', 0.15, { clearance: -4 }, 'A rod set by eye with the pedal down.'],
  ),
  rodShort: classes(
    0.35,
    ['a little', 0.45, { clearance: 1.2 }, 'A locknut that crept.'],
    ['plainly', 0.35, { clearance: 2.8 }, 'A rod that was never set.'],
    ['far', 0.2, { clearance: 5.5 }, 'A rod of another master.'],
  ),
  pin: classes(
    0.35,
    ['begins', 0.45, { clearance: 0.6, pinPlay: 0.2 }, 'Oval to the eye.'],
    ['plain', 0.35, { clearance: 1.5, pinPlay: 0.3 }, 'Rocks in the hand.'],
    ['far', 0.2, { clearance: 3, pinPlay: 0.5 }, 'Half the pin is gone.'],
  ),
  slop: classes(
    0.35,
    ['begins', 0.45, { slop: 0.9 }, 'A polished cup.'],
    ['plain', 0.35, { slop: 2 }, 'A step that a nail finds.'],
    ['far', 0.2, { slop: 4 }, 'The tip is through the cup.'],
  ),
  stick: classes(
    0.4,
    ['lazy', 0.5, { friction: 80 }, 'Comes back, slowly.'],
    ['sticks', 0.35, { friction: 350 }, 'Comes back in jerks.'],
    ['seized', 0.15, { friction: 1500 }, 'Moves only under full pressure.'],
  ),
  swell: classes(
    0.3,
    ['soft', 0.5, { swell: 2 }, 'Old rubber.'],
    ['balloons', 0.35, { swell: 4 }, 'Seen by eye.'],
    ['about to burst', 0.15, { swell: 8 }, 'A bulge.'],
  ),
  flex: classes(
    0.4,
    ['gives', 0.5, { flex: 8 }, 'Seen at the flange.'],
    ['plainly', 0.35, { flex: 18 }, 'A tired bulkhead.'],
    ['tears', 0.15, { flex: 35 }, 'The crack opens.'],
  ),
  fork: classes(
    0.4,
    ['bends', 0.5, { fork: 0.08 }, 'A hairline.'],
    ['opens', 0.35, { fork: 0.18 }, 'A crack that gapes.'],
    ['about to part', 0.15, { fork: 0.35 }, 'Half through.'],
  ),
  dry: classes(
    0.4,
    ['in part', 0.5, { air: 20_000 }, 'The line has run empty.'],
    ['empty', 0.5, { air: 60_000 }, 'Nothing is left in it.'],
  ),
  unprimed: classes(
    0.4,
    ['in part', 0.4, { air: 6000 }, 'Some fluid is in front of the cup.'],
    ['empty', 0.6, { air: 15_000 }, 'The whole bore is full of air.'],
  ),
  wrongSlave: classes(
    0.15,
    ['a size large', 0.6, { slaveBore: 1.1 }, 'Light, and low.'],
    ['a size small', 0.4, { slaveBore: 0.91 }, 'Hard, and high; it may run out of stroke.'],
  ),
  stuck: classes(
    0.35,
    ['drags', 0.4, { release: 1.5 }, 'It slides with force.'],
    ['held', 0.6, { release: 2.2 }, 'It comes free only with a jerk.'],
  ),
  held: classes(
    0.3,
    ['a little', 0.6, { clearance: -0.9, travel: 5 }, 'The port is part covered.'],
    ['plainly', 0.4, { clearance: -2, travel: 12 }, 'No way home at rest.'],
  ),
  wrongBore: classes(
    0.15,
    ['a size small', 0.5, { masterBore: 0.92 }, 'Light, and low.'],
    ['a size large', 0.35, { masterBore: 1.09 }, 'Hard, and high.'],
    ['far too small', 0.15, { masterBore: 0.84 }, 'Never frees the disc.'],
  ),
  fingerPlay: classes(
    0.35,
    ['a little', 0.45, { bearingClearance: 1.2 }, 'Not set since the disc bedded in.'],
    ['plainly', 0.35, { bearingClearance: 2.5 }, 'A nut that crept.'],
    ['far', 0.2, { bearingClearance: 5 }, 'Set by guess.'],
  ),
  drag: classes(
    0.35,
    ['a little', 0.5, { release: 1.12 }, 'A disc out of true by tenths.'],
    ['plainly', 0.35, { release: 1.3 }, 'Warped by heat.'],
    ['never free', 0.15, { release: 1.7 }, 'Stuck on its splines.'],
  ),
  stiffCover: classes(
    0.25,
    ['stiffer', 0.6, { load: 1.25 }, 'A disc worn thin stands the fingers up.'],
    ['far stiffer', 0.4, { load: 1.6 }, 'Worn fingers and a dry fulcrum.'],
  ),
  blocked: classes(
    0.35,
    ['a mat', 0.5, { travel: 12 }, 'Folded under the pad.'],
    ['carpet and mat', 0.35, { travel: 22 }, 'New carpet over old.'],
    ['a stop gone wrong', 0.15, { travel: 38 }, 'Bent pedal or lost stop.'],
  ),
} as const
