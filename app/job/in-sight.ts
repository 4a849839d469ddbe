import { KINDS, phasesShown, type Entry, type Kind, type Stage } from '~~/core/journal'
import type { SheetId } from './sheets'

/** What one has before one's eyes on a page: undo takes nothing else back. */
export interface Sight {
  /** Of the page: what was filed while it is open is in sight too. */
  name: string
  shows: (entry: Entry) => boolean
}

/** What stands on a stage, by the row of its kind. */
export const stageSight = (stage: Stage): Sight => ({
  name: stage,
  shows: (entry) => {
    const { stages } = KINDS[entry.kind]
    if (stages !== 'byPhase') return stages.includes(stage)
    const { kind, payload } = entry
    return (kind === 'finding' || kind === 'measurement') && phasesShown(stage).includes(payload.phase)
  },
})

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
