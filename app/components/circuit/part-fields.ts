import type { Installation } from '~~/core/installation'
import type { PartId } from '../line/part-words'

/** Which figures belong to a part, in the order in which they are taken. */
export function fieldsOf({ circuit, slave: place }: Installation, part: PartId): string[] {
  const { slave } = circuit
  switch (part) {
    case 'pedal':
      return ['pedal.ratio', 'pedal.travel', 'pedal.returnForce']
    case 'reservoir':
      return ['reservoir.height', 'reservoir.usable', 'reservoir.area', 'fluid.bulkModulus']
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
