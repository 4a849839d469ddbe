import { chooseOwed } from '~~/core/proof'
import { AS_FOUND, loaded, type StageFace } from '~/stages/stage'

export const choose: StageFace = {
  view: loaded(() => import('./ChooseStage.vue')),
  frame: AS_FOUND,
  owed({ state }) {
    const { refused, unchecked, plan, wontFit, compare, waiting, wrong } = chooseOwed(state.value)
    if (refused.length > 0) return { words: 'does not join', stops: true }
    if (wontFit.length > 0) return { words: 'does not fit', stops: true }
    if (wrong.length > 0) return { words: 'send back' }
    if (waiting.length > 0) return { words: `${waiting.length} to come` }
    if (compare) return { words: 'compare' }
    if (plan) return { words: 'plan' }
    return unchecked.length > 0
      ? { words: `${unchecked.length} ${unchecked.length === 1 ? 'joint' : 'joints'}` }
      : null
  },
}
