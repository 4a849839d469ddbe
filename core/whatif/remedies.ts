import { lineOfKind, lineSwell, takesUpPlay, WORKSHOP_BORES, type Circuit, type Line } from '../circuit'
import { operationOf, takes, type OperationId } from '../work'
import type { Change } from './change'

/** Something that can be done about a pedal, with what it takes. */
export interface Remedy {
  id: string
  label: string
  /** What is changed, or null where it makes no sense on this circuit. */
  change: (circuit: Circuit) => Change[] | null
  /** Hands on the vehicle, bleeding included where the circuit is opened. */
  minutes: number
  /** Parts and fluid, in the shop's money. */
  money: number
  reason: string
}

/** Another part than the operation's usual one, at another price; engineering judgement. */
interface OtherPart {
  money: number
  reason: string
}
type Row = Pick<Remedy, 'id' | 'label' | 'change'> & { operation: OperationId; part?: OtherPart }

/** Minutes, price and reason are those of the operation, but for what another part changes. */
function remedy({ operation, part, ...row }: Row): Remedy {
  const { minutes, money } = takes([operation])
  const { money: usual, reason } = operationOf(operation)
  return {
    ...row,
    minutes: minutes.likely,
    money: part ? money - usual + part.money : money,
    reason: part ? `${reason} ${part.reason}` : reason,
  }
}

/** Air that a careful bleed leaves, mm³. */
const BLED = 80
/** A new clevis, pin and rod tip leave this, mm. */
const NEW_SLOP = 0.1
/** Clearance that is set on the bench: small, and never less than none; mm. */
const SET_CLEARANCE = 0.2

const field = (name: string, value: number): Change[] => [{ change: 'field', field: name, value }]

/** The next bore that is made, upward or downward; null where none is near. */
function nextBore(bore: number, step: 1 | -1): number | null {
  const others = WORKSHOP_BORES.filter((one) => (one - bore) * step > 0.3)
  return (step === 1 ? others[0] : others.at(-1)) ?? null
}

/** The line that swells most, if it is a hose. */
function softest(lines: readonly Line[]): number {
  const swells = lines.map((line) => (line.kind === 'steel' ? 0 : lineSwell(line)))
  return swells.indexOf(Math.max(...swells))
}

/** A hose that swells less than this share of the old one is worth renewing it for. */
const WORTH = 0.9

/** The softest hose renewed by one of another kind, where there is such a hose and the new one is stiffer. */
function stiffer(lines: readonly Line[], kind: (line: Line) => string | null): Change[] | null {
  const index = softest(lines)
  const line = lines[index]
  const id = line && line.kind !== 'steel' && kind(line)
  if (!id) return null
  const next = lineOfKind(id, line.length)
  return lineSwell(next) < WORTH * lineSwell(line) ? [{ change: 'line', index, line: next }] : null
}

const ROWS: readonly Row[] = [
  {
    id: 'bleed',
    label: 'Bleed until the readings show no air',
    change: (c) => (c.air > BLED ? [{ change: 'air', value: BLED }] : null),
    operation: 'bleed',
  },
  {
    id: 'clearance',
    label: 'Set the pushrod’s clearance',
    change: ({ master }) =>
      master.pushrodClearance > SET_CLEARANCE ? field('master.pushrodClearance', SET_CLEARANCE) : null,
    operation: 'rod',
  },
  {
    id: 'pin',
    label: 'Renew clevis, pin and rod tip',
    change: (c) =>
      c.linkage.slop > NEW_SLOP && !takesUpPlay(c) ? field('linkage.slop', NEW_SLOP) : null,
    operation: 'pin',
    part: { money: 12, reason: 'Where a spring takes slop up it buys nothing.' },
  },
  {
    id: 'play',
    label: 'Set the bearing’s play at the fork',
    change: (c) =>
      c.linkage.bearingClearance > 0.5 && !takesUpPlay(c)
        ? field('linkage.bearingClearance', 0.5)
        : null,
    operation: 'linkage',
  },
  {
    id: 'braided',
    label: 'Braided hose in place of the softest',
    change: ({ lines }) => stiffer(lines, () => 'braided'),
    operation: 'hose',
    part: { money: 47, reason: 'Made up with ends.' },
  },
  {
    id: 'lowExpansion',
    label: 'Low-expansion rubber in place of the softest',
    change: ({ lines }) =>
      stiffer(lines, (line) =>
        line.kind !== 'rubber' ? null : line.innerDiameter > 4 ? 'rubber-5-low' : 'rubber-3-low',
      ),
    operation: 'hose',
    part: { money: 28, reason: 'Fits where the old one did.' },
  },
  {
    id: 'largerMaster',
    label: 'Master one bore larger',
    change({ master }) {
      const bore = nextBore(master.bore, 1)
      return bore === null ? null : field('master.bore', bore)
    },
    operation: 'master',
    part: { money: 77, reason: 'The pedal gets heavier.' },
  },
  {
    id: 'smallerSlave',
    label: 'Slave one bore smaller',
    change({ slave }) {
      if (slave.type !== 'external') return null
      const bore = nextBore(slave.bore, -1)
      return bore === null ? null : field('slave.bore', bore)
    },
    operation: 'slave',
    part: { money: 52, reason: 'The pedal gets heavier.' },
  },
  {
    id: 'stop',
    label: 'Pedal stop set back 5 mm',
    change: ({ pedal }) => field('pedal.travel', pedal.travel + 5),
    operation: 'stop',
  },
]
export const REMEDIES: readonly Remedy[] = ROWS.map(remedy)
