import { computed, type Ref } from 'vue'
import type { Part } from '~~/contract'
import type { FitCheck } from '~~/core/journal'
import {
  comparingContext,
  filedRow,
  fitVerdict,
  judgeRow,
  knownOfShelf,
  knownOfVehicle,
  rowsNow,
  unlooked,
  type Compared,
  type Comparing,
  type Judged,
  type RowId,
  type RowValue,
} from '~~/core/side-by-side'
import { useJob } from '~/job/useJob'
import { useDesk } from '~/job/useDesk'
import { formatNow } from '~/units/units'

/**
 * One part laid beside the old one: rows as they were looked at, with what the vehicle and the shelf already tell, each judged.
 * A row is an entry of its own, so that two people can fill them in and each can be taken back.
 */
export function useComparison(of: Ref<Compared>, part: Ref<Part | null>) {
  const { state, file } = useJob()
  const { kept } = useDesk()
  const held = computed(() => state.value.comparisons[of.value] ?? null)
  const comparing = computed((): Comparing => ({
    of: of.value,
    filed: held.value?.rows ?? [],
    vehicle: knownOfVehicle(of.value, kept.value),
    shelf: knownOfShelf(of.value, part.value?.data ?? null),
    rodThreadPitch: kept.value?.rodThreadPitch ?? null,
  }))
  const rows = computed(() => rowsNow(comparing.value, formatNow()))
  const compared = computed(() =>
    rows.value.map(({ kind, sides, judged, change, own }) =>
      filedRow(kind, sides, judged, change, own !== null),
    ),
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
  const rowOf = (id: RowId) => rows.value.find(({ kind }) => kind.id === id)!
  function setRow(id: RowId, side: 'old' | 'new', value: RowValue | null) {
    const { kind, sides: before } = rowOf(id)
    const sides = { ...before, [side]: value }
    const { judged, change } = judgeRow(id, sides, comparingContext(comparing.value), formatNow())
    return filing({ rows: [filedRow(kind, sides, judged, change)] })
  }
  function overrule(id: RowId, judged: Judged) {
    const { kind, sides, proposed } = rowOf(id)
    const isProposed = judged === proposed.judged
    const change = isProposed ? proposed.change : undefined
    return filing({ rows: [filedRow(kind, sides, judged, change, !isProposed)] })
  }
  /** What is known without anybody having filed it is filed with the whole, so that the history holds what was compared. */
  const fileAll = (lists: Pick<FitCheck, 'keep' | 'move' | 'bin' | 'casualties'>) =>
    filing({
      rows: compared.value.filter((row) => row.old !== null || row.new !== null),
      ...lists,
    })
  return { held, rows, compared, verdict, missing, setRow, overrule, filing, fileAll }
}
export type OpenComparison = ReturnType<typeof useComparison>
