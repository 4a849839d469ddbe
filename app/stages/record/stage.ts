import { AS_FOUND, loaded, type StageFace } from '~/stages/stage'

export const record: StageFace = {
  view: loaded(() => import('./RecordStage.vue')),
  frame: { ...AS_FOUND, beside: { phase: 'after', name: 'after' } },
  owed: () => null,
}
