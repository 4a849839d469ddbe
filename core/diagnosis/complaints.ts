/** What the driver says. */
const TABLE = [
  { id: 'soft', label: 'Soft or spongy', words: ['soft', 'spongy', 'pedal soft'] },
  { id: 'low', label: 'Low, take-up near the floor', words: ['low', 'near the floor', 'pedal low'] },
  { id: 'lowerEachWeek', label: 'Lower every week', words: ['lower every week', 'getting lower'] },
  { id: 'sinks', label: 'Sinks under a held foot', words: ['pedal sinks', 'sinks slowly'] },
  { id: 'staysDown', label: 'Stays down or comes back slowly', words: ['stays down', 'slow return'] },
  {
    id: 'afterStanding',
    label: 'No gear after standing, quick strokes bring it back',
    words: ['after standing', 'every morning', 'strokes bring it back'],
  },
  { id: 'grinds', label: 'Gears grind', words: ['grinds', 'gears grind'] },
  { id: 'wanders', label: 'Take-up wanders', words: ['wanders'] },
  { id: 'hard', label: 'Hard pedal', words: ['hard', 'heavy', 'pedal hard'] },
  { id: 'slipsNewDisc', label: 'Slips', words: ['slips', 'slipping'] },
  { id: 'squeaks', label: 'Squeak or creak at the pedal', words: ['squeak', 'creak'] },
  { id: 'rattles', label: 'Rattle at idle, gone when the pedal is touched', words: ['rattle'] },
  {
    id: 'noStart',
    label: 'Engine will not start with the pedal down',
    words: ['no start', 'will not start'],
  },
  { id: 'losesFluid', label: 'Level falls, nobody knows where', words: ['loses fluid', 'level falls'] },
  { id: 'slowShifts', label: 'Slow shifts at high revs', words: ['slow shifts'] },
] as const

export type ComplaintId = (typeof TABLE)[number]['id']
export const COMPLAINTS: readonly { id: ComplaintId; label: string; words: readonly string[] }[] = TABLE
export const COMPLAINT_IDS = COMPLAINTS.map((complaint) => complaint.id)
export const complaintLabel = (id: ComplaintId): string =>
  COMPLAINTS.find((complaint) => complaint.id === id)!.label
