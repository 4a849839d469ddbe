/** What the driver says; `leak`: how often it is said though no fault of the table makes it so, and why. */
const TABLE = [
  {
    id: 'soft',
    label: 'Soft or spongy',
    words: ['soft', 'spongy', 'pedal soft'],
    leak: [0.02, 'Another vehicle’s pedal is what they know.'],
  },
  {
    id: 'low',
    label: 'Low, take-up near the floor',
    words: ['low', 'near the floor', 'pedal low'],
    leak: [0.02, 'A new disc takes up low until it has bedded in.'],
  },
  {
    id: 'lowerEachWeek',
    label: 'Lower every week',
    words: ['lower every week', 'getting lower'],
    leak: [0.01, 'Memory.'],
  },
  {
    id: 'sinks',
    label: 'Sinks under a held foot',
    words: ['pedal sinks', 'sinks slowly'],
    leak: [0.01, 'A foot that tires.'],
  },
  {
    id: 'staysDown',
    label: 'Stays down or comes back slowly',
    words: ['stays down', 'slow return'],
    leak: [0.01, 'Dry or being drained it always does.'],
  },
  {
    id: 'afterStanding',
    label: 'No gear after standing, quick strokes bring it back',
    words: ['after standing', 'every morning', 'strokes bring it back'],
    leak: [0.01, 'A cold gearbox is stiff.'],
  },
  {
    id: 'grinds',
    label: 'Gears grind',
    words: ['grinds', 'gears grind'],
    leak: [0.03, 'Hurried hands.'],
  },
  { id: 'wanders', label: 'Take-up wanders', words: ['wanders'], leak: [0.01, 'Memory.'] },
  {
    id: 'hard',
    label: 'Hard pedal',
    words: ['hard', 'heavy', 'pedal hard'],
    leak: [0.01, 'Another vehicle’s pedal is what they know.'],
  },
  {
    id: 'slipsNewDisc',
    label: 'Slips',
    words: ['slips', 'slipping'],
    leak: [0.01, 'Spinning wheels feel alike.'],
  },
  {
    id: 'squeaks',
    label: 'Squeak or creak at the pedal',
    words: ['squeak', 'creak'],
    leak: [0.02, 'Trim and seats.'],
  },
  {
    id: 'rattles',
    label: 'Rattle at idle, gone when the pedal is touched',
    words: ['rattle'],
    leak: [0.02, 'Exhaust and shields.'],
  },
  {
    id: 'noStart',
    label: 'Engine will not start with the pedal down',
    words: ['no start', 'will not start'],
    leak: [0.02, 'Battery and starter.'],
  },
  {
    id: 'losesFluid',
    label: 'Level falls, nobody knows where',
    words: ['loses fluid', 'level falls'],
    leak: [0.01, 'The disc wears and the level follows.'],
  },
  {
    id: 'slowShifts',
    label: 'Slow shifts at high revs',
    words: ['slow shifts'],
    leak: [0.02, 'Synchronisers tire.'],
  },
] as const

export type ComplaintId = (typeof TABLE)[number]['id']
export interface ComplaintKind {
  id: ComplaintId
  label: string
  words: readonly string[]
  leak: readonly [chance: number, reason: string]
}
export const COMPLAINTS: readonly ComplaintKind[] = TABLE
export const COMPLAINT_IDS = COMPLAINTS.map((complaint) => complaint.id)
export const complaintLabel = (id: ComplaintId): string =>
  COMPLAINTS.find((complaint) => complaint.id === id)!.label
