/** How long something takes, minutes of one pair of hands. */
export interface Minutes {
  low: number
  likely: number
  high: number
}

/**
 * What a piece of work can put out of order: the closed circuit, a joint of it, the pedal's rod, the pedal with its stop and
 * switch, fork and release linkage, the clutch itself.
 */
export type Touched = 'circuit' | 'joint' | 'rod' | 'pedal' | 'linkage' | 'clutch'

/** A piece of work on a release circuit, as it is priced everywhere. Every figure is engineering judgement. */
export interface Operation {
  id: string
  label: string
  /** From an easy vehicle to a seized one, once the place is reached; the bleed after it is not in it. */
  minutes: Minutes
  /** Usual price of its parts and fluid, in the shop's money. */
  money: number
  tools: readonly string[]
  /** The circuit is opened: it is bled afterwards, once for all that is done. */
  opens: boolean
  /** What is used up or renewed. */
  parts: readonly string[]
  /** What has to be proved again once it is done; nothing where only what was felt is asked. */
  touches: readonly Touched[]
  /** Part of looking: nothing is mended by it. */
  looks?: true
  /** Why so long, and why at that price. */
  reason: string
}

const operation = <Id extends string>(
  id: Id,
  label: string,
  [low, likely, high]: readonly [number, number, number],
  money: number,
  opens: boolean,
  more: Pick<Operation, 'tools' | 'parts' | 'touches' | 'looks' | 'reason'>,
): Operation & { id: Id } => ({
  id,
  label,
  minutes: { low, likely, high },
  money,
  opens,
  ...more,
})

const SPANNERS = ['spanners, flare spanner', 'catch pan']

/** One row for each piece of work: repairs, remedies and the plan take their minutes and prices from here. */
export const OPERATIONS = [
  operation('bleed', 'Bleed', [20, 40, 90], 8, true, {
    tools: ['bleed hose', 'bottle', 'spanner for the bleed screw'],
    parts: ['fluid'],
    touches: ['circuit'],
    reason: 'A litre of fluid at most, and a helper for part of it.',
  }),
  operation('master', 'Renew the master', [50, 80, 150], 70, true, {
    tools: [...SPANNERS, 'pliers for the clevis clip'],
    parts: ['master cylinder', 'fluid'],
    touches: ['circuit', 'rod', 'pedal'],
    reason: 'Footwell and bulkhead; the rod is set anew.',
  }),
  operation('slave', 'Renew the slave', [30, 50, 100], 45, true, {
    tools: SPANNERS,
    parts: ['slave cylinder', 'fluid'],
    touches: ['circuit', 'linkage'],
    reason: 'Two bolts and a union, once one is under it.',
  }),
  operation('concentric', 'Renew the concentric slave, gearbox out', [240, 360, 600], 120, true, {
    tools: ['gearbox jack', 'spanners'],
    parts: ['concentric slave', 'fluid'],
    touches: ['circuit', 'clutch'],
    reason: 'The gearbox comes out for it.',
  }),
  operation('hose', 'Renew the hose', [15, 30, 70], 25, true, {
    tools: SPANNERS,
    parts: ['hose', 'washers', 'fluid'],
    touches: ['circuit'],
    reason: 'Two joints, one counter-held.',
  }),
  operation('pipe', 'Renew the pipe', [40, 70, 140], 20, true, {
    tools: [...SPANNERS, 'pipe cutter, flaring tool, bender'],
    parts: ['pipe', 'nuts', 'fluid'],
    touches: ['circuit'],
    reason: 'Made on the bench to the old one’s shape.',
  }),
  operation('unions', 'Remake the unions and seal the bleed screw', [15, 35, 80], 10, true, {
    tools: [...SPANNERS, 'flaring tool'],
    parts: ['washers', 'sealing paste for the bleed screw’s thread', 'fluid'],
    touches: ['circuit'],
    reason: 'New washers or a new flare; which one is found by wiping.',
  }),
  operation('restrictor', 'Clean or take out the restrictor', [15, 30, 60], 6, true, {
    tools: [...SPANNERS, 'fine wire'],
    parts: ['washers', 'fluid'],
    touches: ['circuit'],
    reason: 'It sits in the port of slave or master; the line comes off that port.',
  }),
  operation('feed', 'Renew the feed hose or the reservoir', [12, 25, 50], 20, true, {
    tools: ['pliers', 'catch pan'],
    parts: ['feed hose or reservoir', 'clips', 'fluid'],
    touches: ['circuit'],
    reason: 'Two clips; the port runs dry and is bled.',
  }),
  operation('everythingRubber', 'Flush, and renew every rubber part', [160, 240, 420], 180, true, {
    tools: SPANNERS,
    parts: ['master', 'slave', 'hose', 'cap’s rubber', 'fluid'],
    touches: ['circuit', 'rod', 'pedal', 'linkage'],
    reason: 'All that the wrong fluid has touched.',
  }),
  operation('rod', 'Set the pushrod', [8, 15, 30], 0, false, {
    tools: ['two spanners', 'feeler or tape'],
    parts: [],
    touches: ['rod'],
    reason:
      'A locknut, lying on one’s back, and a pin that slides in without load; the circuit stays shut.',
  }),
  operation('linkage', 'Set the linkage', [8, 15, 30], 0, false, {
    tools: ['two spanners', 'rule'],
    parts: [],
    touches: ['linkage'],
    reason: 'One adjuster and its locknut under the vehicle.',
  }),
  operation('pin', 'Renew clevis, pin and rod tip', [15, 35, 80], 12, false, {
    tools: ['pliers', 'punch', 'grease'],
    parts: ['clevis, pin, clip', 'rod tip'],
    touches: ['rod'],
    reason: 'Small parts; the pin is often seized.',
  }),
  operation('pedal', 'Bushes and spring: put the pedal right', [25, 50, 100], 20, false, {
    tools: ['spanners', 'grease'],
    parts: ['bushes', 'return spring'],
    touches: ['pedal', 'rod'],
    reason: 'Pedal off its pivot where bushes are renewed.',
  }),
  operation('stop', 'Set the pedal stop back', [10, 20, 40], 0, false, {
    tools: ['two spanners', 'tape'],
    parts: [],
    touches: ['pedal'],
    reason: 'Where the stop has thread left and the carpet allows it; switch and height follow.',
  }),
  operation('switch', 'Set the pedal switch', [5, 10, 25], 0, false, {
    tools: ['spanner'],
    parts: [],
    touches: ['pedal'],
    reason: 'Expect a start in gear when it is tried.',
  }),
  operation('bracket', 'Mend bracket or bulkhead', [60, 120, 300], 40, false, {
    tools: ['spanners', 'drill'],
    parts: ['plate, nuts'],
    touches: ['rod', 'pedal'],
    reason: 'A plate behind the sheet, or new nuts; welding by a licensed hand.',
  }),
  operation('fork', 'Renew fork, pivot or rod tip', [30, 280, 480], 60, false, {
    tools: ['gearbox jack', 'spanners'],
    parts: ['fork', 'pivot'],
    touches: ['linkage', 'clutch'],
    reason: 'A rod tip is quick; a fork needs the gearbox out, and that is what is counted.',
  }),
  operation('forkSpring', 'Put the fork’s spring or clip back', [8, 20, 45], 6, false, {
    tools: ['pliers', 'hook'],
    parts: ['spring or clip'],
    touches: ['linkage'],
    reason: 'Hooked through the fork’s slot from below.',
  }),
  operation('clutch', 'Clutch: disc, cover, bearing, pilot, guide', [240, 340, 600], 220, false, {
    tools: ['gearbox jack', 'centring tool', 'spanners'],
    parts: ['disc, cover, bearing', 'pilot bearing'],
    touches: ['clutch', 'linkage'],
    reason: 'The gearbox comes out; all of it is renewed together.',
  }),
  operation('gearbox', 'Gearbox or shift linkage', [30, 240, 900], 150, false, {
    tools: ['spanners'],
    parts: [],
    touches: ['clutch'],
    reason: 'From a cable’s clip to the box out; a middle.',
  }),
  operation('flush', 'Change the fluid', [25, 45, 90], 12, true, {
    tools: ['bleed hose', 'bottle', 'spanner for the bleed screw'],
    parts: ['fluid'],
    touches: ['circuit'],
    reason: 'A bleed that goes on until fresh fluid comes.',
  }),
  operation('tighten', 'Tighten a union or a bleed screw', [3, 8, 20], 0, false, {
    tools: ['flare spanner'],
    parts: [],
    touches: ['joint'],
    reason: 'Most of it is reaching the place; one that was loose is wiped and looked at again.',
  }),
  operation('grease', 'Oil or grease pivot, clevis and rod tip', [4, 10, 25], 2, false, {
    tools: ['rag'],
    parts: ['grease'],
    touches: [],
    reason: 'Nothing is taken apart; what squeaked says whether it worked.',
  }),
  operation('wash', 'Wipe down and mark what may leak', [4, 8, 15], 1, false, {
    tools: ['rag', 'marker'],
    parts: ['cleaner'],
    touches: [],
    looks: true,
    reason: 'So that what is wet next time is new.',
  }),
] as const satisfies readonly Operation[]

export type OperationId = (typeof OPERATIONS)[number]['id']
const byId = new Map<string, Operation>(OPERATIONS.map((one) => [one.id, one]))
export const operationOf = (id: OperationId): Operation => byId.get(id)!

/** Prices of parts by operation, in place of the table's usual ones. */
export type OperationPrices = Readonly<Partial<Record<OperationId, number>>>

/**
 * What several operations take together: the bleed once, where any of them opens the circuit.
 * @param prices of the shop's own shelf or basket; the usual ones where it has none
 */
export function takes(
  ids: readonly OperationId[],
  prices: OperationPrices = {},
): {
  minutes: Minutes
  money: number
  opens: boolean
} {
  const wanted = new Set<OperationId>(ids)
  const opens = ids.some((id) => operationOf(id).opens)
  if (opens) wanted.add('bleed')
  const minutes = { low: 0, likely: 0, high: 0 }
  let money = 0
  for (const id of wanted) {
    const one = operationOf(id)
    minutes.low += one.minutes.low
    minutes.likely += one.minutes.likely
    minutes.high += one.minutes.high
    money += prices[id] ?? one.money
  }
  return { minutes, money, opens }
}

/** What an hour in the shop costs unless the shop says otherwise, in its own money. */
export const HOURLY_RATE = 60
