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
  type FindingId,
  type Question,
  type Report,
} from '~~/core/diagnosis'
import { conditionsOf, evidenceOf } from '~~/core/journal'
import { blockingStops } from '~~/core/proof'
import type { Diagnoser } from '~/workers/diagnose'
import type { OpenJob } from './useJob'

/** What a job’s entries add up to, asked of a worker anew with each entry while somebody looks. */
function openDiagnosis(job: OpenJob) {
  const shop = useShopStore()
  const told = shallowRef<Report | null>(null)
  /** Chances before the last entry, to show how the suspects move. */
  const before = shallowRef<ReadonlyMap<string, number>>(new Map())
  const waiting = ref(false)
  const problem = ref('')
  /** Looked at: else nothing is computed. */
  const watched = ref(false)

  const evidence = computed(() => evidenceOf(job.state.value))
  const conditions = computed(() => conditionsOf(job.state.value))
  const stops = computed(() => blockingStops(job.stops.value))
  const pooled = computed(() => priorsFrom(shop.record, job.vehicle.value?.model ?? ''))
  /** The shop’s settings have come, or cannot: then the usual ones serve. */
  const asSet = ref(false)
  const question = computed((): Question | null =>
    job.kept.value && asSet.value
      ? {
          evidence: evidence.value,
          conditions: conditions.value,
          stops: stops.value.flatMap(({ stop }) =>
            stop === 'rodClearance' ? (['wayHomeShut'] as FindingId[]) : [stop],
          ),
          costs: shop.settings ?? SHOP_COSTS,
          school: shop.settings?.school ?? USUAL_SCHOOL,
        }
      : null,
  )
  const asked = computed(() =>
    watched.value && question.value
      ? JSON.stringify([job.kept.value, pooled.value.priors, question.value])
      : null,
  )

  let worker: Worker | undefined
  let remote: Remote<Diagnoser> | undefined
  let run = 0
  function diagnoser(): Remote<Diagnoser> {
    if (remote) return remote
    worker = new Worker(new URL('../workers/diagnose.ts', import.meta.url), { type: 'module' })
    worker.onerror = (event) => {
      problem.value = event.message || 'What this adds up to could not be worked out.'
      waiting.value = false
    }
    return (remote = wrap<Diagnoser>(worker))
  }
  watch(
    asked,
    async (text) => {
      if (text === null) return
      const mine = ++run
      waiting.value = true
      problem.value = ''
      try {
        const [installation, priors, one] = JSON.parse(text)
        const answer = await diagnoser().ask(installation, priors, one)
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
  onScopeDispose(() => worker?.terminate())
  void shop
    .load()
    .catch(() => {})
    .finally(() => (asSet.value = true))

  return { told, before, waiting, problem, watched, evidence, conditions, stops, pooled }
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
