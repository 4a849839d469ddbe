import { isProven, readingsOwed } from '~~/core/proof'
import { AS_FOUND, loaded, type StageFace } from '~/stages/stage'

export const prove: StageFace = {
  view: loaded(() => import('./ProveStage.vue')),
  frame: { ...AS_FOUND, beside: { phase: 'after', name: 'after' } },
  owed({ state }, { proof }) {
    const checks = proof.value?.verdict.reasons.filter(({ outcome }) => outcome !== 'pass').length ?? 0
    const proven = isProven(state.value)
    if (checks === 0 && (proven || readingsOwed(state.value).length === 0)) return null
    return { words: `${checks} open` }
  },
}
