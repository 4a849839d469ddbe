import type { Circuit } from '../circuit'

/** A release circuit as it lies in a vehicle: what is drawn, computed and bled. */
export interface Installation {
  circuit: Circuit
  archetype: string
  /** Dotted paths of the circuit that were not measured; each widens every answer. */
  assumed: string[]
  /** The line's way, master to slave; along runs from 0 to the sum of the lines' lengths. */
  route: RoutePoint[]
  reservoir: Reservoir
  master: {
    /** Degrees, outlet end up. */ tilt: number
    /** Degrees off top. */ outletAngle: number
    portAngle: number
  }
  slave: {
    bleeder: { kind: 'none' } | { kind: 'screw'; /** Degrees off top. */ angle: number }
    linePort: number
    /** Degrees, bleeder end up. */
    endRaise: number
    /** Room behind the piston at rest, mm; missing where nobody pushed it home. */
    room?: number
  }
  /** Thread of the pushrod, mm per turn. */
  rodThreadPitch: number
}

/** mm; height over the master's outlet, forward for the nose-up angle. */
export interface RoutePoint {
  along: number
  height: number
  forward: number
  /** The line is held here. */
  clip?: boolean
}

export interface Reservoir {
  sharedWithBrakes: boolean
  /** Free surface, mm². */
  area: number
  /** Volume between the marks that may be drawn before a top-up, mm³. */
  usable: number
  /** Level over the master's outlet, mm. */
  height: number
}

/** Length of all lines, mm. */
export const lengthOfLines = (circuit: Circuit): number =>
  circuit.lines.reduce((sum, line) => sum + line.length, 0)
