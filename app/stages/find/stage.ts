import { blockingStops } from '~~/core/proof'
import { loaded, type StageFace } from '~/stages/stage'

export const find: StageFace = {
  view: loaded(() => import('./FindStage.vue')),
  frame: { beside: null, suspects: true, found: 'asFound' },
  owed({ state }, { stops }) {
    if (blockingStops(stops.value).length > 0) return { words: 'stop', stops: true }
    return state.value.readings.asFound.freeTravel ? null : { words: 'free travel' }
  },
}
