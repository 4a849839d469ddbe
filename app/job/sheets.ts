/** The sheets of a circuit, in the order in which one works through them. */
export const SHEETS = [
  { id: 'parts', name: 'Parts' },
  { id: 'route', name: 'Route' },
  { id: 'curves', name: 'Curves' },
  { id: 'whatif', name: 'What if' },
  { id: 'wear', name: 'Wear' },
  { id: 'guess', name: 'Guess' },
  { id: 'keep', name: 'Keep' },
] as const
export type SheetId = (typeof SHEETS)[number]['id']
export const sheetOf = (given: unknown): SheetId => SHEETS.find(({ id }) => id === given)?.id ?? 'parts'

/** On these the drawing itself is worked on, and gets more room. */
export const drawnOn = (sheet: unknown): boolean => ['parts', 'route'].includes(sheetOf(sheet))
