import { wrap, type Remote } from 'comlink'
import {
  computed,
  inject,
  onScopeDispose,
  provide,
  ref,
  shallowRef,
  watch,
  type InjectionKey,
} from 'vue'
import {
  priorsFrom,
  SHOP_COSTS,
  USUAL_SCHOOL,
  type Evidence,
  type FindingId,
  type Question,
  type Report,
} from '~~/core/diagnosis'
import { conditionsOf, evidenceOf } from '~~/core/journal'
import { blockingStops, type OpenStop } from '~~/core/proof'
import type { Diagnoser } from '~/workers/diagnose'
import type { OpenJob } from './useJob'

/** A stop by what it forbids: a rod that shuts the port bars what a shut way home does. */
const asFinding = (stop: OpenStop['stop']): FindingId =>
  stop === 'rodClearance' ? 'wayHomeShut' : stop

/** A worker that keeps the tables ready for the last circuit, started when first asked. */
function useDiagnoser() {
  let worker: Worker | undefined
  let remote: Remote<Diagnoser> | undefined
  const broken = ref('')
  onScopeDispose(() => worker?.terminate())
  function diagnoser(): Remote<Diagnoser> {
    if (remote) return remote
    worker = new Worker(new URL('../workers/diagnose.ts', import.meta.url), { type: 'module' })
    worker.onerror = (event) =>
      (broken.value = event.message || 'What this adds up to could not be worked out.')
    return (remote = wrap<Diagnoser>(worker))
  }
  return { diagnoser, broken }
}

/** What a job’s entries add up to, asked anew with each entry while somebody looks. */
function openDiagnosis(job: OpenJob) {
  const shop = useShopStore()
  const { diagnoser, broken } = useDiagnoser()
  /** Looked at: else nothing is computed. */
  const watched = ref(false)
  /** The shop’s settings have come, or cannot: then the usual ones serve. */
  const asSet = ref(false)

  const evidence = computed(() => evidenceOf(job.state.value))
  const conditions = computed(() => conditionsOf(job.state.value))
  const barring = computed(() => blockingStops(job.stops.value).map(({ stop }) => asFinding(stop)))
  const pooled = computed(() => priorsFrom(shop.record, job.vehicle.value?.model ?? ''))

  /** Asks of one body of evidence whenever it changes; the newest answer wins. */
  function asking(of: () => Evidence | null) {
    const told = shallowRef<Report | null>(null)
    /** Chances before the last entry, to show how the suspects move. */
    const before = shallowRef<ReadonlyMap<string, number>>(new Map())
    const waiting = ref(false)
    const problem = ref('')
    let run = 0
    const asked = computed(() => {
      const seen = of()
      if (!watched.value || !job.kept.value || !asSet.value || !seen) return null
      const question: Question = {
        evidence: seen,
        conditions: conditions.value,
        stops: barring.value,
        costs: shop.settings ?? SHOP_COSTS,
        school: shop.settings?.school ?? USUAL_SCHOOL,
      }
      return JSON.stringify([job.kept.value, pooled.value.priors, question])
    })
    watch(
      asked,
      async (text) => {
        if (text === null) return
        const mine = ++run
        waiting.value = true
        problem.value = ''
        try {
          const [installation, priors, question] = JSON.parse(text)
          const answer = await diagnoser().ask(installation, priors, question)
          if (mine !== run) return
          before.value = new Map(told.value?.suspects.map(({ fault, chance }) => [fault, chance]))
          told.value = answer
        } catch (error) {
          if (mine === run) problem.value = error instanceof Error ? error.message : String(error)
        } finally {
          if (mine === run) waiting.value = false
        }
      },
      { immediate: true },
    )
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

  return { ...found, left: left.told, watched, evidence, conditions, barring, pooled }
}

export type OpenDiagnosis = ReturnType<typeof openDiagnosis>
const KEY: InjectionKey<OpenDiagnosis> = Symbol('diagnosis')

export function provideDiagnosis(job: OpenJob): OpenDiagnosis {
  const open = openDiagnosis(job)
  provide(KEY, open)
  return open
}
export function useDiagnosis(): OpenDiagnosis {
  const open = inject(KEY)
  if (!open) throw new Error('nothing is diagnosed here')
  return open
}
