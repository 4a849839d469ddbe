import type { Line } from '../circuit'
import type { Installation } from '../installation'
import type { Change } from '../whatif'
import type { SizingChoice } from './size'

/**
 * The changes that turn an installation into a choice of parts: what stays as it is is left out.
 * @param lines the choice's lines; null where they stay
 */
export function planOf(
  { circuit, slave: place }: Installation,
  { master, slave, ratio }: SizingChoice,
  lines: readonly Line[] | null,
): Change[] {
  const changes: Change[] = []
  const set = (field: string, value: number | undefined, was: number | undefined) => {
    if (value !== undefined && value !== was) changes.push({ change: 'field', field, value })
  }
  set('pedal.ratio', ratio, circuit.pedal.ratio)
  set('master.bore', master.bore, circuit.master.bore)
  set('master.stroke', master.stroke, circuit.master.stroke)
  const now = circuit.slave
  const { rodExtension = 0 } = slave
  if (now.type === 'external') set('slave.bore', slave.bore, now.bore)
  else {
    set('slave.outer', slave.outer, now.outer)
    set('slave.inner', slave.inner, now.inner)
  }
  set('slave.stroke', (slave.stroke ?? now.stroke) + rodExtension, now.stroke)
  const room = slave.room ?? place.room
  if (room !== undefined) set('slave.room', Math.max(0, room - rodExtension), place.room)
  if (lines) changes.push({ change: 'lines', lines: [...lines] })
  return changes
}
