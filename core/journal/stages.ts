import type { JobKind, Phase } from '../entries'

/** The road of every job. Choose and Record are drawn but not yet built. */
export const STAGES = ['find', 'choose', 'fit', 'bleed', 'prove', 'record'] as const
export type Stage = (typeof STAGES)[number]

/** Where each kind of job enters the road. */
const STARTS: Record<JobKind, Stage> = {
  fault: 'find',
  refresh: 'choose',
  upgrade: 'choose',
  fluidService: 'bleed',
  partsBrought: 'choose',
  afterOtherWork: 'find',
}
export const startStage = (kind: JobKind): Stage => STARTS[kind]

/** What is seen or measured at a stage belongs to this phase of the job. */
export const phaseAt = (stage: Stage): Phase =>
  stage === 'find' ? 'asFound' : stage === 'prove' || stage === 'record' ? 'after' : 'working'
