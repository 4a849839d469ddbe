import { InputError, objectOf } from '../circuit'
import { casualtyById, CASUALTIES } from '../side-by-side'
import { after, checkSequence, type Breach } from './check'
import { compose, type PlannedStep } from './compose'
import { learntMinutes } from './learn'
import { bestOrder, objectiveOf, type Objective } from './order'
import { readPlan, readSteps, readVehicle, type PlanAsked } from './read'
import { owedOf } from './owed'
import { isPassing } from './states'
import type { Step, Tool } from './step'
import { surpriseOf } from './surprises'
import { criticalPath, timeOf, walks, withTwo, type TimeRange } from './time'

export interface PlanAnswer {
  steps: Step[]
  objective: Objective
  minutes: TimeRange
  /** Minutes that a second pair of hands would save. */
  secondPairSaves: number
  critical: string[]
  waits: { before: string; minutes: number; why: string }[]
  tools: Tool[]
  parts: string[]
  consumables: string[]
  casualties: string[]
  ledger: { item: string; on: string; off: string }[]
  owed: { record: string; before: string }[]
  choices: Record<string, string>
}

/** What the `plan` verb is asked: a plan to be made, or a sequence to be checked. @throws InputError with the path of what is wrong */
export function answerPlan(input: unknown): PlanAnswer | { breaches: Breach[] } {
  const given = objectOf(input, '', [
    'packages',
    'people',
    'vehicle',
    'joints',
    'parts',
    'done',
    'surprises',
    'draws',
    'seed',
    'check',
  ])
  if (given.check === undefined) return makePlan(readPlan(given))
  const others = Object.keys(given).filter((name) => name !== 'check')
  if (others.length > 0) throw new InputError('a sequence is checked by itself', `/${others[0]}`)
  const own = objectOf(given.check, '/check', ['steps', 'vehicle'])
  if (own.steps === undefined) throw new InputError('is missing', '/check/steps')
  return {
    breaches: checkSequence(
      readSteps(own.steps, '/check/steps'),
      readVehicle(own.vehicle, '/check/vehicle'),
    ),
  }
}

/**
 * A plan: all that the packages take on this vehicle, in the best order that breaks no rule, from what is done already.
 * @throws InputError where packages cannot be done together, or a step that is named is not in it
 */
export function makePlan(asked: PlanAsked): PlanAnswer {
  const { vehicle, people } = asked
  const composed = compose(asked)
  const { times = {} } = asked
  const all = withSurprises(composed.steps, asked)
  const sized = all.map((step) => {
    const { minutes, learnt } = learntMinutes(step.minutes, times[step.id])
    return { ...withSizes(step, asked), minutes, ...(learnt && { learnt }) }
  })
  const { first, rest, held } = withoutDone(sized, asked)
  const order = bestOrder(rest, held)
  if (!order)
    throw new InputError(
      'no order of what is left keeps every rule: undo what was done out of turn',
      '/done',
    )
  const steps = [...first, ...order]
  const waits = waitsOf(steps, asked, first.length)
  const breaches = checkSequence(steps, vehicle, people)
  return {
    steps: steps.map(shown),
    objective: objectiveOf(steps, breaches.length),
    minutes: timeOf(
      steps,
      waits.reduce((sum, one) => sum + one.minutes, 0),
      asked.draws,
      asked.seed,
    ),
    secondPairSaves: saved(asked, order),
    critical: criticalPath(order),
    waits,
    tools: unique(
      steps.flatMap(({ tools }) => tools),
      ({ name, size }) => `${name} ${size ?? ''}`,
    ),
    parts: unique(
      steps.flatMap(({ parts }) => parts),
      (one) => one,
    ),
    consumables: unique(
      steps.flatMap(({ consumables }) => consumables),
      (one) => one,
    ),
    casualties: casualties(asked, composed.packages),
    ledger: ledgerOf(steps),
    owed: owedOf(order),
    choices: composed.choices,
  }
}

/** Ids of the steps that packages come to, in no order, without surprises. */
export const stepIds = (asked: PlanAsked): string[] => compose(asked).steps.map(({ id }) => id)

const shown = ({
  key: _,
  after: _after,
  parts: _parts,
  consumables: _used,
  ...step
}: PlannedStep): Step => step

function unique<T>(list: readonly T[], keyOf: (one: T) => string): T[] {
  return [...new Map(list.map((one) => [keyOf(one), one])).values()].sort((a, b) =>
    keyOf(a) < keyOf(b) ? -1 : 1,
  )
}

/** A surprise is a step of its own, before or after the one that met it. */
function withSurprises(steps: PlannedStep[], { surprises }: PlanAsked): PlannedStep[] {
  const list = [...steps]
  surprises.forEach(({ at, kind }, i) => {
    const met = list.find(({ id }) => id === at)
    if (!met) throw new InputError(`${at} is no step of this plan`, `/surprises/${i}/at`)
    const turned = surpriseOf(kind)
    const key = `${at}.${kind}.${i + 1}`
    list.push({
      id: key,
      package: met.package,
      title: turned.title,
      does: turned.does,
      why: turned.why,
      place: turned.onBench ? 'bench' : met.place,
      minutes: [...turned.minutes],
      people: 1,
      // Where the step that met it is done, what it needs holds here as well.
      needs: turned.when === 'before' && !turned.onBench ? [...met.needs] : [],
      forbids: [],
      puts: [],
      takes: [],
      records: [],
      recalls: [],
      cautions: [...(turned.cautions ?? [])],
      tools: (turned.tools ?? []).map((name) => ({ name })),
      key,
      after: turned.when === 'after' ? [met.key] : met.after.filter((one) => one !== key),
      parts: [...(turned.parts ?? [])],
      consumables: [],
    })
    if (turned.when === 'before') met.after = [...met.after, key]
  })
  return list
}

/** Keys of steps at a joint, by the names that joints go by. */
const JOINT_OF: Readonly<Record<string, readonly string[]>> = {
  openSlave: ['slave', 'slavePort'],
  closeSlave: ['slave', 'slavePort'],
  openMaster: ['master', 'masterOutlet'],
  closeMaster: ['master', 'masterOutlet'],
  bleedIt: ['bleeder'],
}
function withSizes(step: PlannedStep, { joints }: PlanAsked): PlannedStep {
  const joint = joints.find(({ name }) => JOINT_OF[step.key]?.includes(name))
  if (!joint) return step
  const size = `${joint.hex} mm`
  return {
    ...step,
    tools: step.tools.map((tool) =>
      /flare-nut|ring spanner/.test(tool.name) ? { ...tool, size } : tool,
    ),
  }
}

/** What was done, in the order in which it was, and what holds since. */
function withoutDone(steps: PlannedStep[], { done }: PlanAsked) {
  const first: PlannedStep[] = []
  let held: ReadonlySet<string> = new Set()
  done.forEach(({ step: id, minutes }, i) => {
    const step = steps.find((one) => one.id === id)
    if (!step) throw new InputError(`${id} is no step of this plan`, `/done/${i}/step`)
    if (first.some((one) => one.id === id))
      throw new InputError(`${id} is done twice`, `/done/${i}/step`)
    first.push(minutes === undefined ? step : { ...step, minutes: [minutes, minutes, minutes] })
    held = after(held, step)
  })
  const gone = new Set(first.map(({ id }) => id))
  return { first, rest: steps.filter(({ id }) => !gone.has(id)), held }
}

/** Minutes that nobody can work: a part that has not come, penetrant that soaks. */
function waitsOf(steps: readonly PlannedStep[], asked: PlanAsked, from: number): PlanAnswer['waits'] {
  const waits: PlanAnswer['waits'] = []
  const { parts, surprises } = asked
  let spent = 0
  steps.forEach((step, i) => {
    if (i < from) return
    const late = parts
      .filter(({ id }) => step.parts.some((part) => sameName(part, id)) || step.package === id)
      .reduce((most, { arrivesInMinutes }) => Math.max(most, arrivesInMinutes), 0)
    // A part is waited for once, at the first step that takes it.
    if (
      late > spent &&
      (step.parts.length > 0 || !waits.some(({ before }) => before.startsWith(step.package)))
    ) {
      waits.push({ before: step.id, minutes: late - spent, why: 'the part comes' })
      spent = late
    }
    const at = surprises.find(
      ({ at: met, kind }, n) =>
        step.id === met && steps.some(({ id }) => id === `${met}.${kind}.${n + 1}`),
    )
    const wait = at && surpriseOf(at.kind).wait
    if (wait) {
      waits.push({ before: step.id, ...wait })
      spent += wait.minutes
    }
    spent += step.minutes[1]
  })
  return waits
}
const flat = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]+/g, '')
const sameName = (a: string, b: string): boolean => flat(a) === flat(b)

/** Alone against two pairs of hands, each in its own best plan, by likely minutes; never less than nothing. */
function saved(asked: PlanAsked, order: readonly PlannedStep[]): number {
  const likely = (steps: readonly PlannedStep[]) =>
    steps.reduce((sum, { minutes }) => sum + minutes[1], 0) + walks(steps)
  const other = asked.people === 1 ? 2 : 1
  const twin =
    asked.done.length > 0 || asked.surprises.length > 0
      ? null
      : bestOrder(compose({ ...asked, people: other }).steps)
  const alone = asked.people === 1 ? order : twin
  const two = asked.people === 2 ? order : twin
  if (!alone || !two) return Math.max(0, likely(order) - withTwo(order))
  return Math.max(0, likely(alone) - withTwo(two))
}

function casualties({ joints }: PlanAsked, packages: readonly string[]): string[] {
  const operation: Record<string, string> = {
    renewMaster: 'master',
    rebuildMaster: 'master',
    renewSlave: 'slave',
    rebuildSlave: 'slave',
    renewConcentric: 'concentric',
    renewLine: 'pipe',
    renewHose: 'hose',
    unitOut: 'everythingRubber',
    bleed: 'bleed',
    fluidChange: 'flush',
  }
  const done = new Set(packages.map((id) => operation[id]).filter((one) => one !== undefined))
  const kinds = joints.map(({ kind }) => kind)
  const likely = CASUALTIES.filter(
    ({ during, where }) => !where && during.some((one) => done.has(one)),
  ).map(({ id }) => id)
  if (kinds.includes('quickConnector')) likely.push('coupling')
  if (kinds.includes('sealAndRollPin')) likely.push('rollPins')
  return [...new Set(likely)].map((id) => casualtyById(id)!.label).sort()
}

/** What is put on or taken off, with the step at which it begins and the one at which it is over. */
function ledgerOf(steps: readonly Step[]): PlanAnswer['ledger'] {
  const ledger: PlanAnswer['ledger'] = []
  steps.forEach((step, i) => {
    for (const item of step.puts) {
      if (!isPassing(item) || step.takes.includes(item)) continue
      const off = steps.slice(i + 1).find(({ takes }) => takes.includes(item))
      ledger.push({ item, on: step.id, off: off?.id ?? '' })
    }
  })
  return ledger
}
