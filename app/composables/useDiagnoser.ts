import { wrap, type Remote } from 'comlink'
import { onScopeDispose, ref } from 'vue'
import {
  SHOP_COSTS,
  USUAL_SCHOOL,
  type Evidence,
  type FindingId,
  type Question,
} from '~~/core/diagnosis'
import { conditionsOf, type JobState } from '~~/core/journal'
import { blockingStops, type OpenStop } from '~~/core/proof'
import type { ShopSettingsBody } from '~~/contract'
import type { Diagnoser } from '~/workers/diagnose'

/** A stop by what it forbids: a rod that shuts the port bars what a shut way home does. */
const asFinding = (stop: OpenStop['stop']): FindingId =>
  stop === 'rodClearance' ? 'wayHomeShut' : stop

/** Stops that forbid looks on this job. */
export const barredBy = (stops: readonly OpenStop[]): FindingId[] =>
  blockingStops(stops).map(({ stop }) => asFinding(stop))

/** What the diagnosis is asked of a job, at what this shop charges and prefers. */
export const questionOf = (
  evidence: Evidence,
  state: JobState,
  stops: readonly OpenStop[],
  settings: ShopSettingsBody | null,
): Question => ({
  evidence,
  conditions: conditionsOf(state),
  stops: barredBy(stops),
  costs: settings ?? SHOP_COSTS,
  school: settings?.school ?? USUAL_SCHOOL,
})

/** A worker that keeps the tables ready for the last circuit, started when first asked. */
export function useDiagnoser() {
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
