import { onScopeDispose, shallowReactive, toRaw, watch, type Ref } from 'vue'
import type { BenchJob, Job, Vehicle, WithEntries } from '~~/contract'
import { priorsFrom, type FaultId, type Report } from '~~/core/diagnosis'
import { evidenceOf, fold, installationFrom } from '~~/core/journal'
import { openStops } from '~~/core/proof'

/** What the search on a job would do next, and what leads it. */
export interface BenchLook {
  /** To act now rather than to look on: the repairs. */
  act: readonly string[] | null
  look: Report['looks'][number] | null
  lead: { fault: FaultId; chance: number } | null
}

/** More jobs than these are not asked about: the bench shows the newest first. */
const MOST = 24

/**
 * The best next look of each job that is still being looked into, one after the other as they are worked out. A job that
 * cannot be asked of is left without: the bench stands without it.
 */
export function useBenchLooks(jobs: Ref<BenchJob[] | null>) {
  const shop = useShopStore()
  const { diagnoser } = useDiagnoser()
  const looks = shallowReactive(new Map<string, BenchLook>())
  let run = 0
  onScopeDispose(() => run++)

  async function ask({ id, vehicleId }: BenchJob): Promise<BenchLook | null> {
    const [job, vehicle] = await Promise.all([
      api<WithEntries<Job>>(`/jobs/${id}`),
      api<WithEntries<Vehicle>>(`/vehicles/${vehicleId}`),
    ])
    const state = fold(job.entries)
    const installation = installationFrom(job.entries, installationFrom(vehicle.entries))
    if (!installation) return null
    const stops = openStops(state, installation.circuit.master.portClosure)
    const { priors } = priorsFrom(toRaw(shop.record), vehicle.subject.model ?? '')
    const question = questionOf(evidenceOf(state), state, stops, toRaw(shop.settings))
    const { advice, looks, suspects } = await diagnoser().ask(installation, priors, question)
    return {
      act: advice.decide ? advice.now.repairs : null,
      look: looks[0] ?? null,
      lead: suspects[0] ?? null,
    }
  }

  watch(
    jobs,
    async (list) => {
      const mine = ++run
      looks.clear()
      const asked = (list ?? []).filter(({ step }) => step.to === 'look').slice(0, MOST)
      if (asked.length === 0) return
      await shop.load().catch(() => {})
      for (const job of asked) {
        const look = await ask(job).catch(() => null)
        if (mine !== run) return
        if (look) looks.set(job.id, look)
      }
    },
    { immediate: true },
  )
  return looks
}
