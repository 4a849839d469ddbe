/** The sheets of Choose, in the order in which one works through them. */
export const CHOOSE_SHEETS = [
  { id: 'cylinders', name: 'Cylinders' },
  { id: 'joints', name: 'Joints' },
  { id: 'pipe', name: 'Pipe' },
  { id: 'line', name: 'Line' },
  { id: 'slave', name: 'Slave' },
  { id: 'fluid', name: 'Fluid' },
  { id: 'compare', name: 'Old and new' },
  { id: 'order', name: 'To order' },
] as const
export type ChooseSheet = (typeof CHOOSE_SHEETS)[number]['id']
export const chooseSheetOf = (given: unknown): ChooseSheet =>
  CHOOSE_SHEETS.find(({ id }) => id === given)?.id ?? 'cylinders'
