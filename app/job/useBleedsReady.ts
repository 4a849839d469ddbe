import { onMounted, watch } from 'vue'
import { heavyAsker, warm } from '~/asking/heavy'
import { useBleedLearntStore } from '~/stores/bleed-learnt'
import { usePlansStore } from '~/stores/plans'

/**
 * What a bleed is asked with, fetched when its page opens: threads that are started, what the shop's own bleeds teach, and its packages.
 * @param isWorkedOn steps of a plan were told
 */
export function useBleedsReady(isWorkedOn: () => boolean): void {
  const learnt = useBleedLearntStore()
  const plans = usePlansStore()
  onMounted(() => {
    warm('main')
    warm('beside')
    const weigh = async (outcomes: typeof learnt.outcomes) => {
      const told = await heavyAsker('learn', 'beside').ask(JSON.stringify(outcomes), () => {})
      return told.ended ? told.result : null
    }
    learnt.load(weigh).catch(() => {})
    // What a package of the shop's own drains is known with it.
    watch(isWorkedOn, (yes) => yes && void plans.load().catch(() => {}), { immediate: true })
  })
}
