import type { Entry, Kind, Stage } from '~~/core/journal'
import type { SheetId } from './sheets'

/** What one has before one's eyes on a page: undo takes nothing else back. */
export interface Sight {
  /** Of the page: what was filed while it is open is in sight too. */
  name: string
  shows: (entry: Entry) => boolean
}

/** Kinds that a stage shows, notes apart, which are jotted on any; of findings and readings those of its phases. */
const STAGE_KINDS: Record<Stage, readonly Kind[]> = {
  find: ['complaint', 'condition', 'takenOver', 'decision', 'modelNote'],
  choose: [
    'decision',
    'circuitPlan',
    'joint',
    'fitCheck',
    'order',
    'photo',
    'fluidInside',
    'fluidUsed',
    'parameter',
    'installation',
  ],
  fit: [
    'asFound',
    'workDone',
    'workPlan',
    'step',
    'surprise',
    'putOn',
    'takenOff',
    'removed',
    'refitted',
    'rebuildPiece',
    'boreCheck',
    'newPart',
    'adjust',
    'parameter',
    'modelNote',
    'photo',
  ],
  bleed: [
    'bleedCycle',
    'topUp',
    'trick',
    'pedalSays',
    'bleedSetup',
    'stageProof',
    'fluidUsed',
    'fluidDisposed',
  ],
  prove: ['graded', 'cause', 'verdict', 'workDone', 'closed', 'recheck'],
  record: ['modelNote', 'closed', 'recheck', 'deferred', 'followUp', 'approval'],
}
const PHASE_OF: Partial<Record<Stage, string>> = { find: 'asFound', bleed: 'working', prove: 'after' }

export function stageSight(stage: Stage): Sight {
  const kinds = new Set<Kind>(['note', ...STAGE_KINDS[stage]])
  return {
    name: stage,
    shows: (entry) =>
      kinds.has(entry.kind) ||
      ((entry.kind === 'finding' || entry.kind === 'measurement') &&
        (entry.payload.phase === PHASE_OF[stage] ||
          (stage === 'fit' && entry.payload.phase === 'asFound'))),
  }
}

const SHEET_KINDS: Record<SheetId, readonly Kind[]> = {
  parts: ['parameter', 'installation', 'joint', 'photo'],
  route: ['route', 'installation'],
  curves: ['circuitPlan'],
  whatif: ['circuitPlan'],
  wear: [],
  guess: ['parameter'],
  keep: ['calibration', 'installation'],
}
export function sheetSight(sheet: SheetId): Sight {
  const kinds = new Set<Kind>(SHEET_KINDS[sheet])
  return {
    name: `circuit ${sheet}`,
    // Parts are checked against each other in Choose; here an end is read off.
    shows: (entry) =>
      kinds.has(entry.kind) && !(entry.kind === 'joint' && entry.payload.verdict !== null),
  }
}
