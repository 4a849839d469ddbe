import type { JointPlace } from '../installation'
import { HOURLY_RATE, operationOf, takes, type OperationId, type OperationPrices } from '../work'
import type { FaultId } from './faults'

/** What is done about faults, at the shop's cost. Minutes and money stand in the table of operations. */
export interface Repair {
  id: RepairId
  label: string
  cures: readonly FaultId[]
  minutes: number
  money: number
  /** The circuit is opened: it is bled afterwards, once for all that is done. */
  opens: boolean
}

/** A bleed after the circuit was open, done once. */
export const BLEED = { minutes: operationOf('bleed').minutes.likely, money: operationOf('bleed').money }

/** Which operation cures what; the rest of a repair is that operation's. */
const CURES = [
  // Nothing but the bleed itself; old fluid goes out with the air, a dry circuit and a dry master are filled by it.
  ['bleed', ['airFromWork', 'airLowLevel', 'fluidOld', 'circuitDry', 'masterUnprimed']],
  [
    'master',
    [
      'masterBypass',
      'masterRearLeak',
      'portBlocked',
      'partWrong',
      'partBadNew',
      'masterBody',
      'masterNoisy',
    ],
  ],
  ['slave', ['slaveLeak', 'slaveLeakInside', 'slaveSticks', 'slaveWrong', 'slaveBody', 'slaveNoisy']],
  ['concentric', ['concentricLeak']],
  ['hose', ['hoseLeak', 'hoseSwells', 'hoseClosed']],
  // A wrong flare is not remade on the same pipe: a pipe with the right ends takes its place.
  ['pipe', ['pipeLeak', 'jointWrong']],
  ['unions', ['outletLeak', 'unionLeak', 'unionDraws', 'bleederLeaks', 'connectorLoose']],
  ['restrictor', ['restrictor']],
  ['feed', ['feedLeak']],
  ['everythingRubber', ['fluidWrong']],
  ['rod', ['rodTooLong', 'rodTooShort']],
  ['linkage', ['linkageSet', 'linkageTight']],
  ['pin', ['pinWorn']],
  ['pedal', ['pedalBushes', 'returnSpring', 'pedalBlocked']],
  ['switch', ['switchOut', 'pedalHeld']],
  ['bracket', ['bracketFlexes']],
  ['fork', ['forkCracked', 'linkageWorn']],
  ['forkSpring', ['forkSpring']],
  [
    'clutch',
    [
      'discWorn',
      'discOiled',
      'discDrags',
      'discStuck',
      'coverWorn',
      'bearingWorn',
      'pilotDrags',
      'guideDry',
    ],
  ],
  ['gearbox', ['gearboxFault']],
] as const satisfies readonly (readonly [OperationId, readonly FaultId[]])[]

export type RepairId = (typeof CURES)[number][0]

export const REPAIRS: readonly Repair[] = CURES.map(([id, cures]) => {
  const { label, minutes, money, opens } = operationOf(id)
  // A bleed is counted once for all repairs, so that as a repair it adds nothing of its own.
  const counted = id === 'bleed' ? { minutes: 0, money: 0 } : { minutes: minutes.likely, money }
  return { id, label, cures, opens, ...counted }
})

/** Repairs stand as bits of a number of 32 bits, of which one is the sign. */
const MOST_REPAIRS = 31
if (REPAIRS.length > MOST_REPAIRS)
  throw new Error(
    `${REPAIRS.length} repairs are more than the ${MOST_REPAIRS} bits that stand for them`,
  )

const byFault = new Map(
  REPAIRS.flatMap((repair) => repair.cures.map((fault) => [fault, repair] as const)),
)
export const repairOf = (fault: FaultId): Repair => byFault.get(fault)!

/** What a shop charges, and what it costs when a vehicle comes back. Defaults; a shop sets its own. */
export interface ShopCosts {
  /** Money for an hour of hands. */
  hourlyRate: number
  /** Money that a comeback costs: the work again, the tow, the trust. */
  comeback: number
  /** Prices of parts as they stand in the job's basket or on the shelf, in place of the usual ones. */
  prices?: OperationPrices
  /** Of seal kits, by the cylinder that they are for. */
  kits?: Partial<Record<'master' | 'slave', number>>
}
export const SHOP_COSTS: ShopCosts = { hourlyRate: HOURLY_RATE, comeback: 180 }

/** Minutes and money of several repairs together, the bleed counted once. */
export function costOf(
  repairs: readonly Repair[],
  { prices }: Pick<ShopCosts, 'prices'> = {},
): { minutes: number; money: number } {
  const { minutes, money } = takes(
    repairs.map(({ id }) => id),
    prices,
  )
  return { minutes: minutes.likely, money }
}
export const priceOf = (repairs: readonly Repair[], costs: ShopCosts): number => {
  const { minutes, money } = costOf(repairs, costs)
  return money + (minutes / 60) * costs.hourlyRate
}

/** Repairs in a row, as one would say them; what opens the circuit is bled anyway. */
export function repairWords(ids: readonly string[]): string {
  const repairs = REPAIRS.filter(({ id }) => ids.includes(id))
  const opened = repairs.some(({ id, opens }) => opens && id !== 'bleed')
  const words = repairs.filter(({ id }) => id !== 'bleed' || !opened).map(({ label }) => label)
  if (opened) words.push('bleed')
  return words.map((one, i) => (i === 0 ? one : one.charAt(0).toLowerCase() + one.slice(1))).join(', ')
}

/** Joints that a repair takes apart or makes anew; of lines, which ones is not known before somebody looks. */
export const OPENED_BY: Partial<Record<RepairId, readonly JointPlace[]>> = {
  master: ['masterOutlet'],
  slave: ['slavePort'],
  concentric: ['slavePort'],
  hose: ['slavePort'],
  pipe: ['masterOutlet'],
  everythingRubber: ['masterOutlet', 'slavePort'],
}
