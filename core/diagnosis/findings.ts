/** What is seen, felt and heard, by the place where one looks. The reason says what it speaks for. */
export type Place = 'footwell' | 'engineBay' | 'underneath' | 'road'

export const PLACES: readonly { id: Place; label: string }[] = [
  { id: 'footwell', label: 'Footwell' },
  { id: 'engineBay', label: 'Engine bay' },
  { id: 'underneath', label: 'Under it' },
  { id: 'road', label: 'At the pedal and on the road' },
]

export interface FindingKind {
  id: string
  place: Place
  label: string
  /** What is said when it is there, and when it was looked for and is not. */
  present: string
  absent: string
  how: string
  reason: string
  /** How it is said on the say-line. */
  words: string[]
  /** Ends work on that path until it is mended. */
  stop?: string
}

const row = <const T extends FindingKind>(kind: T): T => kind

const TABLE = [
  row({
    id: 'rodEndDamp',
    place: 'footwell',
    label: 'Rod end of the master',
    present: 'damp',
    absent: 'dry',
    how: 'Finger round the boot where the rod goes in.',
    reason: 'The master’s rear seal leaks.',
    words: ['rod end', 'master'],
  }),
  row({
    id: 'carpetWet',
    place: 'footwell',
    label: 'Carpet under the pedal',
    present: 'wet',
    absent: 'dry',
    how: 'Press a rag on it; fluid feels slick.',
    reason: 'An older or larger leak of the master.',
    words: ['carpet', 'mat'],
  }),
  row({
    id: 'clevisWorn',
    place: 'footwell',
    label: 'Clevis and pin',
    present: 'worn',
    absent: 'tight',
    how: 'Rock the rod in its pin.',
    reason: 'Travel lost before the master moves.',
    words: ['clevis', 'pin'],
  }),
  row({
    id: 'rodTight',
    place: 'footwell',
    label: 'Play at the rod, pedal up',
    present: 'none',
    absent: 'there',
    how: 'Feel the rod between finger and thumb.',
    reason: 'A rod too long covers the port at rest.',
    words: ['play', 'rod play'],
  }),
  row({
    id: 'bulkheadFlexes',
    place: 'footwell',
    label: 'Bracket and bulkhead under load',
    present: 'flexes',
    absent: 'stiff',
    how: 'Watch the master’s flange while a helper presses.',
    reason: 'Travel lost in bending; a crack may follow.',
    words: ['bulkhead', 'bracket'],
  }),
  row({
    id: 'levelLow',
    place: 'engineBay',
    label: 'Level',
    present: 'low',
    absent: 'on its mark',
    how: 'Look, and ask when it was last topped up.',
    reason: 'Fluid went somewhere, and air may have come.',
    words: ['level'],
  }),
  row({
    id: 'fluidDark',
    place: 'engineBay',
    label: 'Colour',
    present: 'dark',
    absent: 'clear',
    how: 'A drop on a white rag; slime between the fingers.',
    reason: 'Seal wear or moisture.',
    words: ['colour', 'fluid', 'dark'],
  }),
  row({
    id: 'fluidWrong',
    place: 'engineBay',
    label: 'Kind of fluid',
    present: 'wrong or mixed',
    absent: 'right',
    how: 'Cap, container and smell; swollen cap rubber.',
    reason: 'Mineral oil or silicone among glycol condemns rubber.',
    words: ['kind of fluid', 'fluid kind', 'oil'],
    stop: 'Mixed or wrong fluid: every rubber part it has touched is in doubt.',
  }),
  row({
    id: 'brakeLevelLow',
    place: 'engineBay',
    label: 'Shared reservoir at the brake minimum',
    present: 'at or below',
    absent: 'above',
    how: 'Look at the brake mark.',
    reason: 'The brakes draw from it too.',
    words: ['brake level'],
    stop: 'The shared reservoir is at the brake minimum: brakes first.',
  }),
  row({
    id: 'outletDamp',
    place: 'engineBay',
    label: 'Outlet union',
    present: 'damp',
    absent: 'dry',
    how: 'Wipe, press ten times, wipe again.',
    reason: 'A union that leaks draws air as well.',
    words: ['outlet', 'union', 'outlet union'],
  }),
  row({
    id: 'hoseSwells',
    place: 'engineBay',
    label: 'Hose under load',
    present: 'swells',
    absent: 'firm',
    how: 'Fingers round it while a helper presses.',
    reason: 'An old hose takes pad travel.',
    words: ['hose'],
  }),
  row({
    id: 'bubblesRise',
    place: 'engineBay',
    label: 'Bubbles in the reservoir',
    present: 'rise',
    absent: 'none',
    how: 'Cap off, a helper strokes slowly. Eyes away from the spurt.',
    reason: 'Air near the master.',
    words: ['bubbles'],
  }),
  row({
    id: 'bootWet',
    place: 'underneath',
    label: 'Slave boot peeled back',
    present: 'wet',
    absent: 'dry',
    how: 'Peel it; wipe, work the pedal, look again.',
    reason: 'The slave’s seal leaks; what is in it may be old.',
    words: ['boot', 'slave boot', 'slave'],
  }),
  row({
    id: 'bellHoleWet',
    place: 'underneath',
    label: 'Hole under the bell housing',
    present: 'drips',
    absent: 'dry',
    how: 'Smell and feel tell fluid from engine or gear oil.',
    reason: 'A concentric slave, or an outer one leaking inward.',
    words: ['bell', 'bell housing', 'hole'],
  }),
  row({
    id: 'forkCracked',
    place: 'underneath',
    label: 'Fork, pivot and bracket',
    present: 'cracked',
    absent: 'sound',
    how: 'Lamp along the edges; a helper presses once, hands away.',
    reason: 'Travel lost in bending before it breaks.',
    words: ['fork', 'pivot'],
    stop: 'A cracked fork, pivot or bracket: renew it before anything else.',
  }),
  row({
    id: 'pushBackStiff',
    place: 'underneath',
    label: 'Slave pushed back by hand',
    present: 'will not go',
    absent: 'goes',
    how: 'Push the rod in with the pedal up; then with the bleeder open.',
    reason: 'Tells a shut way home from a seized piston.',
    words: ['push back', 'pushback', 'pushes back'],
  }),
  row({
    id: 'wayHomeShut',
    place: 'underneath',
    label: 'Slave goes back only with the bleeder open',
    present: 'only open',
    absent: 'goes either way',
    how: 'Push with the bleeder shut, then open.',
    reason: 'The compensating port is covered or blocked, or a hose has closed.',
    words: ['way home', 'only open'],
    stop: 'The way home to the reservoir is shut at rest: rod too long, port blocked or hose closed.',
  }),
  row({
    id: 'pumpsUp',
    place: 'road',
    label: 'Quick strokes',
    present: 'bring it up',
    absent: 'change nothing',
    how: 'Three quick strokes, then feel again.',
    reason: 'Air, or a slave piston that falls back.',
    words: ['pumps', 'pump up', 'quick strokes'],
  }),
  row({
    id: 'gearGrinds',
    place: 'road',
    label: 'Unsynchronised gear',
    present: 'grinds',
    absent: 'goes in quietly',
    how: 'Pedal down, wait some seconds, select it. Nobody in front.',
    reason: 'The disc does not come free.',
    words: ['gear', 'reverse'],
  }),
  row({
    id: 'slips',
    place: 'road',
    label: 'Under load',
    present: 'slips',
    absent: 'holds',
    how: 'High gear, low speed, open the throttle; short and safe.',
    reason: 'Clamp is lost: covered port, worn disc or oil.',
    words: ['slips', 'load'],
  }),
  row({
    id: 'unionsWet',
    place: 'engineBay',
    label: 'Unions after ten hard strokes',
    present: 'damp',
    absent: 'dry',
    how: 'Wipe all, ten hard strokes, wipe again.',
    reason: 'A joint that drips will draw air.',
    words: ['unions'],
  }),
  row({
    id: 'startsPedalUp',
    place: 'footwell',
    label: 'Engine starts with the pedal up',
    present: 'starts',
    absent: 'only pedal down',
    how: 'Brake on, out of gear, nobody in front; expect a start.',
    reason: 'The switch is out of adjustment.',
    words: ['starts', 'switch'],
  }),
  row({
    id: 'brakePedalChanged',
    place: 'footwell',
    label: 'Brake pedal',
    present: 'changed',
    absent: 'firm as before',
    how: 'Press before the vehicle moves.',
    reason: 'A shared reservoir makes this a brake job too.',
    words: ['brake', 'brake pedal'],
    stop: 'The brake pedal has changed: the vehicle does not move.',
  }),
] as const

export type FindingId = (typeof TABLE)[number]['id']
export const FINDINGS: readonly (FindingKind & { id: FindingId })[] = TABLE
const byId = new Map<string, FindingKind & { id: FindingId }>(FINDINGS.map((kind) => [kind.id, kind]))
export const findingKind = (id: FindingId): FindingKind & { id: FindingId } => byId.get(id)!
export const FINDING_IDS = FINDINGS.map((kind) => kind.id)
