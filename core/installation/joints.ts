import type { End } from '../fitting'
import type { Installation } from './installation'
import type { LinesChange } from './lines'

/** `feed`, `masterOutlet`, `line.0` between the first and the second line, `slavePort`, `bleeder`. */
export type JointPlace = 'feed' | 'masterOutlet' | `line.${number}` | 'slavePort' | 'bleeder'

/** A joint as it is in the vehicle: `a` is the end nearer the reservoir, `b` the one further on; null where not known. */
export interface KnownJoint {
  at: JointPlace
  a: End | null
  b: End | null
  /** How a wrench gets at it. */
  access?: string
}

/** Every joint that this circuit has, from the reservoir on. */
export function jointPlaces({ circuit, slave }: Installation): JointPlace[] {
  return [
    'feed',
    'masterOutlet',
    ...circuit.lines.slice(1).map((_, i): JointPlace => `line.${i}`),
    'slavePort',
    ...(slave.bleeder.kind === 'screw' ? (['bleeder'] as const) : []),
  ]
}

const PLACE = /^(feed|masterOutlet|slavePort|bleeder|line\.(0|[1-9]\d*))$/
/** Whether a text names a place that some circuit could have. */
export const isJointPlace = (at: string): at is JointPlace => PLACE.test(at)

/** What is known of a joint; both ends null where nothing is. */
export const jointAt = ({ joints = [] }: Installation, at: JointPlace): KnownJoint =>
  joints.find((one) => one.at === at) ?? { at, a: null, b: null }

/** The installation with what is known of one joint: what is not given stays as it was. */
export function withJoint(
  installation: Installation,
  at: JointPlace,
  known: { a?: End | null; b?: End | null; access?: string },
): Installation {
  const before = jointAt(installation, at)
  const access = known.access ?? before.access
  const next: KnownJoint = {
    at,
    a: known.a ?? before.a,
    b: known.b ?? before.b,
    ...(access !== undefined && { access }),
  }
  const others = (installation.joints ?? []).filter((one) => one.at !== at)
  return { ...installation, joints: [...others, next] }
}

interface LineEnds {
  near: End | null
  far: End | null
}

/**
 * Joints after a change of the lines: a line that stays keeps its two ends, a new one has none that is known.
 * Access stays where both lines of a joint do.
 */
export function jointsAfter(installation: Installation, change: LinesChange): KnownJoint[] | undefined {
  const { joints, circuit } = installation
  if (!joints) return undefined
  const count = circuit.lines.length
  const between = (i: number): JointPlace =>
    i === 0 ? 'masterOutlet' : i === count ? 'slavePort' : `line.${i - 1}`
  const ends = circuit.lines.map((_, i): LineEnds & { name: number } => ({
    name: i,
    near: jointAt(installation, between(i)).b,
    far: jointAt(installation, between(i + 1)).a,
  }))
  const fresh = { name: -1, near: null, far: null }
  const { act, index } = change
  const after = [
    ...ends.slice(0, index),
    ...(act === 'remove' ? [] : [fresh]),
    ...ends.slice(index + (act === 'insert' ? 0 : 1)),
  ]
  const outlet = jointAt(installation, 'masterOutlet').a
  const port = jointAt(installation, 'slavePort').b
  const accessBetween = (before: number, next: number): string | undefined => {
    if (next === before + 1) return jointAt(installation, between(next)).access
    return undefined
  }
  const list = joints.filter(({ at }) => at === 'feed' || at === 'bleeder')
  for (let i = 0; i <= after.length; i++) {
    const [before, next] = [after[i - 1], after[i]]
    const a = before ? before.far : outlet
    const b = next ? next.near : port
    const known = (!before || before.name >= 0) && (!next || next.name >= 0)
    const access = known
      ? accessBetween(before ? before.name : -1, next ? next.name : count)
      : undefined
    if (!a && !b && access === undefined) continue
    const at: JointPlace = i === 0 ? 'masterOutlet' : i === after.length ? 'slavePort' : `line.${i - 1}`
    list.push({ at, a, b, ...(access !== undefined && { access }) })
  }
  return list
}

/** Where a joint lies along the line, mm from the master's outlet; null where it is not on it. */
export function alongOf({ circuit }: Installation, at: JointPlace): number | null {
  if (at === 'feed' || at === 'bleeder') return null
  const last =
    at === 'slavePort' ? circuit.lines.length : at === 'masterOutlet' ? 0 : Number(at.slice(5)) + 1
  return circuit.lines.slice(0, last).reduce((sum, { length }) => sum + length, 0)
}
