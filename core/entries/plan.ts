import { isOwn, PACKAGES, stepTitle, SURPRISE_KINDS, surpriseWords } from '../plan/names'
import type { SurpriseKind } from '../plan'
import type { Held } from './held'
import { namesOf, type EntryKind } from './kind'

/** What is to be done, as it was chosen: the steps are worked out from it. */
export interface WorkPlan {
  packages: { id: string; choices?: Record<string, string> }[]
  people: 1 | 2
  /** What has to come out of the way on this vehicle, by the plan's names. */
  facts?: Record<string, boolean>
  parts?: { id: string; arrivesInMinutes: number }[]
  seed: number
}
export const STEP_ACTS = ['done', 'skipped', 'undone'] as const
/** A step of the plan that was done, left out with a reason, or is open again. */
export interface StepTold {
  step: string
  act: (typeof STEP_ACTS)[number]
  minutes?: number
  people?: number
  reason?: string
}
/** Something that turned up at a step: it adds its own. */
export interface SurpriseTold {
  at: string
  kind: SurpriseKind
  words?: string
}

export interface PlanPayloads {
  workPlan: WorkPlan
  step: StepTold
  surprise: SurpriseTold
}
export interface PlanState {
  workPlan: Held<WorkPlan> | null
  /** Steps that are done or left out, in the order in which they were told. */
  stepsTold: Held<StepTold>[]
  surprises: Held<SurpriseTold>[]
}
export const startPlan = (): PlanState => ({ workPlan: null, stepsTold: [], surprises: [] })

const words: Record<StepTold['act'], string> = {
  done: 'Done',
  skipped: 'Left out',
  undone: 'Open again',
}

const kinds = namesOf(SURPRISE_KINDS)

type Kinds = { [K in keyof PlanPayloads]: EntryKind<PlanPayloads[K], PlanState> }

export const PLAN_KINDS: Kinds = {
  workPlan: {
    stages: ['fit'],
    subjects: ['job'],
    knows: ({ packages }) => packages.every(({ id }) => PACKAGES.has(id) || isOwn(id)),
    replaces: () => 'workPlan',
    take: (slice, held) => (slice.workPlan = held),
    tell: ({ packages, people }) =>
      `Plan of the work: ${packages.map(({ id }) => (PACKAGES.get(id)?.title ?? id).toLowerCase()).join(', ')}, ${people === 1 ? 'alone' : 'with a helper'}`,
  },
  step: {
    stages: ['fit'],
    subjects: ['job'],
    take: (slice, held) => {
      const { step, act } = held.payload
      slice.stepsTold = slice.stepsTold.filter(({ payload }) => payload.step !== step)
      if (act !== 'undone') slice.stepsTold.push(held)
    },
    tell: ({ step, act, minutes, reason }) =>
      [
        `${words[act]}: ${stepTitle(step).toLowerCase()}`,
        minutes === undefined ? '' : `${minutes} min`,
        reason ?? '',
      ]
        .filter(Boolean)
        .join(', '),
  },
  surprise: {
    stages: ['fit'],
    subjects: ['job'],
    knows: ({ kind }) => kinds.has(kind),
    take: (slice, held) => slice.surprises.push(held),
    tell: ({ at, kind, words: said }) =>
      `Turned up at “${stepTitle(at).toLowerCase()}”: ${surpriseWords(kind)}${said ? `; ${said}` : ''}`,
  },
}
