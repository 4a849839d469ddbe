import { computed, type Ref } from 'vue'
import type { Part } from '~~/contract'
import { jointAt, jointPlaces, type JointPlace } from '~~/core/installation'
import type { FitCheck } from '~~/core/journal'
import { endsOf } from '~~/core/shelf'
import {
  fitVerdict,
  judgeRow,
  rowsOf,
  unlooked,
  type Compared,
  type ComparedRow,
  type Judged,
  type RowId,
  type RowValue,
} from '~~/core/side-by-side'

type Known = Partial<Record<RowId, RowValue>>

/**
 * One part laid beside the old one: rows as they were looked at, with what the vehicle and the shelf already tell, each judged.
 * A row is an entry of its own, so that two people can fill them in and each can be taken back.
 */
export function useComparison(of: Ref<Compared>, part: Ref<Part | null>) {
  const { state, file } = useJob()
  const { kept } = useDesk()
  const held = computed(() => state.value.comparisons[of.value] ?? null)

  /** What is read off the vehicle: it is the old side until somebody measures it again. */
  const ofVehicle = computed((): Known => {
    const installation = kept.value
    if (!installation) return {}
    const { circuit, assumed, mounts, slave } = installation
    const measured = (path: string, value: number): Known[RowId] =>
      assumed.includes(path) ? undefined : value
    const ends = (at: JointPlace, side: 'a' | 'b', thread: RowId, seat: RowId): Known => {
      if (!jointPlaces(installation).includes(at)) return {}
      const end = jointAt(installation, at)[side]
      return end ? { [thread]: end.thread ?? 'none', [seat]: end.seat } : {}
    }
    const known: Known = {}
    const put = (id: RowId, value: RowValue | null | undefined) => {
      if (value !== null && value !== undefined) known[id] = value
    }
    if (of.value === 'master') {
      put('bore', measured('master.bore', circuit.master.bore))
      put('stroke', measured('master.stroke', circuit.master.stroke))
      put('mounting', mounts?.master)
      Object.assign(known, ends('masterOutlet', 'a', 'portThread', 'portSeat'))
    } else if (of.value === 'slave' || of.value === 'concentric') {
      if (circuit.slave.type === 'external') put('bore', measured('slave.bore', circuit.slave.bore))
      put('stroke', measured('slave.stroke', circuit.slave.stroke))
      put('mounting', mounts?.slave)
      put('bleedScrew', slave.bleeder.kind === 'none' ? 'none' : 'fitted')
      Object.assign(known, ends('slavePort', 'b', 'portThread', 'portSeat'))
    } else {
      Object.assign(known, ends('masterOutlet', 'b', 'portThread', 'portSeat'))
      Object.assign(known, ends('slavePort', 'a', 'farThread', 'farSeat'))
    }
    return known
  })
  /** What the shelf says of the part that was chosen. */
  const ofShelf = computed((): Known => {
    const data = part.value?.data
    if (!data) return {}
    const known: Known = {}
    for (const id of ['bore', 'stroke', 'length'] as const)
      if (data[id] !== undefined) known[id] = data[id]
    const ends = endsOf(data)
    if (ends) {
      known.portThread = ends[0].thread ?? 'none'
      known.portSeat = ends[0].seat
      if (of.value === 'hose' || of.value === 'pipe') {
        known.farThread = ends[1].thread ?? 'none'
        known.farSeat = ends[1].seat
      }
    }
    return known
  })

  const valueOf = (id: RowId, side: 'old' | 'new'): RowValue | null =>
    held.value?.rows.find(({ what }) => what === id)?.[side] ??
    (side === 'old' ? ofVehicle : ofShelf).value[id] ??
    null
  const context = computed(() => {
    const [adjusts, supplied] = [valueOf('rodAdjusts', 'new'), valueOf('rodSupplied', 'new')]
    return {
      of: of.value,
      ...(typeof adjusts === 'boolean' && { rodAdjusts: adjusts }),
      ...(typeof supplied === 'boolean' && { rodSupplied: supplied }),
      ...(kept.value && { rodThreadPitch: kept.value.rodThreadPitch }),
    }
  })
  const rows = computed(() =>
    rowsOf(of.value).map((kind) => {
      const sides = { old: valueOf(kind.id, 'old'), new: valueOf(kind.id, 'new') }
      const proposed = judgeRow(kind.id, sides, context.value, formatNow())
      const filed = held.value?.rows.find(({ what }) => what === kind.id)
      const own = filed?.hand ? filed : null
      return {
        kind,
        sides,
        proposed,
        own,
        judged: own?.judged ?? proposed.judged,
        change: own?.change ?? proposed.change,
      }
    }),
  )
  const compared = computed((): ComparedRow[] =>
    rows.value.map(({ kind, sides, judged, change, own }) => ({
      what: kind.id,
      ...sides,
      judged,
      ...(change !== undefined && { change }),
      ...(own && { hand: true as const }),
    })),
  )
  const verdict = computed(() => fitVerdict(of.value, compared.value))
  const missing = computed(() => unlooked(of.value, compared.value))

  const blank = (): FitCheck => ({
    of: of.value,
    brought: held.value?.brought ?? state.value.goal?.payload.jobKind === 'partsBrought',
    rows: [],
    keep: [],
    move: [],
    bin: [],
    casualties: [],
    ...(part.value && { part: part.value.id }),
  })
  const filing = (more: Partial<FitCheck>) => file('fitCheck', { ...blank(), ...more })
  function setRow(id: RowId, side: 'old' | 'new', value: RowValue | null) {
    const row = rows.value.find(({ kind }) => kind.id === id)!
    const sides = { ...row.sides, [side]: value }
    const judged = judgeRow(id, sides, context.value, formatNow())
    return fileRow(id, sides, judged.judged, judged.change)
  }
  function overrule(id: RowId, judged: Judged) {
    const { sides, proposed } = rows.value.find(({ kind }) => kind.id === id)!
    const as = judged === proposed.judged
    return fileRow(id, sides, judged, as ? proposed.change : undefined, !as)
  }
  function fileRow(
    id: RowId,
    sides: { old: RowValue | null; new: RowValue | null },
    judged: Judged,
    change: string | undefined,
    byHand = false,
  ) {
    const kind = rows.value.find((one) => one.kind.id === id)!.kind
    const row: ComparedRow = {
      what: id,
      ...sides,
      judged,
      ...(kind.type === 'figure' && { unit: kind.unit }),
      ...(change !== undefined && { change: change.slice(0, 300) }),
      ...(byHand && { hand: true as const }),
    }
    return filing({ rows: [row] })
  }
  /** What is known without anybody having filed it is filed with the whole, so that the history holds what was compared. */
  const fileAll = (lists: Pick<FitCheck, 'keep' | 'move' | 'bin' | 'casualties'>) =>
    filing({
      rows: compared.value.filter((row) => row.old !== null || row.new !== null).map(withUnit),
      ...lists,
    })
  function withUnit(row: ComparedRow): ComparedRow {
    const kind = rowsOf(of.value).find(({ id }) => id === row.what)!
    return kind.type === 'figure' ? { ...row, unit: kind.unit } : row
  }
  return { held, rows, compared, verdict, missing, setRow, overrule, filing, fileAll }
}
export type OpenComparison = ReturnType<typeof useComparison>
