import {
  CHOICE_FIELDS,
  type ChoiceField,
  type Installation,
  type JointPlace,
} from '~~/core/installation'
import type { PartId } from '../line/part-words'

/** Which figures belong to a part, in the order in which they are taken. */
export function fieldsOf({ circuit, slave: place, reservoir }: Installation, part: PartId): string[] {
  const { slave } = circuit
  switch (part) {
    case 'pedal':
      return ['pedal.ratio', 'pedal.travel', 'pedal.returnForce']
    case 'reservoir':
      return [
        'reservoir.height',
        'reservoir.usable',
        'reservoir.area',
        ...(reservoir.sharedWithBrakes ? ['reservoir.takeOffOverBrakeMinimum'] : []),
        'fluid.bulkModulus',
      ]
    case 'master':
      return [
        'master.bore',
        'master.stroke',
        'master.pushrodClearance',
        'master.portClosure',
        'master.springPreload',
        'master.springRate',
        'master.sealFriction',
        'rodThreadPitch',
        'master.tilt',
        'master.outletAngle',
        'master.portAngle',
      ]
    case 'slave':
      return [
        ...(slave.type === 'external' ? ['slave.bore'] : ['slave.outer', 'slave.inner']),
        'slave.stroke',
        'slave.springPreload',
        'slave.sealFriction',
        ...(slave.type === 'external' ? ['slave.room'] : []),
        ...(place.bleeder.kind === 'screw' ? ['slave.bleeder.angle'] : []),
        'slave.chamber',
        'slave.linePort',
        'slave.endRaise',
      ]
    case 'linkage':
      return ['linkage.forkRatio', 'linkage.slop', 'linkage.bearingClearance']
    case 'cover':
      return ['cover.releaseTravel', 'cover.fullClampTravel']
    default: {
      const index = Number(part.slice(4))
      const line = circuit.lines[index]
      if (!line) return []
      const last = line.kind === 'steel' ? 'outerDiameter' : 'expansion'
      return ['length', 'innerDiameter', last].map((name) => `lines.${index}.${name}`)
    }
  }
}

/** What of a part is chosen from a list. */
export const choicesOf = (part: PartId): ChoiceField[] =>
  CHOICE_FIELDS.filter(({ path }) =>
    part === 'master' ? path === 'mounts.master' : part === 'slave' ? path !== 'mounts.master' : false,
  )

/** Joints that a part ends in. */
export function jointsAt({ circuit }: Installation, part: PartId): JointPlace[] {
  const last = circuit.lines.length - 1
  switch (part) {
    case 'pedal':
    case 'linkage':
    case 'cover':
      return []
    case 'reservoir':
      return ['feed']
    case 'master':
      return ['feed', 'masterOutlet']
    case 'slave':
      return ['slavePort', 'bleeder']
    default: {
      const i = Number(part.slice(4))
      return [
        i === 0 ? 'masterOutlet' : (`line.${i - 1}` as const),
        i >= last ? 'slavePort' : (`line.${i}` as const),
      ]
    }
  }
}
