import type { PartKind } from '../shelf'
import type { OperationId } from '../work'
import type { NeedGroup } from './needs'

/** Small things that a piece of work takes and that are forgotten; judgement, each with its reason. */
export interface SmallPart {
  id: string
  kind: PartKind
  words: string
  group: NeedGroup
  /** A word of its name, where its kind holds more than it. */
  name?: string
  during: readonly OperationId[]
  reason: string
}
const OPENING: readonly OperationId[] = [
  'master',
  'slave',
  'concentric',
  'hose',
  'pipe',
  'unions',
  'restrictor',
  'feed',
  'everythingRubber',
]

export const SMALL_PARTS: readonly SmallPart[] = [
  {
    id: 'gasket',
    kind: 'other',
    words: 'gasket between master and bulkhead',
    group: 'seal',
    name: 'gasket',
    during: ['master', 'everythingRubber'],
    reason: 'Tears as the master comes off, and then the carpet gets wet.',
  },
  {
    id: 'rubberGrease',
    kind: 'grease',
    words: 'rubber grease',
    group: 'fluid',
    name: 'rubber',
    during: ['master', 'slave', 'concentric', 'everythingRubber'],
    reason: 'Outside the seals and in the boots; nothing else on rubber.',
  },
  {
    id: 'molyGrease',
    kind: 'grease',
    words: 'molybdenum grease',
    group: 'fluid',
    name: 'moly',
    during: ['slave', 'fork', 'pin', 'clutch', 'linkage', 'grease'],
    reason: 'Rod tip, fork cup, pivot.',
  },
  {
    id: 'plugs',
    kind: 'consumable',
    words: 'plugs and caps for open lines',
    group: 'consumable',
    name: 'plug',
    during: OPENING,
    reason: 'An open line drips on the paint and breathes damp.',
  },
  {
    id: 'rags',
    kind: 'consumable',
    words: 'rags that leave no lint',
    group: 'consumable',
    name: 'rag',
    during: OPENING,
    reason: 'Round the cap, round the union, under the slave.',
  },
  {
    id: 'gloves',
    kind: 'consumable',
    words: 'gloves that fluid does not go through',
    group: 'consumable',
    name: 'glove',
    during: OPENING,
    reason: 'Fluid spoils skin and eyes.',
  },
  {
    id: 'brakeCleaner',
    kind: 'consumable',
    words: 'brake cleaner',
    group: 'consumable',
    name: 'cleaner',
    during: OPENING,
    reason: 'Round a union before it is opened; never on rubber that stays.',
  },
]
