import { afterWear, mostRoom, readCircuit, type Line } from '../circuit'
import { withAllLines, withLines, withMeasured, type Installation } from '../installation'

/** One thing that is done to a circuit, in thought. */
export type Change =
  /** Trapped air set, mm³. */
  | { change: 'air'; value: number }
  /** A field of the circuit set, in its own unit. */
  | { change: 'field'; field: string; value: number }
  /** A line replaced by another. */
  | { change: 'line'; index: number; line: Line }
  /** All lines replaced by others, master to slave. */
  | { change: 'lines'; lines: Line[] }
  /** Facing wear, mm; it takes play, then room behind the slave's piston. */
  | { change: 'wear'; value: number }

/** Most changes that one plan holds. */
export const MOST_CHANGES = 24

/**
 * The installation with the changes done, in their order; the trapped air stands in its circuit. What a change sets is
 * known from then on. The circuit must still be one that can be.
 * @throws InputError where a change names no part of this installation or breaks a bound.
 */
export function applyChanges(installation: Installation, changes: readonly Change[]): Installation {
  const changed = changes.reduce(applyChange, installation)
  readCircuit(changed.circuit)
  return changed
}

function applyChange(installation: Installation, change: Change): Installation {
  switch (change.change) {
    case 'air':
      return { ...installation, circuit: { ...installation.circuit, air: change.value } }
    case 'field':
      return withMeasured(installation, change.field, change.value)
    case 'line':
      return withLines(installation, { act: 'replace', index: change.index, line: change.line })
    case 'lines':
      return withAllLines(installation, change.lines)
    case 'wear': {
      const { circuit, slave } = installation
      const room = slave.room ?? mostRoom(circuit)
      return { ...installation, circuit: afterWear(circuit, change.value, { room }).circuit }
    }
  }
}

/** The changes with one put in: an earlier change of the same thing goes. */
export function withChange(changes: readonly Change[], change: Change): Change[] {
  return [...withoutChange(changes, change), change]
}

export function withoutChange(changes: readonly Change[], change: Change): Change[] {
  return changes.filter((other) => subjectOf(other) !== subjectOf(change))
}

/** What a change is about; two changes of the same thing do not stand side by side. */
export function subjectOf(change: Change): string {
  switch (change.change) {
    case 'field':
      return change.field
    case 'line':
      return `lines.${change.index}`
    default:
      return change.change
  }
}
