import type { Installation } from '../core/installation'
import { proofOf } from './closed'
import { cycle, found, reading, tape, withAir } from './figures'
import type { EarlierJob, Line } from './scenario'

/** What a vehicle was in for in years before: each closed and proven by the core's own figures, its cause left open. */
interface Year {
  title: string
  daysAgo: number
  /** mm³ of air as it came and as it went. */
  air: [before: number, after: number]
  seen: Line[]
  worked: Line[]
}
const CHECKS = ['unionsWet', 'levelLow', 'startsPedalUp', 'gearGrinds', 'slips'] as const

export function year(installation: Installation, one: Year): EarlierJob {
  const [before, after] = one.air.map((air) => tape(withAir(installation, air))) as [
    ReturnType<typeof tape>,
    ReturnType<typeof tape>,
  ]
  const by = 'Tam Brackley' as const
  const lines: Line[] = [
    [0, by, 'goal', { jobKind: 'fault', wanted: 'As it was' }],
    ...one.seen,
    [20, by, 'measurement', reading('freeTravel', before.free, 'asFound')],
    ...one.worked,
    [120, by, 'bleedCycle', { ...cycle('few', 5, 30, 'dark'), phase: 'flush' }],
    [124, by, 'bleedCycle', { ...cycle('clear', 4, 28, 'fresh'), phase: 'flush' }],
    [127, by, 'bleedCycle', cycle('clear', 4, 28, 'fresh')],
    [130, by, 'bleedCycle', cycle('clear', 4, 28, 'fresh')],
    [140, by, 'measurement', reading('freeTravel', after.free, 'after')],
    [141, by, 'measurement', reading('takeUpHeight', after.takeUp, 'after')],
    [142, by, 'measurement', reading('rodStroke', after.rod, 'after')],
    [143, by, 'measurement', reading('sink', 0, 'after', 60)],
    [144, by, 'measurement', reading('rodClearance', 0.4, 'after')],
    ...CHECKS.map((finding, i): Line => [150 + i, by, 'finding', found(finding, 'absent', 'after')]),
    ...one.seen.flatMap(([, who, kind, payload]): Line[] =>
      kind === 'complaint'
        ? [[156, who, 'graded', { of: (payload as { complaint: 'soft' }).complaint, grade: 'gone' }]]
        : [],
    ),
  ]
  const verdict = proofOf(one.title, installation, lines)
  return {
    title: one.title,
    daysAgo: one.daysAgo,
    lines: [...lines, [160, by, 'verdict', verdict], [165, by, 'closed', { reason: 'collected' }]],
  }
}

/** The pickup’s years: its fluid changed, a union remade, a slave that is wet again now. */
export const pickupYears = (installation: Installation): EarlierJob[] => [
  year(installation, {
    title: 'First look since it came from the mainland',
    daysAgo: 1130,
    air: [350, 30],
    seen: [[2, 'Tam Brackley', 'measurement', reading('fluidAge', 31, 'asFound')]],
    worked: [[60, 'Tam Brackley', 'workDone', { operation: 'flush' }]],
  }),
  year(installation, {
    title: 'Soft after the winter',
    daysAgo: 640,
    air: [1200, 50],
    seen: [
      [1, 'Tam Brackley', 'complaint', { complaint: 'soft' }],
      [4, 'Tam Brackley', 'finding', found('unionsWet', 'present')],
      [6, 'Tam Brackley', 'measurement', reading('fluidAge', 16, 'asFound')],
    ],
    worked: [[60, 'Tam Brackley', 'workDone', { operation: 'unions' }]],
  }),
  year(installation, {
    title: 'Level falls, boot wet',
    daysAgo: 190,
    air: [800, 40],
    seen: [
      [1, 'Tam Brackley', 'complaint', { complaint: 'losesFluid' }],
      [5, 'Tam Brackley', 'finding', found('bootWet', 'present')],
      [7, 'Tam Brackley', 'fluidInside', { kind: 'dot4', everyMonths: 24 }],
      [9, 'Tam Brackley', 'measurement', reading('fluidAge', 15, 'asFound')],
    ],
    worked: [[60, 'Tam Brackley', 'workDone', { operation: 'slave' }]],
  }),
]
