import access from './packages/access.json' with { type: 'json' }
import adjustRod from './packages/adjustRod.json' with { type: 'json' }
import adjustSwitch from './packages/adjustSwitch.json' with { type: 'json' }
import benchBleed from './packages/benchBleed.json' with { type: 'json' }
import bleed from './packages/bleed.json' with { type: 'json' }
import drain from './packages/drain.json' with { type: 'json' }
import fluidChange from './packages/fluidChange.json' with { type: 'json' }
import makePipe from './packages/makePipe.json' with { type: 'json' }
import primeSlave from './packages/primeSlave.json' with { type: 'json' }
import rebuildMaster from './packages/rebuildMaster.json' with { type: 'json' }
import rebuildSlave from './packages/rebuildSlave.json' with { type: 'json' }
import renewConcentric from './packages/renewConcentric.json' with { type: 'json' }
import renewHose from './packages/renewHose.json' with { type: 'json' }
import renewLine from './packages/renewLine.json' with { type: 'json' }
import renewMaster from './packages/renewMaster.json' with { type: 'json' }
import renewSlave from './packages/renewSlave.json' with { type: 'json' }
import unitOut from './packages/unitOut.json' with { type: 'json' }
import type { Tool } from './step'

/** A step as its package tells it; what is left out is empty, and `when` says on which vehicles and choices it is done. */
export interface StepTold {
  id: string
  title: string
  does: string
  why: string
  /** A place, or `slaveSide`: under the vehicle or in the bay, by how the slave is bolted. */
  place: string
  minutes: number[]
  people: number
  needs?: string[]
  forbids?: string[]
  puts?: string[]
  takes?: string[]
  records?: string[]
  recalls?: string[]
  cautions?: string[]
  tools?: Tool[]
  parts?: string[]
  consumables?: string[]
  presses?: boolean | 'called'
  fills?: boolean
  electrical?: boolean
  engine?: boolean
  torque?: string
  when?: Record<string, boolean | number | string | string[]>
  /** Done once for the whole work, whichever packages ask for it; also the name by which others come after it. */
  once?: string
  /** Keys of steps that come before it, where they are in the plan. */
  after?: string[]
}
/** A package of work, as its file has it. */
export interface Package {
  $schema: string
  id: string
  title: string
  /** Of the table of operations, or `access` and `drain`, which are work of their own. */
  operation: string
  /** Packages that it brings in. */
  brings: string[]
  steps: StepTold[]
}

const ALL = [
  access,
  drain,
  renewMaster,
  renewSlave,
  renewConcentric,
  renewLine,
  renewHose,
  rebuildMaster,
  rebuildSlave,
  unitOut,
  makePipe,
  benchBleed,
  primeSlave,
  bleed,
  fluidChange,
  adjustRod,
  adjustSwitch,
] as unknown as Package[]
export const PACKAGES: ReadonlyMap<string, Package> = new Map(ALL.map((one) => [one.id, one]))
export const PACKAGE_IDS = ALL.map(({ id }) => id)

/** What a step is called, by its id; the id itself where it is not of these packages. */
export function stepTitle(id: string): string {
  const [pack, step, kind] = id.split('.')
  const known = PACKAGES.get(pack ?? '')?.steps.find((one) => one.id === step)
  if (known) return kind ? `${known.title}, ${kind}` : known.title
  // Of a package of the shop's own only its id is known here: own-rinse.rinseThrough reads “rinse through”.
  return pack?.startsWith('own-') && step
    ? step.replace(/([a-z0-9])([A-Z])/g, '$1 $2').toLowerCase()
    : id
}

/** Packages that cannot be done together, with why. */
export const APART: readonly (readonly [string, string, string])[] = [
  ['renewMaster', 'rebuildMaster', 'a master is renewed or rebuilt'],
  ['renewSlave', 'rebuildSlave', 'a slave is renewed or rebuilt'],
  ...(
    [
      'renewMaster',
      'rebuildMaster',
      'renewSlave',
      'rebuildSlave',
      'renewConcentric',
      'renewLine',
      'renewHose',
      'benchBleed',
      'primeSlave',
    ] as const
  ).map(
    (one) =>
      [
        'unitOut',
        one,
        'a unit that comes out whole is not taken apart on the vehicle as well',
      ] as const,
  ),
  ['renewConcentric', 'primeSlave', 'a concentric slave is filled where it sits'],
  ['renewConcentric', 'renewSlave', 'a vehicle has one slave'],
  ['renewConcentric', 'rebuildSlave', 'a vehicle has one slave'],
]

/** A shop's own package is told from the usual ones by its name. */
export const OWN_ID = /^own-[a-z0-9][a-z0-9-]{0,35}$/
export const isOwn = (id: string): boolean => OWN_ID.test(id)
