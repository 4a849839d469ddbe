import {
  SHOP_COSTS,
  USUAL_POLICY,
  type Evidence,
  type FindingId,
  type Question,
  type Policy,
  type ShopCosts,
} from '../diagnosis'
import { conditionsOf, type JobState } from '../journal'
import { blockingStops, type OpenStop } from './judge'

/** A stop by what it forbids: a rod that shuts the port bars what a shut way home does. */
const asFinding = (stop: OpenStop['stop']): FindingId =>
  stop === 'rodClearance' ? 'wayHomeShut' : stop

/** Stop-work findings that forbid looks on a job: those that nobody has taken over. */
export const barredBy = (stops: readonly OpenStop[]): FindingId[] =>
  blockingStops(stops).map(({ stop }) => asFinding(stop))

/**
 * What the diagnosis is asked of a job.
 * @param settings what the shop charges and prefers; the usual where it has not said.
 */
export const questionOf = (
  evidence: Evidence,
  state: JobState,
  stops: readonly OpenStop[],
  settings: (ShopCosts & { school: Policy }) | null = null,
): Question => ({
  evidence,
  conditions: conditionsOf(state),
  stops: barredBy(stops),
  costs: settings ?? SHOP_COSTS,
  school: settings?.school ?? USUAL_POLICY,
})
