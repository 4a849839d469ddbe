import type { Decision } from './advice'
import type { Conditions } from './conditions'
import { diagnose, nextMove } from './diagnose'
import type { Evidence, Item } from './evidence'
import type { FaultId } from './faults'
import type { FindingId } from './findings'
import type { Knowledge } from './knowledge'
import type { Answer, Look } from './next-look'
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
  looks: (Look['look'] & Omit<Look, 'look'> & { answers?: Answer[] })[]
  advice: {
    decide: boolean
    now: InPlainData<Decision>
    after: { look: Look['look']; expectedCost: number } | null
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
  const { looks, answers, advice } = nextMove(knowledge, evidence, found, { conditions, stops, costs })
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
    looks: looks.map(({ look, ...rest }, i) => ({
      ...look,
      ...rest,
      ...(answers[i] && { answers: [...answers[i]] }),
    })),
    advice: {
      decide: advice.decide,
      now: told(advice.now),
      after: advice.after && {
        look: advice.after.look.look,
        expectedCost: advice.after.expectedCost,
      },
    },
    schools: {
      scope: toldChoice(weighed.scope),
      way: toldChoice(weighed.way),
      first: toldChoice(weighed.first),
    },
  }
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
