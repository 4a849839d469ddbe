import { computed, inject, provide, ref, shallowRef, watch, type InjectionKey } from 'vue'
import { priorsFrom, type Evidence, type Policy, type Report } from '~~/core/diagnosis'
import { calibrationFrom, conditionsOf, evidenceOf, goodFigures } from '~~/core/journal'
import { barredBy, questionOf } from '~~/core/proof'
import type { JobFigures, OpenJob } from './useJob'

/** What a job’s entries add up to, asked anew with each entry while somebody looks. */
function openDiagnosis(job: OpenJob, figures: JobFigures) {
  const shop = useShopStore()
  const { diagnoser, broken } = useDiagnoser()
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
  watch(
    watched,
    (yes) =>
      yes &&
      void useOrdersStore()
        .load()
        .catch(() => {}),
  )

  const good = computed(() => goodFigures(calibrationFrom(job.vehicleEntries.value)))

  /** Asks of one body of evidence whenever it changes. */
  function asking(of: () => Evidence | null) {
    const told = shallowRef<Report | null>(null)
    /** Chances before the last entry, to show how the suspects move. */
    const before = shallowRef<ReadonlyMap<string, number>>(new Map())
    const {
      waiting,
      problem,
      ask: askNewest,
    } = asksNewest(
      (text: string) => {
        const [installation, priors, question, known] = JSON.parse(text)
        return diagnoser().ask(installation, priors, question, known) as Promise<Report>
      },
      (answer) => {
        before.value = new Map(told.value?.suspects.map(({ fault, chance }) => [fault, chance]))
        told.value = answer
      },
    )
    const asked = computed(() => {
      const seen = of()
      if (!watched.value || !figures.kept.value || !asSet.value || !seen) return null
      const usual = questionOf(seen, job.state.value, figures.stops.value, shop.settings)
      const question = {
        ...usual,
        costs: { ...usual.costs, ...priced.value },
        school: weighing.value ?? usual.school,
      }
      return JSON.stringify([figures.kept.value, pooled.value.priors, question, good.value])
    })
    watch(asked, (text) => text !== null && void askNewest(text), { immediate: true })
    return { told, before, waiting, problem: computed(() => problem.value || broken.value) }
  }

  const found = asking(() => evidence.value)
  /** What is left after the work, once something that was felt is less or the same. */
  const left = asking(() => {
    const after = evidenceOf(job.state.value, 'after')
    return after.complaints.length > 0 || Object.values(after.findings).includes('present')
      ? after
      : null
  })
  void shop
    .load()
    .catch(() => {})
    .finally(() => (asSet.value = true))

  return {
    ...found,
    left: left.told,
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
const KEY: InjectionKey<OpenDiagnosis> = Symbol('diagnosis')

export function provideDiagnosis(job: OpenJob, figures: JobFigures): OpenDiagnosis {
  const open = openDiagnosis(job, figures)
  provide(KEY, open)
  return open
}
export function useDiagnosis(): OpenDiagnosis {
  const open = inject(KEY)
  if (!open) throw new Error('nothing is diagnosed here')
  return open
}
