import type { Circuit } from '../circuit'
import type { HeatSource, PedalSwitch, BleedLinePiece, Mounts, SlaveFaces } from './place'
import type { KnownJoint } from './joints'

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
    /** Which way its rod looks in the vehicle. */
    faces?: SlaveFaces | null
    /** Length of its chamber with the piston home, mm. */
    chamber?: number | null
    /** Line between slave and bleed screw, slave first; none where the screw sits on the slave. */
    bleedLine?: BleedLinePiece[]
  }
  /** Thread of the pushrod, mm per turn. */
  rodThreadPitch: number
  /** Joints of which something is known. */
  joints?: KnownJoint[]
  /** How the cylinders are held. */
  mounts?: Mounts
  switches?: PedalSwitch[]
  /** Where the line passes something hot. */
  heat?: HeatSource[]
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
  /** Of a shared one: the clutch's take-off over the brakes' minimum mark, mm; below it is negative. */
  takeOffOverBrakeMinimum?: number | null
}

/** Length of all lines, mm. */
export const lengthOfLines = (circuit: Circuit): number =>
  circuit.lines.reduce((sum, line) => sum + line.length, 0)
