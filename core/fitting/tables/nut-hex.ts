/** The hex that a nut or union of a thread usually has, mm across flats; the one in hand counts. */
export interface NutHex {
  thread: string
  hex: number
  reason: string
}
export const NUT_HEX: readonly NutHex[] = [
  { thread: 'M10x1', hex: 11, reason: 'Nut on 4.75 mm pipe; 10 mm is found too.' },
  { thread: 'M12x1', hex: 13, reason: 'Nut on 6 mm pipe; 14 mm is found too.' },
  { thread: 'M12x1.25', hex: 14, reason: 'Heavier nut of trucks and tractors.' },
  { thread: 'M14x1.5', hex: 17, reason: 'Feed unions.' },
  { thread: '3/8-24', hex: 11.11, reason: 'Inch nut on 3/16 pipe: 7/16 in.' },
  { thread: '7/16-24', hex: 12.7, reason: 'Inch nut on 1/4 pipe: 1/2 in.' },
  { thread: '7/16-20', hex: 14.29, reason: 'Hose ends and adapters: 9/16 in.' },
  { thread: '1/2-20', hex: 15.88, reason: 'Larger inch hose ends: 5/8 in.' },
]
/** mm across flats; null for a thread that is not of the table. */
export const nutHex = (thread: string | null | undefined): number | null =>
  NUT_HEX.find((one) => one.thread === thread)?.hex ?? null
