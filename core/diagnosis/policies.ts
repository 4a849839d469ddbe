import { whyFavoured } from './favoured'
import { likelySets } from './answers'
import type { FaultId } from './faults'
import type { Knowledge } from './knowledge'
import type { Posterior } from './posterior'
import { chancesOf, stoppingOf, type Decision } from './stopping'
import { BLEED, costOf, REPAIRS, type Repair, type ShopCosts } from './repairs'

/** Where good technicians differ, and what a shop prefers. */
export const SCOPES = ['proven', 'pair', 'all'] as const
export type Scope = (typeof SCOPES)[number]
export const WAYS = ['replace', 'rebuild'] as const
export type Way = (typeof WAYS)[number]
export const FIRSTS = ['part', 'bleed'] as const
export type First = (typeof FIRSTS)[number]

export interface Policy {
  scope: Scope
  way: Way
  first: First
}
export const USUAL_POLICY: Policy = { scope: 'proven', way: 'replace', first: 'part' }

/** Figures behind the schools, each judgement with its reason. */
export const POLICY_FIGURES = {
  /** Chance within a year that a cylinder as old as one that failed fails too. */
  companionFails: { chance: 0.2, reason: 'Same age, same fluid; seen one in five.' },
  hoseFails: { chance: 0.1, reason: 'Rubber of that age, less often than seals.' },
  /** A seal kit beside a new cylinder: share of its price, and minutes on the bench. */
  kit: { share: 0.25, minutes: 35, reason: 'Seals, clip and boot; strip, clean, inspect, grease.' },
  /** Chance that a rebuilt cylinder leaks within a year, over a new one. */
  rebuiltFails: { chance: 0.08, reason: 'A bore that looked sound; a lip nicked going in.' },
  /** Chance that one careful bleed clears air that a sound circuit holds. */
  bleedClears: { chance: 0.85, reason: 'A crest keeps some; the second method gets it.' },
} as const

/** One way to go on, with what it costs. */
export interface Option {
  repairs: readonly Repair[]
  minutes: number
  money: number
  /** Chance that it comes back: a fault not cured, a companion that fails within a year, a rebuild that leaks. */
  comebackRisk: number
  /** Money, with minutes at the shop’s rate and what comes back times its chance. */
  expectedCost: number
  /** Why it may not be done so; null where it may. */
  refused: string | null
  /** What is risked by it, where it is a way that some go all the same; null where nothing is. */
  warned: string | null
}

export interface PolicyChoice<T extends string> {
  options: Readonly<Record<T, Option>>
  /** What the figures favour here, and why. */
  favoured: T
  /** The ways cost the same, and it is the usual one. */
  same: boolean
  why: string
}

export interface Policies {
  scope: PolicyChoice<Scope>
  way: PolicyChoice<Way>
  first: PolicyChoice<First>
  /** Best repairs by the posterior alone. */
  best: Decision
}

export interface PoliciesInput {
  knowledge: Knowledge
  found: Posterior
  costs: ShopCosts
  /** What is preferred for the other questions while one is weighed. */
  school?: Policy
  /** A bore that was seen pitted is not rebuilt. */
  borePitted?: boolean
  /** A leak can be seen. */
  visibleLeak?: boolean
}

const repair = (id: string): Repair => REPAIRS.find((one) => one.id === id)!
const AIRS: readonly FaultId[] = ['airFromWork', 'airLowLevel']
const CYLINDERS = ['master', 'slave', 'concentric']

/** Weighs the schools on this vehicle, from how likely each fault now is. */
export function weighPolicies(input: PoliciesInput): Policies {
  const { knowledge, found, costs, school = USUAL_POLICY } = input
  const likely = likelySets(found)
  const till = stoppingOf(knowledge, likely, costs)
  const now = chancesOf(likely, found.sets)
  const best = till.best(now)
  const ids = new Set(best.repairs.map(({ id }) => id))
  const concentric = knowledge.installation.circuit.slave.type === 'concentric'
  const slave = repair(concentric ? 'concentric' : 'slave')
  const hydraulic = best.repairs.some(({ id }) => CYLINDERS.includes(id) || id === 'hose')
  const weigh = (repairs: readonly Repair[]) => till.weigh(now, repairs)

  const priceOfOne = ({ id, money }: Repair) => costs.prices?.[id] ?? money
  const { kit } = POLICY_FIGURES
  const kitPrice = (one: Repair) =>
    (one.id === 'master' || one.id === 'slave' ? costs.kits?.[one.id] : undefined) ??
    priceOfOne(one) * kit.share

  /** Cylinders and hose that are left as they are, and may fail within a year. */
  function companions(repairs: readonly Repair[]): number {
    if (!hydraulic) return 0
    const has = (id: string) => repairs.some((one) => one.id === id)
    let spared = 1
    for (const id of ['master', slave.id])
      if (!has(id)) spared *= 1 - POLICY_FIGURES.companionFails.chance
    const hose = knowledge.faults.some(({ id }) => id === 'hoseLeak')
    if (hose && !has('hose')) spared *= 1 - POLICY_FIGURES.hoseFails.chance
    return 1 - spared
  }
  function option(repairs: readonly Repair[], way: Way, refused: string | null = null): Option {
    const rebuilt = way === 'rebuild' ? repairs.filter(({ id }) => CYLINDERS.includes(id)) : []
    const { minutes, money } = costOf(repairs, costs)
    const { rebuiltFails } = POLICY_FIGURES
    const spentMinutes = minutes + rebuilt.length * kit.minutes
    const spent = rebuilt.reduce((sum, one) => sum - priceOfOne(one) + kitPrice(one), money)
    const { comebackRisk: missed, expectedCost, price } = weigh(repairs)
    const others = 1 - (1 - companions(repairs)) * (1 - rebuiltFails.chance) ** rebuilt.length
    const again = (slave.minutes / 60) * costs.hourlyRate + priceOfOne(slave) + BLEED.money
    return {
      repairs,
      minutes: spentMinutes,
      money: spent,
      comebackRisk: 1 - (1 - missed) * (1 - others),
      expectedCost:
        spent +
        (spentMinutes / 60) * costs.hourlyRate +
        (expectedCost - price) +
        others * (costs.comeback + again),
      refused,
      warned: null,
    }
  }
  const withAll = (...more: Repair[]): Repair[] => [...new Set([...best.repairs, ...more])]
  const scopes: Record<Scope, Option> = {
    proven: option(best.repairs, school.way),
    pair: option(withAll(repair('master'), slave), school.way),
    all: option(withAll(repair('master'), slave, repair('hose')), school.way),
  }
  const chosen = scopes[school.scope].repairs
  const none = !chosen.some(({ id }) => CYLINDERS.includes(id))
  const ways: Record<Way, Option> = {
    replace: option(chosen, 'replace'),
    rebuild: option(
      chosen,
      'rebuild',
      input.borePitted
        ? 'A pitted bore is not rebuilt.'
        : none
          ? 'No cylinder is renewed here.'
          : chosen.includes(repair('concentric'))
            ? 'A concentric slave is renewed whole: the gearbox comes out for it.'
            : null,
    ),
  }
  const firsts: Record<First, Option> = {
    part: option(chosen, school.way),
    bleed: bleedFirst(input, ids, option(chosen, school.way), weigh([repair('bleed')]).comebackRisk),
  }
  return {
    best,
    scope: choice('scope', scopes, school.scope),
    way: choice('way', ways, school.way),
    first: choice('first', firsts, school.first),
  }
}

/** One bleed and a watch; the parts only if it comes back to that. */
function bleedFirst(
  { costs, visibleLeak, found, knowledge }: PoliciesInput,
  ids: ReadonlySet<string>,
  parts: Option,
  left: number,
): Option {
  const bleed = repair('bleed')
  const air = knowledge.faults.reduce(
    (sum, { id }, i) => (AIRS.includes(id) ? sum + found.marginals[i]! : sum),
    0,
  )
  const cures = (1 - left) * POLICY_FIGURES.bleedClears.chance
  const price = BLEED.money + (BLEED.minutes / 60) * costs.hourlyRate
  return {
    repairs: [bleed],
    minutes: BLEED.minutes,
    money: BLEED.money,
    comebackRisk: 1 - cures,
    // What a bleed does not end is seen while one watches: then the parts are fitted, and it is no comeback.
    expectedCost: price + (1 - cures) * parts.expectedCost,
    refused:
      air < 0.05 && !ids.has('bleed') && !visibleLeak ? 'There is hardly any air to bleed.' : null,
    warned: visibleLeak
      ? 'A leak can be seen: air comes back where fluid goes out. Bleed once, watch, and count on the parts.'
      : null,
  }
}

/** Less than this share between two ways is no difference. */
const SAME = 0.03

/** The cheapest way that may be gone; the preferred one where it costs the same. */
function choice<T extends Scope | Way | First>(
  question: keyof Policy,
  options: Readonly<Record<T, Option>>,
  preferred: T,
): PolicyChoice<T> {
  const names = Object.keys(options) as T[]
  // What is warned of may be chosen, but is not what the figures favour.
  const open = names.filter((name) => options[name].refused === null)
  const allowed = open.filter((name) => options[name].warned === null)
  let cheapest = allowed[0] ?? names[0]!
  for (const name of allowed)
    if (options[name].expectedCost < options[cheapest].expectedCost) cheapest = name
  const same =
    allowed.includes(preferred) &&
    cheapest !== preferred &&
    options[preferred].expectedCost <= options[cheapest].expectedCost * (1 + SAME)
  const favoured = same ? preferred : cheapest
  return { options, favoured, same, why: whyFavoured({ question, favoured, same }) }
}
