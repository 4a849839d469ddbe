import { computed, ref, shallowRef, watch } from 'vue'
import { priorsFrom, type Evidence, type Policy, type Report } from '~~/core/diagnosis'
import { calibrationFrom, conditionsOf, evidenceOf, goodFigures } from '~~/core/journal'
import { barredBy, diagnosisAsked, evidenceLeft } from '~~/core/proof'
import { useDiagnosers, writeDiagnosis } from '~/asking/diagnoser'
import { useAsked } from '~/asking/useAsked'
import { injected } from '~/lib/injected'
import type { JobFigures, OpenJob } from './useJob'
import { useShopStore } from '~/stores/shop'
import { useOrdersStore } from '~/stores/orders'
import { useShelfPrices } from './useShelfPrices'

/** What a job’s entries add up to, asked anew with each entry while somebody looks. */
function openDiagnosis(job: OpenJob, figures: JobFigures) {
  const shop = useShopStore()
  const orders = useOrdersStore()
  const asker = useDiagnosers()
  /** The guide that is open on the screen. */
  const guide = ref<string | null>(null)
  const openGuide = (id: string | null) => (guide.value = id)
  /** Looked at: else nothing is computed. */
  const watched = ref(false)
  /** The shop’s settings have come, or cannot: then the usual ones serve. */
  const asSet = ref(false)
  /** What is being chosen, where it is not the shop's way: the other questions are weighed with it. */
  const weighing = shallowRef<Policy | null>(null)

  const evidence = computed(() => evidenceOf(job.state.value))
  const conditions = computed(() => conditionsOf(job.state.value))
  const barring = computed(() => barredBy(figures.stops.value))
  const pooled = computed(() => priorsFrom(shop.record, job.vehicle.value?.model ?? ''))
  /** Once the job has a basket, its money is reckoned with. */
  const priced = useShelfPrices(job.id, () => figures.kept.value)
  watch(watched, (yes) => yes && void orders.load().catch(() => {}))

  const good = computed(() => goodFigures(calibrationFrom(job.vehicleEntries.value)))
  const known = computed(
    () =>
      figures.kept.value && {
        ...{ installation: figures.kept.value, priors: pooled.value.priors, good: good.value },
      },
  )
  /** Asks of one body of evidence whenever it changes. */
  const asking = (of: () => Evidence | null) =>
    useAsked(
      () => {
        const seen = of()
        if (!watched.value || !known.value || !asSet.value || !seen) return null
        const question = diagnosisAsked(seen, job.state.value, {
          stops: figures.stops.value,
          settings: shop.settings,
          prices: priced.value,
          school: weighing.value,
        })
        return { known: known.value, question }
      },
      asker(),
      { keeps: true, write: writeDiagnosis },
    )
  const found = asking(() => evidence.value)
  const left = asking(() => evidenceLeft(job.state.value))
  /** Chances before the last entry, to show how the suspects move. */
  const before = shallowRef<ReadonlyMap<string, number>>(new Map())
  const chances = (told: Report | null) =>
    new Map(told?.suspects.map(({ fault, chance }) => [fault, chance]))
  watch(found.answer, (_, earlier) => (before.value = chances(earlier)))
  void shop
    .load()
    .catch(() => {})
    .finally(() => (asSet.value = true))

  return {
    told: found.answer,
    before,
    waiting: computed(() => found.progress.value !== null),
    problem: found.problem,
    left: left.answer,
    watched,
    weighing,
    guide,
    openGuide,
    evidence,
    conditions,
    barring,
    pooled,
    priced,
  }
}

export type OpenDiagnosis = ReturnType<typeof openDiagnosis>
export const [provideDiagnosis, useDiagnosis] = injected('diagnosis', openDiagnosis)
