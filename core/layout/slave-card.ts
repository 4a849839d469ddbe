/** Two ports of a slave as its maker ships it, degrees off top seen along the bore, and how it will sit. */
export interface SlavePorts {
  /** Where the bleed screw is now. */
  bleeder: number
  /** Where the line goes in. */
  line: number
  /** Port end raised over the rod end, degrees; below 0 the ports hang. */
  endRaise: number
  /** Whether a wrench gets at each of them; null where nobody tried. */
  reach: { bleeder: boolean | null; line: boolean | null }
  /** How far it may be turned about its bore in its mount, degrees either way; 0 where bolts hold it. */
  turns: number
}

export interface SlaveCard {
  /** Degrees off top of each, at its least. */
  bleederOff: number
  lineOff: number
  /** The two must change places: the screw is shipped in the lower one. */
  swap: boolean
  /** Turn about the bore that brings the screw's port to the top, degrees, clockwise as one looks along the bore. */
  turn: number
  /** What is left off top after as much of that turn as the mount allows. */
  leftOff: number
  /** Nose of the vehicle up by so much that the ports are the slave's top end, degrees; 0 where they are. */
  noseUp: number
  /** The port that is highest, and whether a wrench gets at it there. */
  highest: { port: 'bleeder' | 'line'; reached: boolean | null }
  /** A port that a wrench reaches; null where none is known to be. */
  reachable: 'bleeder' | 'line' | null
  words: string[]
}

/** Off top by less than this, no bubble stays that matters, degrees. */
const ON_TOP = 15
/** Nose up beyond this takes ramps, degrees. */
const MOST_NOSE = 20

/** Degrees off straight up, 0 … 180. */
const offTop = (angle: number): number => Math.abs((((angle % 360) + 540) % 360) - 180)
const signed = (angle: number): number => (((angle % 360) + 540) % 360) - 180

/** Which port takes the bleed screw and which the hose, how the slave is turned, how high the nose, what a wrench reaches. */
export function slaveCard({ bleeder, line, endRaise, reach, turns }: SlavePorts): SlaveCard {
  const [bleederOff, lineOff] = [offTop(bleeder), offTop(line)]
  const swap = lineOff < bleederOff - 1e-9
  const screw = swap ? line : bleeder
  const turn = signed(-screw)
  const given = Math.sign(turn) * Math.min(Math.abs(turn), Math.abs(turns))
  const leftOff = offTop(screw + given)
  const noseUp = Math.max(0, -endRaise)
  const highestPort = swap ? 'line' : 'bleeder'
  const reached = reach[highestPort]
  const reachable = reach[highestPort]
    ? highestPort
    : reach.bleeder
      ? 'bleeder'
      : reach.line
        ? 'line'
        : null
  const words: string[] = [
    swap
      ? `The bleed screw sits ${bleederOff.toFixed(0)}° off top, where it was put for shipping; the other port lies ${lineOff.toFixed(0)}° off top. Screw and hose change places before it goes in.`
      : `The bleed screw is in the higher port, ${bleederOff.toFixed(0)}° off top; the hose goes into the other.`,
  ]
  if (Math.abs(turn) > ON_TOP)
    words.push(
      turns === 0
        ? `Its mount does not turn: it stays ${leftOff.toFixed(0)}° off top. Bleed it before it is bolted, held with the screw up.`
        : leftOff <= ON_TOP
          ? `Turn the slave ${Math.abs(given).toFixed(0)}° ${given > 0 ? 'clockwise' : 'anticlockwise'}: then the screw is at the top.`
          : `Turn the slave ${Math.abs(given).toFixed(0)}° ${given > 0 ? 'clockwise' : 'anticlockwise'}, as far as it goes: the screw is then ${leftOff.toFixed(0)}° off top.`,
    )
  if (noseUp > 0)
    words.push(
      noseUp <= MOST_NOSE
        ? `Its port end hangs ${noseUp.toFixed(0)}°: raise the nose of the vehicle by as much while bleeding.`
        : `Its port end hangs ${noseUp.toFixed(0)}°, more than a nose is raised: take it off and hold it up to bleed it.`,
    )
  if (reached === false)
    words.push(
      reachable
        ? 'No wrench reaches the highest port once it is fitted: open and close it before, or bleed at the other one and tip the slave for the rest.'
        : 'No wrench reaches either port once it is fitted: bleed it off the vehicle.',
    )
  return {
    bleederOff,
    lineOff,
    swap,
    turn,
    leftOff,
    noseUp,
    highest: { port: highestPort, reached },
    reachable,
    words,
  }
}
