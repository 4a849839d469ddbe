import type { CoreUnit } from '../quantity'
import { lineSwell, masterArea, slaveArea, type Circuit } from './circuit'
import { plant } from './plant'
import type { CircuitSolution, TravelBudget } from './solve'

/** A term of the travel budget, as it is read and opened. */
export interface Term {
  name: keyof TravelBudget
  label: string
  /** What it is, in a sentence. */
  about: string
  formula: string
  inputs: (circuit: Circuit, solution: CircuitSolution) => TermInput[]
}

/** A figure that goes into a term; `fields` are the circuit's own fields behind it, so that a guess can be told. */
export type TermInput = [label: string, value: number, unit: CoreUnit, fields: string[]]

const ratio = (c: Circuit): TermInput => ['pedal ratio', c.pedal.ratio, '', ['pedal.ratio']]
const master = (c: Circuit): TermInput => ['master area', masterArea(c), 'mm²', ['master.bore']]
const slave = (c: Circuit): TermInput => [
  'slave area',
  slaveArea(c.slave),
  'mm²',
  ['slave.bore', 'slave.outer', 'slave.inner'],
]
const pressure = (s: CircuitSolution): TermInput => [
  'pressure at release',
  s.pressureAtRelease,
  'MPa',
  ['load', 'cover.releaseTravel', 'linkage.forkRatio', 'slave.springPreload'],
]

/** In the order in which the pad meets them. */
export const TERMS: readonly Term[] = [
  {
    name: 'rodClearance',
    label: 'rod',
    about: 'The gap between pushrod and piston.',
    formula: 'ratio × clearance',
    inputs: (c) => [ratio(c), ['clearance', plant(c).clearance, 'mm', ['master.pushrodClearance']]],
  },
  {
    name: 'portClosure',
    label: 'port',
    about: 'Until the primary cup has passed the compensating port, nothing goes forward.',
    formula: 'ratio × port closure',
    inputs: (c) => [ratio(c), ['port closure', c.master.portClosure, 'mm', ['master.portClosure']]],
  },
  {
    name: 'slop',
    label: 'slop',
    about: 'Lost motion in clevis, rod and fork, where no spring takes it up.',
    formula: 'ratio × slave area ÷ master area × slop',
    inputs: (c) => [ratio(c), slave(c), master(c), ['slop', c.linkage.slop, 'mm', ['linkage.slop']]],
  },
  {
    name: 'bearingClearance',
    label: 'bearing',
    about: 'Play before the bearing meets the fingers, where no spring takes it up.',
    formula: 'ratio × slave area ÷ master area × fork ratio × bearing clearance',
    inputs: (c) => [
      ratio(c),
      slave(c),
      master(c),
      ['fork ratio', c.linkage.forkRatio, '', ['linkage.forkRatio']],
      ['bearing clearance', c.linkage.bearingClearance, 'mm', ['linkage.bearingClearance']],
    ],
  },
  {
    name: 'air',
    label: 'air',
    about: 'Trapped air is squeezed before it pushes.',
    formula: 'ratio ÷ master area × air × (1 − p0 ÷ (p0 + pressure))',
    inputs: (c, s) => [ratio(c), master(c), ['air', c.air, 'mm³', []], pressure(s)],
  },
  {
    name: 'lineSwell',
    label: 'swell',
    about: 'Hoses widen under pressure, and steel a little.',
    formula: 'ratio ÷ master area × swell of all lines × pressure',
    inputs: (c, s) => [
      ratio(c),
      master(c),
      ['swell', c.lines.reduce((sum, line) => sum + lineSwell(line), 0), 'mm³/MPa', ['expansion']],
      pressure(s),
    ],
  },
  {
    name: 'fluid',
    label: 'fluid',
    about: 'The fluid itself gives a little.',
    formula: 'ratio ÷ master area × fluid volume ÷ bulk modulus × pressure',
    inputs: (c, s) => [
      ratio(c),
      master(c),
      ['volume ÷ modulus', plant(c).compression, 'mm³/MPa', ['fluid.bulkModulus']],
      pressure(s),
    ],
  },
  {
    name: 'lift',
    label: 'lift',
    about: 'The slave moves the bearing until the disc is just free. All the rest is lost on the way.',
    formula: 'ratio × slave area ÷ master area × slave travel to release',
    inputs: (c, s) => [
      ratio(c),
      slave(c),
      master(c),
      [
        'slave travel',
        (s.budget.lift * masterArea(c)) / (c.pedal.ratio * slaveArea(c.slave)),
        'mm',
        ['cover.releaseTravel', 'linkage.forkRatio'],
      ],
    ],
  },
  {
    name: 'snap',
    label: 'snap',
    about:
      'With this much air the slave jumps past the cover’s peak; the pad has to go to the edge of the jump.',
    formula: 'ratio ÷ master area × (most volume on the way − volume at release)',
    inputs: (c) => [ratio(c), master(c)],
  },
]
