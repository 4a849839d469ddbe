import { useSessionStorage } from '@vueuse/core'
import { computed } from 'vue'
import { InputError } from '~~/core/circuit'
import {
  bendRadius,
  cornersOf,
  FLARE_ALLOWANCES,
  makePipe,
  type BendBy,
  type Corner,
  type MadePipe,
} from '~~/core/layout'
import { useJob } from '~/job/useJob'
import { useDesk } from '~/job/useDesk'

type FlareSeat = (typeof FLARE_ALLOWANCES)[number]['seat']
/** What is typed of a pipe; missing is as it was drawn or as the tables have it. mm, degrees. */
export interface PipeDraft {
  corners?: Corner[]
  outerDiameter?: number
  radius?: number
  by?: BendBy
  a?: FlareSeat
  b?: FlareSeat
  allowances?: Partial<Record<FlareSeat, number>>
}
/** Where a steel line is not what is there, the usual pipe, mm. */
const USUAL_PIPE = 4.75

/** A pipe for one of the lines: from the way that was drawn, changed by hand, and what comes of it. */
export function usePipe(index: () => number) {
  const { id } = useJob()
  const desk = useDesk()
  const drafts = useSessionStorage<Record<string, PipeDraft>>(`mellow-pipes-${id}`, {})
  const line = computed(() => desk.kept.value?.circuit.lines[index()] ?? null)
  const draft = computed(() => drafts.value[index()] ?? {})
  const change = (part: Partial<PipeDraft>) =>
    (drafts.value = { ...drafts.value, [index()]: { ...draft.value, ...part } })
  const reset = () => (drafts.value = { ...drafts.value, [index()]: {} })
  const drawn = computed<Corner[]>(() => {
    const kept = desk.kept.value
    if (!kept || !line.value) return []
    const from = kept.circuit.lines.slice(0, index()).reduce((sum, { length }) => sum + length, 0)
    return cornersOf(kept.route, from, from + line.value.length)
  })
  const corners = computed(() => draft.value.corners ?? drawn.value)
  const outerDiameter = computed(
    () =>
      draft.value.outerDiameter ??
      (line.value?.kind === 'steel' ? line.value.outerDiameter : USUAL_PIPE),
  )
  const by = computed<BendBy>(() => draft.value.by ?? 'tool')
  const radius = computed(
    () => draft.value.radius ?? Math.ceil(bendRadius(by.value, outerDiameter.value)),
  )
  const allowanceOf = (seat: FlareSeat): number =>
    draft.value.allowances?.[seat] ?? FLARE_ALLOWANCES.find((one) => one.seat === seat)!.value
  const flare = (name: 'a' | 'b') => {
    const seat = draft.value[name] ?? 'doubleFlare'
    return { seat, allowance: allowanceOf(seat) }
  }
  const made = computed((): { pipe: MadePipe | null; wrong: string } => {
    try {
      const pipe = makePipe(corners.value, {
        outerDiameter: outerDiameter.value,
        radius: radius.value,
        by: by.value,
        a: flare('a'),
        b: flare('b'),
      })
      return { pipe, wrong: '' }
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      const at = /\/corners\/(\d+)/.exec(error.path)?.[1]
      return { pipe: null, wrong: `${at ? `Corner ${Number(at) + 1}` : 'The pipe'}: ${error.message}` }
    }
  })
  return { line, draft, change, reset, corners, outerDiameter, by, radius, allowanceOf, flare, made }
}
