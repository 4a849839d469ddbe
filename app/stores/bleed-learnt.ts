import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { countOutcomes, type BleedOutcome, type Learned, type OutcomeCount } from '~~/core/bleed'
import { api } from '~/sync/api'

/** What this shop's own bleeds say: counted by method and routing, and what the draws of a ranking take from them. */
export const useBleedLearntStore = defineStore('bleed-learnt', () => {
  const counts = shallowRef<OutcomeCount[]>([])
  const outcomes = shallowRef<BleedOutcome[]>([])
  const learned = shallowRef<Learned | null>(null)
  let asked: Promise<void> | null = null

  /** Asked once by all who want it; again where it failed. What is learnt comes later, when the worker has weighed it. */
  function load(weigh: (outcomes: BleedOutcome[]) => Promise<Learned | null>): Promise<void> {
    asked ??= (async () => {
      outcomes.value = await api<BleedOutcome[]>('/shop/bleed-outcomes')
      counts.value = countOutcomes(outcomes.value)
      if (outcomes.value.length > 0) learned.value = await weigh(outcomes.value)
    })().catch((error: unknown) => {
      asked = null
      throw error
    })
    return asked
  }
  return { counts, outcomes, learned, load }
})
