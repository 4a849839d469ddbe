/**
 * The release circuit: pedal, master cylinder, lines, slave cylinder, linkage, cover, fluid and trapped air.
 * Lengths mm, areas mm², volumes mm³, forces N, pressures MPa (gauge unless a name says absolute).
 */
export interface Circuit {
  pedal: Pedal
  master: Master
  /** Master to slave, in order. */
  lines: Line[]
  slave: Slave
  linkage: Linkage
  cover: Cover
  fluid: { /** MPa; 1900 where unknown. */ bulkModulus: number }
  /** Trapped air as free volume at standard atmosphere, mm³. */
  air: number
}

export interface Pedal {
  /** Pad travel / pushrod travel. */
  ratio: number
  /** Pad travel from pedal up to floor or stop, mm. */
  travel: number
  /** Return spring felt at the pad, N. */
  returnForce?: number
}

export interface Master {
  bore: number
  stroke: number
  /** Gap between pushrod and piston with the pedal up, mm; below 0 the rod holds the piston in. */
  pushrodClearance: number
  /** Piston travel until the primary cup has passed the compensating port, mm. */
  portClosure: number
  springPreload?: number
  springRate?: number
  sealFriction?: number
}

export type HoseKind = 'rubber' | 'braided' | 'nylon'
export interface SteelLine {
  kind: 'steel'
  length: number
  innerDiameter: number
  outerDiameter: number
}
export interface HoseLine {
  kind: HoseKind
  length: number
  innerDiameter: number
  /** Volumetric expansion, mm³ per MPa per metre. */
  expansion: number
}
export type Line = SteelLine | HoseLine

interface SlaveSprings {
  /** Spring that pushes the rod out, N. */
  springPreload?: number
  sealFriction?: number
}
export interface ExternalSlave extends SlaveSprings {
  type: 'external'
  bore: number
  stroke: number
}
export interface ConcentricSlave extends SlaveSprings {
  type: 'concentric'
  outer: number
  inner: number
  stroke: number
}
export type Slave = ExternalSlave | ConcentricSlave

export interface Linkage {
  /** Slave travel / bearing travel. */
  forkRatio: number
  /** Lost motion, mm at the slave rod. */
  slop: number
  /** Gap between release bearing and cover fingers, mm at the bearing. */
  bearingClearance: number
}

export interface Cover {
  /** [bearing travel mm, load N], bearing travel rising. */
  releaseLoad: [number, number][]
  /** Bearing travel at which the disc is just free, mm. */
  releaseTravel: number
  /** Bearing travel up to which full clamp load remains, mm. */
  fullClampTravel: number
}

/** Standard atmosphere, MPa. */
export const P0 = 0.101325
/** Steel: Young's modulus, MPa, and Poisson's ratio. */
export const STEEL = { youngsModulus: 206_000, poissonsRatio: 0.29 } as const

/** Area of a full circle of diameter d, mm². */
export const circleArea = (d: number): number => (Math.PI * d * d) / 4

/** Master piston area A_m, mm². */
export const masterArea = (circuit: Circuit): number => circleArea(circuit.master.bore)

/** Slave piston area A_s, mm²; an annulus for a concentric slave. */
export function slaveArea(slave: Slave): number {
  return slave.type === 'concentric'
    ? circleArea(slave.outer) - circleArea(slave.inner)
    : circleArea(slave.bore)
}

/** Inner volume of a line, mm³. */
export const lineVolume = (line: Line): number => circleArea(line.innerDiameter) * line.length

/**
 * Swell of a line, mm³ per MPa.
 * Steel: thick-walled tube (Lamé), V·(2/E)·[(b²+a²)/(b²−a²)+ν]; hose: expansion·length/1000.
 */
export function lineSwell(line: Line): number {
  if (line.kind !== 'steel') return (line.expansion * line.length) / 1000
  const a2 = (line.innerDiameter / 2) ** 2
  const b2 = (line.outerDiameter / 2) ** 2
  return lineVolume(line) * (2 / STEEL.youngsModulus) * ((b2 + a2) / (b2 - a2) + STEEL.poissonsRatio)
}
