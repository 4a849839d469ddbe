import { LIMITS } from '~~/core/proof'
import { AS_FOUND, loaded, type StageFace } from '~/stages/stage'

export const bleed: StageFace = {
  view: loaded(() => import('./BleedStage.vue')),
  frame: { ...AS_FOUND, beside: { phase: 'working', name: 'now' } },
  owed({ state }) {
    const { cycles, clearInRow, setup } = state.value.bleed
    if (cycles.length === 0 && setup?.payload.steps?.length) return { words: 'to begin' }
    if (cycles.length === 0 || clearInRow >= LIMITS.clearInRow) return null
    return { words: `clear ${clearInRow}/${LIMITS.clearInRow}` }
  },
}
