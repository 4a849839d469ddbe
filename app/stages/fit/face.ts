import { touchedBy } from '~~/core/proof'
import { AS_FOUND, loaded, type StageFace } from '../stage'

export const fit: StageFace = {
  view: loaded(() => import('./FitStage.vue')),
  frame: AS_FOUND,
  owed({ state }) {
    return state.value.decision && touchedBy(state.value) === null ? { words: 'work done?' } : null
  },
}
