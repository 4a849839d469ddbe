import { jointAt, jointPlaces, type Installation, type JointPlace } from '../installation'
import type { Format } from '../quantity'
import { endsOf, type PartData } from '../shelf'
import { judgeRow, type CompareContext, type ComparedRow, type Judged } from './judge'
import { rowsOf, type Compared, type CompareRow, type RowId, type RowValue } from './rows'

/** What is known of a part without anybody having looked at it for the comparison. */
export type KnownRows = Partial<Record<RowId, RowValue>>
type Row = readonly [id: RowId, value: RowValue | null | undefined]

const known = (...rows: readonly Row[]): KnownRows =>
  Object.fromEntries(rows.filter(([, value]) => value !== null && value !== undefined))

/** What was read off the vehicle: it is the old side until somebody measures it again. What is assumed is not known. */
export function knownOfVehicle(of: Compared, installation: Installation | null): KnownRows {
  if (!installation) return {}
  const { circuit, assumed, mounts, slave } = installation
  const measured = (path: string, value: number) => (assumed.includes(path) ? null : value)
  const end = (at: JointPlace, side: 'a' | 'b', thread: RowId, seat: RowId): Row[] => {
    const found = jointPlaces(installation).includes(at) ? jointAt(installation, at)[side] : null
    if (!found) return []
    return [
      [thread, found.thread ?? 'none'],
      [seat, found.seat],
    ]
  }
  switch (of) {
    case 'master':
      return known(
        ['bore', measured('master.bore', circuit.master.bore)],
        ['stroke', measured('master.stroke', circuit.master.stroke)],
        ['mounting', mounts?.master],
        ...end('masterOutlet', 'a', 'portThread', 'portSeat'),
      )
    case 'slave':
    case 'concentric':
      return known(
        ['bore', circuit.slave.type === 'external' ? measured('slave.bore', circuit.slave.bore) : null],
        ['stroke', measured('slave.stroke', circuit.slave.stroke)],
        ['mounting', mounts?.slave],
        ['bleedScrew', slave.bleeder.kind === 'none' ? 'none' : 'fitted'],
        ...end('slavePort', 'b', 'portThread', 'portSeat'),
      )
    case 'hose':
    case 'pipe':
      return known(
        ...end('masterOutlet', 'b', 'portThread', 'portSeat'),
        ...end('slavePort', 'a', 'farThread', 'farSeat'),
      )
  }
}

/** What the shelf says of the part that was chosen. */
export function knownOfShelf(of: Compared, data: PartData | null): KnownRows {
  const ends = data && endsOf(data)
  const hasTwo = of === 'hose' || of === 'pipe'
  return known(
    ['bore', data?.bore],
    ['stroke', data?.stroke],
    ['length', data?.length],
    ['portThread', ends && (ends[0].thread ?? 'none')],
    ['portSeat', ends?.[0].seat],
    ['farThread', ends && hasTwo ? (ends[1].thread ?? 'none') : null],
    ['farSeat', ends && hasTwo ? ends[1].seat : null],
  )
}

/** A row as it stands: both sides, what is proposed, and what somebody judged by hand. */
export interface RowNow {
  kind: CompareRow
  sides: { old: RowValue | null; new: RowValue | null }
  proposed: ReturnType<typeof judgeRow>
  own: ComparedRow | null
  judged: Judged
  change: string | undefined
}
export interface Comparing {
  of: Compared
  filed: readonly ComparedRow[]
  vehicle: KnownRows
  shelf: KnownRows
  /** mm; null where nobody knows it. */
  rodThreadPitch: number | null
}

/** What hangs on other rows: whether the new rod adjusts, and comes with it. */
export function comparingContext({ of, rodThreadPitch, ...sides }: Comparing): CompareContext {
  const ofNew = (id: RowId) => valueOf(id, 'new', sides)
  const [adjusts, supplied] = [ofNew('rodAdjusts'), ofNew('rodSupplied')]
  return {
    of,
    ...(typeof adjusts === 'boolean' && { rodAdjusts: adjusts }),
    ...(typeof supplied === 'boolean' && { rodSupplied: supplied }),
    ...(rodThreadPitch !== null && { rodThreadPitch }),
  }
}
const valueOf = (
  id: RowId,
  side: 'old' | 'new',
  { filed, vehicle, shelf }: Pick<Comparing, 'filed' | 'vehicle' | 'shelf'>,
): RowValue | null =>
  filed.find(({ what }) => what === id)?.[side] ?? (side === 'old' ? vehicle : shelf)[id] ?? null

/** Every row of a comparison, judged, what was judged by hand over what is proposed. */
export function rowsNow(comparing: Comparing, format: Format): RowNow[] {
  const context = comparingContext(comparing)
  return rowsOf(comparing.of).map((kind) => {
    const sides = {
      old: valueOf(kind.id, 'old', comparing),
      new: valueOf(kind.id, 'new', comparing),
    }
    const proposed = judgeRow(kind.id, sides, context, format)
    const filed = comparing.filed.find(({ what }) => what === kind.id)
    const own = filed?.hand ? filed : null
    return {
      ...{ kind, sides, proposed, own },
      judged: own?.judged ?? proposed.judged,
      change: own?.change ?? proposed.change,
    }
  })
}

/** Longest note of what has to change that is kept. */
const CHANGE = 300
/** A row as it is filed. @param hand somebody judged it otherwise than is proposed */
export const filedRow = (
  kind: CompareRow,
  sides: RowNow['sides'],
  judged: Judged,
  change: string | undefined,
  hand = false,
): ComparedRow => ({
  what: kind.id,
  ...sides,
  judged,
  ...(kind.type === 'figure' && { unit: kind.unit }),
  ...(change !== undefined && { change: change.slice(0, CHANGE) }),
  ...(hand && { hand: true as const }),
})
