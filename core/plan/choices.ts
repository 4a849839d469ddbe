/** Orders on which good technicians differ: each with its default, its reason, and what it rules out. */
export interface PlanChoice {
  name: string
  values: readonly string[]
  /** What is taken unless somebody says otherwise. */
  usual: string
  reason: string
  /** What a value forbids, in words. */
  forbids: Readonly<Record<string, string>>
}
const choice = (
  name: string,
  values: readonly string[],
  usual: string,
  reason: string,
  forbids: Record<string, string> = {},
): PlanChoice => ({ name, values, usual, reason, forbids })

export const PLAN_CHOICES: readonly PlanChoice[] = [
  choice(
    'drain',
    ['syringe', 'bleeder', 'slaveFirst'],
    'slaveFirst',
    'The slave’s union drains the circuit into a pan before the master makes its mess in the footwell.',
    {
      bleeder: 'needs a bleed screw; not where the brakes share the reservoir',
      slaveFirst: 'not where the brakes share the reservoir, nor where nothing is opened at the slave',
    },
  ),
  choice('first', ['slave', 'master'], 'slave', 'From below upward, and the pedal is joined last.', {
    master: 'the master comes off before the slave is opened',
  }),
  choice(
    'union',
    ['beforeBolting', 'afterBolting'],
    'beforeBolting',
    'A union started by hand while the cylinder can still be moved cannot cross.',
  ),
  choice(
    'hose',
    ['slaveEndFirst', 'bodyEndFirst'],
    'slaveEndFirst',
    'Tightened at the slave first, it does not twist.',
  ),
  choice(
    'lineOntoSlave',
    ['before', 'after'],
    'after',
    'On the vehicle the line shows how it wants to lie.',
  ),
  choice(
    'straps',
    ['offBefore', 'offAfter', 'firstStroke', 'relatched'],
    'offAfter',
    'They hold the rod while it goes in; its maker decides.',
    {
      offBefore: 'the rod has to be held by hand',
      firstStroke: 'nobody’s hands at the fork',
    },
  ),
  choice(
    'rod',
    ['inCylinder', 'inFork'],
    'inCylinder',
    'One piece less to hold; in the fork first where the boot is tight.',
  ),
  choice('pedal', ['last', 'first'], 'last', 'Joined last, nobody can press it too early.', {
    first: 'the tag stays on until everything else is shut',
  }),
  choice('unit', ['whole', 'pieces'], 'whole', 'One piece comes out where nothing traps it.'),
  choice('closed', ['yes', 'no'], 'yes', 'Swapped unopened, nothing has to be bled out of it.'),
]
const byName = new Map(PLAN_CHOICES.map((one) => [one.name, one]))
export const planChoice = (name: string): PlanChoice | undefined => byName.get(name)

/** What a choice adds to how a step is done, by the step’s key. */
export const HOW: readonly { once: string; choice: string; value: string; words: string }[] = [
  {
    once: 'closeSlave',
    choice: 'union',
    value: 'beforeBolting',
    words: 'Union started by hand before the bolts.',
  },
  {
    once: 'closeSlave',
    choice: 'union',
    value: 'afterBolting',
    words: 'Bolted first, then the union by hand.',
  },
  {
    once: 'closeSlave',
    choice: 'lineOntoSlave',
    value: 'before',
    words: 'Line onto the slave before it goes in.',
  },
  {
    once: 'closeSlave',
    choice: 'rod',
    value: 'inFork',
    words: 'Rod set in the fork first, the cylinder pushed over it.',
  },
  {
    once: 'closeMaster',
    choice: 'union',
    value: 'beforeBolting',
    words: 'Started by hand while the master can still be moved.',
  },
  { once: 'hoseOn', choice: 'hose', value: 'slaveEndFirst', words: 'Slave’s end first.' },
  {
    once: 'hoseOn',
    choice: 'hose',
    value: 'bodyEndFirst',
    words: 'Body’s end first, the hose held straight.',
  },
  {
    once: 'unitReady',
    choice: 'closed',
    value: 'yes',
    words: 'Nothing on it is opened: it goes in as it came.',
  },
  {
    once: 'unitReady',
    choice: 'closed',
    value: 'no',
    words: 'Opened and filled here, then capped.',
  },
  {
    once: 'unitOut',
    choice: 'unit',
    value: 'pieces',
    words: 'In pieces: parted at the joint that lets go best.',
  },
]
