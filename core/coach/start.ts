import { settled } from './call'
import { refusalsOf } from './can'
import type { OnAlready } from './on-already'
import { full } from './reservoir'
import { NOT_SAID, type CoachPlan, type CoachState } from './state'
import { AT_REST } from './world'

/** What is on already is known by these names within a run: no touch ever has them. */
const FIRST_NAME = 9_000_000
export const alreadyRef = (i: number): string => `n${FIRST_NAME + i}`

/**
 * @param already what the ledger says is on: it is in doubt until it was called again
 * @throws Error where a part cannot be done by these people: the plan’s own refusals say what can
 */
export function startCoach(plan: CoachPlan, already: readonly OnAlready[] = []): CoachState {
  const refused = refusalsOf(plan.parts, { people: plan.people, screw: true, shared: false })
  if (refused[0]) throw new Error(`${refused[0].method} is refused here: ${refused[0].why}`)
  return settled({
    plan,
    n: 0,
    calledAt: 0,
    taken: [],
    counted: [],
    part: 0,
    cycle: 0,
    stretch: 'ready',
    move: 0,
    cycles: plan.parts.map(({ cycles }) => cycles),
    world: {
      ...AT_REST,
      things: Object.fromEntries(
        already.map(({ thing }, i) => [thing, { on: true, sure: false, ref: alreadyRef(i) }]),
      ),
    },
    level: full(plan.usable),
    held: null,
    overridden: false,
    paused: false,
    unusual: null,
    asks: null,
    walks: 0,
    done: plan.parts.length === 0,
    filed: null,
    last: NOT_SAID,
    seen: [],
    explained: 0,
    signs: [],
    past: [],
  })
}
