import { leftOver, touchedBy } from '~~/core/proof'
import { AS_FOUND, loaded, type StageFace } from '~/stages/stage'

export const fit: StageFace = {
  view: loaded(() => import('./FitStage.vue')),
  frame: AS_FOUND,
  owed({ state }, { stops }) {
    const { workPlan, stepsTold, decision } = state.value
    const left = leftOver(state.value)
    if (stops.value.some(({ stop }) => stop === 'borePitted'))
      return { words: 'bore rejected', stops: true }
    if (left.length > 0) return { words: `${left.length} open` }
    if (workPlan && stepsTold.length === 0) return { words: 'to begin' }
    return decision && touchedBy(state.value) === null && stepsTold.length === 0
      ? { words: 'work done?' }
      : null
  },
}
