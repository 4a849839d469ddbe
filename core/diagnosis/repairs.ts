import { HOURLY_RATE } from '../whatif'
import type { FaultId } from './faults'

/** What is done about faults: money in the shop's own, hands on the vehicle in minutes. Every figure is judgement. */
export interface Repair {
  id: string
  label: string
  cures: readonly FaultId[]
  minutes: number
  money: number
  /** The circuit is opened: it is bled afterwards, once for all that is done. */
  opens: boolean
  reason: string
}

/** A bleed after the circuit was open, done once. */
export const BLEED = {
  minutes: 40,
  money: 8,
  reason: 'A litre of fluid and a helper for part of it.',
} as const

export const REPAIRS: readonly Repair[] = [
  {
    id: 'bleed',
    label: 'Bleed',
    cures: ['airFromWork', 'airLowLevel', 'fluidOld', 'circuitDry'],
    minutes: 0,
    money: 0,
    opens: true,
    reason:
      'Nothing but the bleed itself; old fluid goes out with the air, and a dry circuit is filled by it.',
  },
  {
    id: 'master',
    label: 'Renew the master',
    cures: ['masterBypass', 'masterRearLeak', 'portBlocked', 'partWrong'],
    minutes: 80,
    money: 70,
    opens: true,
    reason: 'Footwell and bulkhead; the rod is set anew.',
  },
  {
    id: 'slave',
    label: 'Renew the slave',
    cures: ['slaveLeak', 'slaveLeakInside', 'slaveSticks'],
    minutes: 50,
    money: 45,
    opens: true,
    reason: 'Two bolts and a union, once one is under it.',
  },
  {
    id: 'concentric',
    label: 'Renew the concentric slave, gearbox out',
    cures: ['concentricLeak'],
    minutes: 360,
    money: 120,
    opens: true,
    reason: 'The gearbox comes out for it.',
  },
  {
    id: 'hose',
    label: 'Renew the hose',
    cures: ['hoseLeak', 'hoseSwells', 'hoseClosed'],
    minutes: 30,
    money: 25,
    opens: true,
    reason: 'Two joints, one counter-held.',
  },
  {
    id: 'pipe',
    label: 'Renew the pipe or its restrictor',
    cures: ['pipeLeak', 'restrictor'],
    minutes: 70,
    money: 20,
    opens: true,
    reason: 'Made on the bench to the old one’s shape.',
  },
  {
    id: 'unions',
    label: 'Remake the unions and seal the bleed screw',
    cures: ['outletLeak', 'unionLeak', 'unionDraws', 'bleederLeaks'],
    minutes: 35,
    money: 10,
    opens: true,
    reason: 'New washers or a new flare; which one is found by wiping.',
  },
  {
    id: 'feed',
    label: 'Renew the feed hose or the reservoir',
    cures: ['feedLeak'],
    minutes: 25,
    money: 20,
    opens: true,
    reason: 'Two clips; the port runs dry and is bled.',
  },
  {
    id: 'everythingRubber',
    label: 'Flush, and renew every rubber part',
    cures: ['fluidWrong'],
    minutes: 240,
    money: 180,
    opens: true,
    reason: 'Master, slave, hose, cap: all that the wrong fluid has touched.',
  },
  {
    id: 'rod',
    label: 'Set the pushrod',
    cures: ['rodTooLong', 'rodTooShort'],
    minutes: 15,
    money: 0,
    opens: false,
    reason: 'A locknut and a pin that slides in without load.',
  },
  {
    id: 'linkage',
    label: 'Set the linkage',
    cures: ['linkageSet', 'linkageTight'],
    minutes: 15,
    money: 0,
    opens: false,
    reason: 'A locknut under the vehicle.',
  },
  {
    id: 'pedal',
    label: 'Pin, bushes, spring: put the pedal right',
    cures: ['pinWorn', 'pedalBushes', 'returnSpring', 'pedalBlocked'],
    minutes: 50,
    money: 20,
    opens: false,
    reason: 'Pedal off its pivot where bushes are renewed.',
  },
  {
    id: 'switch',
    label: 'Set the pedal switch',
    cures: ['switchOut'],
    minutes: 10,
    money: 0,
    opens: false,
    reason: 'Expect a start in gear when it is tried.',
  },
  {
    id: 'bracket',
    label: 'Mend bracket or bulkhead',
    cures: ['bracketFlexes'],
    minutes: 120,
    money: 40,
    opens: false,
    reason: 'A plate behind the sheet, or new nuts; welding by a licensed hand.',
  },
  {
    id: 'fork',
    label: 'Renew fork, pivot or rod tip',
    cures: ['forkCracked', 'linkageWorn'],
    minutes: 280,
    money: 60,
    opens: false,
    reason: 'A rod tip is quick; a fork needs the gearbox out, and that is what is counted.',
  },
  {
    id: 'clutch',
    label: 'Clutch: disc, cover, bearing, pilot, guide',
    cures: ['discWorn', 'discDrags', 'coverWorn', 'bearingWorn', 'pilotDrags', 'guideDry'],
    minutes: 340,
    money: 220,
    opens: false,
    reason: 'The gearbox comes out; all of it is renewed together.',
  },
  {
    id: 'gearbox',
    label: 'Gearbox or shift linkage',
    cures: ['gearboxFault'],
    minutes: 240,
    money: 150,
    opens: false,
    reason: 'From a cable’s clip to the box out; a middle.',
  },
]

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
}
export const SHOP_COSTS: ShopCosts = { hourlyRate: HOURLY_RATE, comeback: 180 }

/** Minutes and money of several repairs together, the bleed counted once. */
export function costOf(repairs: readonly Repair[]): { minutes: number; money: number } {
  const opens = repairs.some((repair) => repair.opens)
  let minutes = opens ? BLEED.minutes : 0
  let money: number = opens ? BLEED.money : 0
  for (const repair of repairs) {
    minutes += repair.minutes
    money += repair.money
  }
  return { minutes, money }
}
export const priceOf = (repairs: readonly Repair[], costs: ShopCosts): number => {
  const { minutes, money } = costOf(repairs)
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
