import type { Seat } from '../fitting'
import { operationOf } from '../work'

/** How a joint lets go that a filled set forces open, minutes and the chance that it breaks; judgement with its reason. */
interface Opening {
  minutes: number
  breaks: number
  reason: string
}
const FREE: Opening = { minutes: 6, breaks: 0.03, reason: 'A union that turns.' }
const OPENINGS: Partial<Record<Seat, { good: Opening; corroded: Opening }>> = {
  quickConnector: {
    good: { minutes: 5, breaks: 0.08, reason: 'A connector that clicks out.' },
    corroded: {
      minutes: 40,
      breaks: 0.5,
      reason: 'Corroded together: every other one breaks before it lets go.',
    },
  },
  sealAndRollPin: {
    good: { minutes: 8, breaks: 0.05, reason: 'A pin that is driven out.' },
    corroded: { minutes: 25, breaks: 0.2, reason: 'A rusted pin mushrooms.' },
  },
}
const CORRODED: Opening = { minutes: 25, breaks: 0.25, reason: 'A seized nut takes the pipe with it.' }
/** A filled set is only topped up and tried. */
const TRY_IT = 8
/** Bench-bleeding and priming of dry parts. */
const PREPARE = { minutes: 20, reason: 'Master on the loop, slave filled and let out slowly.' }

export interface SetWeighed {
  set: { minutes: number; price: number; days: number; cost: number }
  singles: { minutes: number; price: number; days: number; cost: number }
  /** Minutes of bleeding that the set spares. */
  bleedSpared: number
  /** Chance that the joint it forces open breaks. */
  breaks: number
  favoured: 'set' | 'singles'
  /** Cost of the two differs by less than a twentieth. */
  close: boolean
  why: string
}

/**
 * A filled, assembled set against dry single parts: bleed time spared against the joint that it forces open.
 * @param rate money for an hour of hands
 * @param seat how the joint seals that has to be opened for the set; null where it needs none
 * @param broken money and days if that joint breaks
 */
export function weighSet(input: {
  set: { price: number; days: number }
  singles: { price: number; days: number }
  seat: Seat | null
  corroded: boolean
  rate: number
  /** Price of the line that goes with a joint that breaks. */
  broken: number
}): SetWeighed {
  const { set, singles, seat, corroded, rate, broken } = input
  const opening =
    seat === null
      ? { minutes: 0, breaks: 0, reason: 'No joint has to be opened for it.' }
      : corroded
        ? (OPENINGS[seat]?.corroded ?? CORRODED)
        : (OPENINGS[seat]?.good ?? FREE)
  const bleed = operationOf('bleed').minutes.likely
  const setMinutes = TRY_IT + opening.minutes
  const singleMinutes = bleed + PREPARE.minutes
  const costOf = (minutes: number, price: number) => price + (minutes / 60) * rate
  const setCost = costOf(setMinutes, set.price) + opening.breaks * (broken + (bleed / 60) * rate)
  const singlesCost = costOf(singleMinutes, singles.price)
  const favoured = setCost < singlesCost ? 'set' : 'singles'
  const spared = bleed + PREPARE.minutes - TRY_IT
  return {
    set: { minutes: setMinutes, price: set.price, days: set.days, cost: setCost },
    singles: { minutes: singleMinutes, price: singles.price, days: singles.days, cost: singlesCost },
    bleedSpared: spared,
    breaks: opening.breaks,
    favoured,
    close: Math.abs(setCost - singlesCost) < 0.05 * Math.max(setCost, singlesCost),
    why: `The set spares about ${spared} min of bleeding. ${opening.reason}`,
  }
}
