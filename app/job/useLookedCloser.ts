import { computed, ref, type Ref } from 'vue'
import type { RankAsked, RankedEntry } from '~~/core/bleed'
import { useHeavy } from '~/asking/heavy'

/** Ways of which it is said on which constants they hang. */
const FIRST = 3
/** Draws of what would change one of them. */
const CHANGE_DRAWS = 16

/** A way as it is told from others. */
const keyOf = ({ steps, atUnion }: Pick<RankedEntry, 'steps' | 'atUnion'>): string =>
  [atUnion ? 'union' : '', ...steps.map(({ method }) => method)].join(' ')

/**
 * One way of a ranking is looked at more closely: on what it hangs, and what would change it.
 * @param looks it is ranked, and somebody looks
 */
export function useLookedCloser(of: {
  asked: Readonly<Ref<RankAsked | null>>
  open: Readonly<Ref<readonly RankedEntry[]>>
  looks: Readonly<Ref<boolean>>
}) {
  const { asked, open, looks } = of
  const picked = ref<string | null>(null)
  const entry = computed(
    () => open.value.find((one) => keyOf(one) === picked.value) ?? open.value[0] ?? null,
  )
  const rests = useHeavy(
    'rests',
    () =>
      looks.value && asked.value ? { asked: asked.value, entries: open.value.slice(0, FIRST) } : null,
    { keeps: true },
  )
  const restsOf = computed((): Record<string, string[]> => {
    const { answered, isFresh } = rests
    if (!isFresh.value || !answered.value) return {}
    const { question, answer } = answered.value
    return Object.fromEntries(question.entries.map((one, i) => [keyOf(one), answer[i] ?? []]))
  })
  const changes = useHeavy(
    'changes',
    () =>
      looks.value && asked.value && entry.value
        ? { asked: asked.value, entry: entry.value, draws: CHANGE_DRAWS }
        : null,
    { lane: 'beside', keeps: true },
  )
  return { keyOf, picked, entry, restsOf, changes: changes.answer, changesProgress: changes.progress }
}
