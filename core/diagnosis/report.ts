import type { Answer } from './answers'
import { safeConditions, unmet, type Conditions } from './conditions'
import { diagnose, nextMove } from './diagnose'
import type { Evidence, Item } from './evidence'
import type { FaultId } from './faults'
import type { FindingId } from './findings'
import { GUIDES, walk } from './guides'
import { fits, whyNotHere, type Knowledge } from './knowledge'
import type { Look } from './next-look'
import { stopsOf, type StopId } from './stops'
import type { Decision } from './stopping'
import type { ShopCosts } from './repairs'
import type { RepairId } from './repairs'
import { weighPolicies, type Option, type Policy, type PolicyChoice, type Policies } from './policies'

/** What is asked: all that is known, what can be done here, and what the shop charges and prefers. */
export interface Question {
  evidence: Evidence
  conditions: Conditions
  /** Open stop-work findings that nobody has taken over. */
  stops: readonly FindingId[]
  costs: ShopCosts
  school: Policy
}

export interface SuspectTold {
  fault: FaultId
  /** Chance that it is present. */
  chance: number
  /** Share of what is to be explained that it explains. */
  explains: number
  severity: { label: string; chance: number } | null
  /** Log-likelihood ratio of each known thing, strongest first; over 0 for it, under 0 against. */
  reasons: (Item & { weight: number })[]
}
type InPlainData<T extends { repairs: readonly { id: RepairId }[] }> = Omit<T, 'repairs'> & {
  repairs: RepairId[]
}
interface ChoiceTold<T extends string> extends Omit<PolicyChoice<T>, 'options'> {
  options: Record<T, InPlainData<Option>>
}

/** The answer as plain data: for a screen, a file or a script. */
export interface Report {
  suspects: SuspectTold[]
  sets: { faults: FaultId[]; chance: number }[]
  nothing: number
  hydraulic: number | null
  notHydraulic: number | null
  unexplained: number | null
  contradictions: { between: [string, string]; why: string }[]
  leftOut: number
  /** What stops work by what is known, whether somebody took it over or not. */
  stops: StopId[]
  /** Findings that make no sense on this vehicle, and why: they are not weighed. */
  ignored: { id: FindingId; why: string }[]
  /** In order; `again` where a figure is to be read once more, `guide` where the look is the next step of one. */
  looks: (Look['look'] &
    Omit<Look, 'look' | 'before'> & { again?: true; guide?: string; answers?: Answer[] })[]
  /** Where it is plain on neither side: the look that best tells whether it is the hydraulics. */
  decides: Look['look'] | null
  advice: {
    decide: boolean
    now: InPlainData<Decision>
    after: { look: Look['look']; expectedCost: number; stops: number } | null
  }
  schools: { [K in 'scope' | 'way' | 'first']: ChoiceTold<keyof Policies[K]['options'] & string> }
}

const told = <T extends { repairs: readonly { id: RepairId }[] }>(one: T): InPlainData<T> => ({
  ...one,
  repairs: one.repairs.map(({ id }) => id),
})
const toldChoice = <T extends string>({ options, ...rest }: PolicyChoice<T>): ChoiceTold<T> => ({
  ...rest,
  options: Object.fromEntries(
    (Object.entries(options) as [T, Option][]).map(([name, option]) => [name, told(option)]),
  ) as Record<T, InPlainData<Option>>,
})

/** Everything that a question about one vehicle has for an answer. */
export function report(
  knowledge: Knowledge,
  { evidence, conditions, stops, costs, school }: Question,
): Report {
  const found = diagnose(knowledge, evidence)
  const { looks, answers, advice, decides } = nextMove(knowledge, evidence, found, {
    conditions,
    stops,
    costs,
  })
  const { findings } = evidence
  const weighed = weighPolicies({
    knowledge,
    found: found.found,
    costs,
    school,
    borePitted: findings.borePitted === 'present',
    visibleLeak: LEAKS_SEEN.some((id) => findings[id] === 'present'),
  })
  return {
    suspects: found.suspects.map(({ fault, chance, severity, reasons }) => ({
      fault: fault.id,
      chance,
      explains: found.causes.get(fault.id)!,
      severity,
      reasons: reasons.map(({ item, weight }) => ({ ...item, weight })),
    })),
    sets: found.sets.map(({ faults, chance }) => ({ faults: [...faults], chance })),
    nothing: found.nothing,
    hydraulic: found.hydraulic,
    notHydraulic: found.notHydraulic,
    unexplained: found.unexplained,
    contradictions: [...found.contradictions],
    leftOut: found.leftOut,
    stops: stopsOf(evidence, knowledge.installation.circuit.master.portClosure).map(({ stop }) => stop),
    ignored: (Object.keys(findings) as FindingId[]).flatMap((id) => {
      const why = whyNotHere(id, knowledge.installation)
      return why ? [{ id, why }] : []
    }),
    looks: looks.map(({ look, before, ...rest }, i) => {
      const guide = i < LED ? guideOf(look, knowledge, evidence, conditions, stops) : undefined
      return {
        ...look,
        ...rest,
        ...(before && { again: true as const }),
        ...(guide && { guide }),
        ...(answers[i] && { answers: [...answers[i]] }),
      }
    }),
    decides: decides && decides.look,
    advice: {
      decide: advice.decide,
      now: told(advice.now),
      after: advice.after && {
        look: advice.after.look.look,
        expectedCost: advice.after.expectedCost,
        stops: advice.after.stops,
      },
    },
    schools: {
      scope: toldChoice(weighed.scope),
      way: toldChoice(weighed.way),
      first: toldChoice(weighed.first),
    },
  }
}

/** Looks of which it is asked whether a guide begins with them. */
const LED = 4

/** The guide whose next step is this look and that can be walked now. */
function guideOf(
  look: Look['look'],
  { installation }: Knowledge,
  evidence: Evidence,
  conditions: Conditions,
  stops: readonly FindingId[],
): string | undefined {
  const safe = safeConditions(conditions, stops)
  return GUIDES.find((guide) => {
    if (!fits(guide.only, installation) || unmet(guide.needs, safe)) return false
    const { step } = walk(guide, evidence)
    if (!step) return false
    return step.ask === 'finding' ? step.finding === look.id : step.reading === look.id
  })?.id
}

/** Findings of a leak that can be seen: some will not bleed over one. */
const LEAKS_SEEN: readonly FindingId[] = [
  'rodEndDamp',
  'reservoirDamp',
  'outletDamp',
  'pipeDamp',
  'hoseDamp',
  'bootWetAgain',
  'bootWet',
  'slaveUnionDamp',
  'bleederDamp',
  'bellHoleWet',
]
