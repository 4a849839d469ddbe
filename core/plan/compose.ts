import { InputError } from '../circuit'
import { HOW, PLAN_CHOICES } from './choices'
import { APART, PACKAGES, type Package, type StepTold } from './packages'
import { isOpening } from './states'
import type { Place, Step, VehicleFacts } from './step'

export interface PlanInput {
  packages: { id: string; choices?: Record<string, string> }[]
  people: 1 | 2
  vehicle: VehicleFacts
  /** The shop's own packages, by their ids. */
  own?: ReadonlyMap<string, Package>
}
/** A step of the plan with the keys by which others come after it. */
export interface PlannedStep extends Step {
  key: string
  after: string[]
  parts: string[]
  consumables: string[]
}
export interface Composed {
  steps: PlannedStep[]
  choices: Record<string, string>
  packages: string[]
}

/** All that is done, in no order yet: the packages with what they bring in, as this vehicle and these choices have it. */
export function compose(input: PlanInput): Composed {
  const { vehicle, people } = input
  const asked = input.packages.map(({ id }) => forVehicle(id, vehicle))
  const packages = closure(asked, input.own)
  apart(packages)
  const choices = chosen(input, packages)
  const facts = (more: Record<string, unknown>): Record<string, unknown> => ({
    bleedScrew: true,
    boltedFrom: 'below',
    ...vehicle,
    people,
    ...choices,
    ...more,
  })
  const drainer = choices.drain === 'slaveFirst' ? drainedBy(packages) : null
  const drainOf = (id: string): string =>
    vehicle.sharedReservoir
      ? 'shared'
      : choices.drain === 'slaveFirst' && id !== drainer && id !== 'drain'
        ? 'syringe'
        : choices.drain!
  const told = (known: Record<string, unknown>): [Package, StepTold][] => {
    const seen = new Set<string>()
    return packages.flatMap((pack) =>
      pack.steps.flatMap((step): [Package, StepTold][] => {
        if (!holds(step.when, { ...facts(known), drain: drainOf(pack.id) })) return []
        if (step.once !== undefined && seen.has(step.once)) return []
        if (step.once !== undefined) seen.add(step.once)
        return [[pack, step]]
      }),
    )
  }
  const opens = packages.some(({ id }) => id === 'bleed')
  const below = vehicle.boltedFrom !== 'above'
  const goesUnder =
    vehicle.wheel === true ||
    told({ opens, 'needs.under': false }).some(
      ([pack, { place }]) =>
        pack.id !== 'access' && (place === 'under' || (place === 'slaveSide' && below)),
    )
  const steps = told({ opens, 'needs.under': goesUnder }).map(([pack, step]) =>
    planned(pack, step, below, choices),
  )
  return { steps: linked(steps, choices), choices, packages: packages.map(({ id }) => id) }
}

/** On a concentric vehicle the slave is renewed with the gearbox out, and never rebuilt. */
function forVehicle(id: string, { concentric }: VehicleFacts): string {
  if (concentric && id === 'renewSlave') return 'renewConcentric'
  if (concentric && id === 'rebuildSlave')
    throw new InputError('a concentric slave is renewed whole', '/packages')
  return id
}

function closure(asked: readonly string[], own: PlanInput['own'] = new Map()): Package[] {
  const wanted = new Set<string>()
  const take = (id: string) => {
    if (wanted.has(id)) return
    const known = PACKAGES.get(id) ?? own.get(id)
    if (!known) throw new InputError(`${id} is no package of this shop`, '/packages')
    wanted.add(id)
    for (const brought of known.brings) take(brought)
  }
  asked.forEach(take)
  // In the order of the table, whatever the order in which they were asked for: the same plan comes of the same work.
  return [...PACKAGES.values(), ...own.values()].filter(({ id }) => wanted.has(id))
}

function apart(packages: readonly Package[]): void {
  const has = (id: string) => packages.some((one) => one.id === id)
  for (const [one, other, why] of APART)
    if (has(one) && has(other)) throw new InputError(`${one} and ${other}: ${why}`, '/packages')
}

/** Packages that open the circuit at the slave's end, in the order in which one of them drains it. */
const DRAINERS = ['renewSlave', 'rebuildSlave', 'renewConcentric', 'renewHose', 'renewLine']
const drainedBy = (packages: readonly Package[]): string | null =>
  DRAINERS.find((id) => packages.some((one) => one.id === id)) ?? null

function chosen(
  { packages: asked, vehicle }: PlanInput,
  packages: readonly Package[],
): Record<string, string> {
  const choices: Record<string, string> = {}
  for (const { name, usual } of PLAN_CHOICES) choices[name] = usual
  for (const one of asked) Object.assign(choices, one.choices)
  const said = new Set(asked.flatMap(({ choices: own }) => Object.keys(own ?? {})))
  // What cannot be done on this vehicle is not done, whoever chose it.
  if (choices.drain === 'slaveFirst' && (vehicle.sharedReservoir || drainedBy(packages) === null))
    choices.drain = 'syringe'
  if (choices.drain === 'bleeder' && (vehicle.sharedReservoir || vehicle.bleedScrew === false))
    choices.drain = 'syringe'
  // The slave is opened first where it drains the circuit: of the two the one that somebody asked for stays.
  if (choices.first === 'master' && choices.drain === 'slaveFirst') {
    if (said.has('drain')) choices.first = 'slave'
    else choices.drain = 'syringe'
  }
  return choices
}

/** Whether a step is done with these facts; one that is not told counts as not so. */
function holds(when: StepTold['when'], facts: Record<string, unknown>): boolean {
  return Object.entries(when ?? {}).every(([name, wanted]) => {
    const is = facts[name] ?? false
    return Array.isArray(wanted) ? wanted.includes(String(is)) : is === wanted
  })
}

function planned(
  pack: Package,
  step: StepTold,
  below: boolean,
  choices: Record<string, string>,
): PlannedStep {
  const how = HOW.filter(({ once, choice, value }) => once === step.once && choices[choice] === value)
  return {
    id: `${pack.id}.${step.id}`,
    package: pack.id,
    title: step.title,
    does: [step.does, ...how.map(({ words }) => words)].join(' '),
    why: step.why,
    place: (step.place === 'slaveSide' ? (below ? 'under' : 'engineBay') : step.place) as Place,
    minutes: step.minutes as Step['minutes'],
    people: step.people,
    needs: [...(step.needs ?? [])],
    forbids: [...(step.forbids ?? [])],
    puts: [...(step.puts ?? [])],
    takes: [...(step.takes ?? [])],
    records: [...(step.records ?? [])],
    recalls: [...(step.recalls ?? [])],
    ...(step.presses !== undefined && { presses: step.presses }),
    ...(step.fills !== undefined && { fills: step.fills }),
    ...(step.electrical !== undefined && { electrical: step.electrical }),
    ...(step.engine !== undefined && { engine: step.engine }),
    cautions: [...(step.cautions ?? [])],
    tools: (step.tools ?? []).map((tool) => ({ ...tool })),
    ...(step.torque !== undefined && { torque: step.torque }),
    key: step.once ?? step.id,
    after: [...(step.after ?? [])],
    parts: [...(step.parts ?? [])],
    consumables: [...(step.consumables ?? [])],
  }
}

/** What a step needs by what else is done, and whom it comes after. */
function linked(steps: PlannedStep[], choices: Record<string, string>): PlannedStep[] {
  const puts = (state: string) => steps.some((step) => step.puts.includes(state))
  const keys = new Map(steps.map((step) => [step.key, step]))
  const closings = steps.filter(({ takes }) => takes.some(isOpening)).map(({ key }) => key)
  // Groups of steps that others come after by one name.
  const groups: Record<string, string[]> = {
    closed: [...closings, 'unclamp', 'unitIn', 'slaveHome', 'untag'],
    bayDone: ['closeMaster', 'unclamp', 'unitIn'],
    underDone: ['closeSlave', 'hoseOn', 'pipeOn', 'slaveHome', 'boxIn', 'strapsOff'],
  }
  for (const step of steps) {
    step.after = [...new Set(step.after.flatMap((name) => groups[name] ?? [name]))].filter(
      (name) => name !== step.key && keys.has(name),
    )
    const need = (state: string) => {
      if (puts(state) && !step.needs.includes(state)) step.needs.push(state)
    }
    if (step.key === 'bleedIt')
      for (const state of ['rodSet', 'unionsTight', 'masterFast', 'slaveFast', 'pedalJoined'])
        need(state)
    if (step.key === 'bleedIt' && keys.has('moved')) step.after.push('moved')
    if (step.key === 'set:float' || step.key === 'set:final')
      for (const state of ['masterFast', 'pedalJoined', 'slaveFast']) need(state)
    // What a figure is written down for comes after it.
    for (const name of step.recalls) {
      const by = steps.filter(({ records }) => records.includes(name))
      const own = by.filter((one) => one.package === step.package)
      for (const one of own.length > 0 ? own : by) if (one !== step) step.after.push(one.key)
    }
  }
  // Something is taken off after whoever put it on.
  for (const step of steps)
    for (const state of step.takes)
      if (!step.puts.includes(state))
        for (const other of steps)
          if (other !== step && other.puts.includes(state) && !other.takes.includes(state))
            step.after.push(other.key)
  // What is put once and taken once is taken after whoever needs it.
  const putters = (state: string) =>
    steps.filter((one) => one.puts.includes(state) && !one.takes.includes(state))
  for (const step of steps)
    for (const state of step.takes) {
      const takers = steps.filter((one) => one.takes.includes(state) && !one.puts.includes(state))
      if (takers.length !== 1 || takers[0] !== step || putters(state).length !== 1) continue
      for (const other of steps)
        if (other !== step && other.needs.includes(state)) step.after.push(other.key)
    }
  const opening = steps.filter((step) => step.puts.some(isOpening)).map(({ key }) => key)
  for (const step of steps)
    if (step.puts.includes('bled')) step.after.push(...opening.filter((key) => key !== step.key))
  ordered(keys, choices)
  return steps
}

/** Which end is opened first, and when the pedal is joined, as chosen. */
function ordered(
  keys: ReadonlyMap<string, PlannedStep>,
  { first, pedal }: Record<string, string>,
): void {
  const link = (later: string, earlier: string) => {
    const step = keys.get(later)
    if (step && keys.has(earlier)) step.after.push(earlier)
  }
  if (first === 'master') link('openSlave', 'openMaster')
  else link('openMaster', 'openSlave')
  for (const key of ['closeSlave', 'hoseOn', 'pipeOn', 'slaveHome'])
    if (pedal === 'first') link(key, 'joined')
    else link('joined', key)
}
