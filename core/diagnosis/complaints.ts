/** What the driver says; `background`: how often it is said though no fault of the table makes it so, and why. */
const TABLE = [
  {
    id: 'soft',
    label: 'Soft or spongy',
    words: ['soft', 'spongy', 'pedal soft'],
    background: [0.02, 'Another vehicle’s pedal is what they know.'],
  },
  {
    id: 'low',
    label: 'Low, take-up near the floor',
    words: ['low', 'near the floor', 'pedal low'],
    background: [0.02, 'A new disc takes up low until it has bedded in.'],
  },
  {
    id: 'lowerEachWeek',
    label: 'Lower every week',
    words: ['lower every week', 'getting lower'],
    background: [0.01, 'Memory.'],
  },
  {
    id: 'sinks',
    label: 'Sinks under a held foot',
    words: ['pedal sinks', 'sinks slowly'],
    background: [0.01, 'A foot that tires.'],
  },
  {
    id: 'droppedAtOnce',
    label: 'Dropped to the floor at once',
    words: ['dropped', 'dropped at once', 'went to the floor'],
    background: [0.004, 'A foot that slipped off.'],
  },
  {
    id: 'noPedal',
    label: 'No pedal at all',
    words: ['no pedal'],
    background: [0.004, 'A pedal that was always light.'],
  },
  {
    id: 'staysDown',
    label: 'Stays down or comes back slowly',
    words: ['stays down', 'slow return'],
    background: [0.01, 'Dry or being drained it always does.'],
  },
  {
    id: 'hard',
    label: 'Hard pedal',
    words: ['hard', 'heavy', 'pedal hard'],
    background: [0.01, 'Another vehicle’s pedal is what they know.'],
  },
  {
    id: 'firmHigh',
    label: 'Firmer and higher than it was',
    words: ['firm and high', 'firmer', 'higher'],
    background: [0.01, 'Memory.'],
  },
  { id: 'wanders', label: 'Take-up wanders', words: ['wanders'], background: [0.01, 'Memory.'] },
  {
    id: 'takesUpLate',
    label: 'Takes up late, near the top of the pedal',
    words: ['takes up late', 'bites high'],
    background: [0.02, 'Another vehicle’s pedal is what they know.'],
  },
  {
    id: 'afterStanding',
    label: 'No gear after standing, quick strokes bring it back',
    words: ['after standing', 'every morning', 'strokes bring it back'],
    background: [0.01, 'A cold gearbox is stiff.'],
  },
  {
    id: 'grinds',
    label: 'Gears grind',
    words: ['grinds', 'gears grind'],
    background: [0.03, 'Hurried hands.'],
    elsewhere: true,
  },
  {
    id: 'slowPressGrinds',
    label: 'Grinds after a slow press, not after a quick one',
    words: ['slow press grinds', 'quick press is fine'],
    background: [0.005, 'A synchroniser that likes a quick hand.'],
    elsewhere: true,
  },
  {
    id: 'noGear',
    label: 'No gear will engage',
    words: ['no gear', 'no gears', 'will not go in gear'],
    background: [0.008, 'A selector that hangs.'],
    elsewhere: true,
  },
  {
    id: 'slowShifts',
    label: 'Slow shifts at high revs',
    words: ['slow shifts'],
    background: [0.02, 'Synchronisers tire.'],
    elsewhere: true,
  },
  {
    id: 'slipsNewDisc',
    label: 'Slips',
    words: ['slips', 'slipping'],
    background: [0.01, 'Spinning wheels feel alike.'],
    elsewhere: true,
  },
  {
    id: 'squeaks',
    label: 'Squeak or creak at the pedal',
    words: ['squeak', 'creak'],
    background: [0.02, 'Trim and seats.'],
    elsewhere: true,
  },
  {
    id: 'rattles',
    label: 'Rattle at idle, gone when the pedal is touched',
    words: ['rattle'],
    background: [0.02, 'Exhaust and shields.'],
    elsewhere: true,
  },
  {
    id: 'growl',
    label: 'Growls as the pedal goes down',
    words: ['growls', 'growl at the pedal'],
    background: [0.01, 'Belts and pumps.'],
    elsewhere: true,
  },
  {
    id: 'noStart',
    label: 'Engine will not start with the pedal down',
    words: ['no start', 'will not start'],
    background: [0.02, 'Battery and starter.'],
    elsewhere: true,
  },
  {
    id: 'losesFluid',
    label: 'Level falls, nobody knows where',
    words: ['loses fluid', 'level falls'],
    background: [0.01, 'The disc wears and the level follows.'],
  },
  {
    id: 'brakesDrag',
    label: 'Brakes drag, or the brake pedal is not as it was',
    words: ['brakes drag'],
    background: [0.01, 'Brakes have faults of their own.'],
    elsewhere: true,
  },
] as const

export type ComplaintId = (typeof TABLE)[number]['id']
export interface ComplaintKind {
  id: ComplaintId
  label: string
  words: readonly string[]
  background: readonly [chance: number, reason: string]
  /** What causes it though no fault of the table does is no hydraulic part and no fluid either. */
  elsewhere?: true
}
export const COMPLAINTS: readonly ComplaintKind[] = TABLE
export const COMPLAINT_IDS = COMPLAINTS.map((complaint) => complaint.id)
export const complaintLabel = (id: ComplaintId): string =>
  COMPLAINTS.find((complaint) => complaint.id === id)!.label
