import type { JobKind, Phase } from './find'

interface StageRow {
  id: string
  name: string
  /** What is seen or measured at a stage belongs to this phase of the job. */
  phase: Phase
  /** Phases whose findings and readings it shows: undo takes nothing else back there. */
  shows: readonly Phase[]
  /** Kinds of job that enter the road here. */
  starts: readonly JobKind[]
}

/** The road of every job, a row a stage. */
const ROWS = [
  {
    id: 'find',
    name: 'Find',
    phase: 'asFound',
    shows: ['asFound'],
    starts: ['fault', 'afterOtherWork'],
  },
  {
    id: 'choose',
    name: 'Choose',
    phase: 'working',
    shows: [],
    starts: ['refresh', 'upgrade', 'partsBrought'],
  },
  { id: 'fit', name: 'Fit', phase: 'working', shows: ['asFound'], starts: [] },
  { id: 'bleed', name: 'Bleed', phase: 'working', shows: ['working'], starts: ['fluidService'] },
  { id: 'prove', name: 'Prove', phase: 'after', shows: ['after'], starts: [] },
  { id: 'record', name: 'Record', phase: 'after', shows: [], starts: [] },
] as const satisfies readonly StageRow[]

export type Stage = (typeof ROWS)[number]['id']
export const STAGES: readonly Stage[] = ROWS.map(({ id }) => id)
const rowOf = (stage: Stage): StageRow => ROWS.find(({ id }) => id === stage)!

/** Every kind of job starts at one stage; one that starts nowhere does not compile. */
type Starts = (typeof ROWS)[number]['starts'][number]
const startsSomewhere: [Exclude<JobKind, Starts>] extends [never] ? true : never = true
void startsSomewhere

export const stageName = (stage: Stage): string => rowOf(stage).name
export const startStage = (kind: JobKind): Stage =>
  ROWS.find(({ starts }: StageRow) => starts.includes(kind))!.id
export const phaseAt = (stage: Stage): Phase => rowOf(stage).phase
/** Phases of findings and readings that stand on a stage. */
export const phasesShown = (stage: Stage): readonly Phase[] => rowOf(stage).shows
