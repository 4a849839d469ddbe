import type { Installation } from '../core/installation'
import type { Kind, Payloads } from '../core/journal'
import { cycle, found, measured, reading, tape, withAir } from './figures'
import { launchTractor, lighthousePickup, portersCar } from './choosing'
import { closed } from './closed'
import { ferryShuttle } from './bleeding'
import { smokehouseVan } from './fitting'

/**
 * Fennock Island Depot: one workshop on an invented island. Every vehicle, person and figure is invented;
 * the readings are worked out with the core and rounded to what a tape shows, so that they belong together.
 */
export const PEOPLE = ['Orla Venn', 'Tam Brackley', 'Jory Pell'] as const
export type DemoPerson = (typeof PEOPLE)[number]

/** One entry of the scenario: minutes after the job was opened, by whom, what. */
export type Line = {
  [K in Kind]: [minute: number, by: DemoPerson, kind: K, payload: Payloads[K]]
}[Kind]

export interface DemoJob {
  vehicle: { name: string; plate: string; model?: string; installation: Installation }
  title: string
  /** Days before the demo was loaded. */
  daysAgo: number
  lines: Line[]
  /** What was promised when it was handed over, by so many days from now. */
  owed?: { what: string; inDays: number; by: DemoPerson }[]
  /** Jobs that it was in for before, the oldest first. */
  earlier?: EarlierJob[]
}
export type EarlierJob = Omit<DemoJob, 'vehicle' | 'earlier' | 'owed'>

/** A high crest behind the bulkhead, and a master whose rod end is damp. In Find. */
function mailVan(): DemoJob {
  const installation = measured('long-line', {
    'pedal.ratio': 6,
    'pedal.travel': 155,
    'master.bore': 15.87,
    'slave.bore': 20.64,
    'lines.0.length': 1450,
    'lines.1.length': 380,
    'master.pushrodClearance': 0.4,
  })
  const shows = tape(withAir(installation, 1200))
  return {
    vehicle: { name: 'Mail van, north round', plate: 'FID 07', model: 'Skerry long van', installation },
    title: 'Pedal low every morning, two strokes bring it back',
    daysAgo: 1,
    lines: [
      [0, 'Orla Venn', 'goal', { jobKind: 'fault', wanted: 'On the round again by Thursday’s ferry' }],
      [1, 'Orla Venn', 'complaint', { complaint: 'afterStanding' }],
      [2, 'Orla Venn', 'complaint', { complaint: 'soft' }],
      [9, 'Orla Venn', 'finding', found('levelLow', 'present')],
      [10, 'Orla Venn', 'finding', found('fluidDark', 'present')],
      [12, 'Orla Venn', 'finding', found('rodEndDamp', 'present')],
      [13, 'Orla Venn', 'finding', found('carpetWet', 'absent')],
      [15, 'Orla Venn', 'finding', found('outletDamp', 'absent')],
      [21, 'Orla Venn', 'finding', found('bootWet', 'absent')],
      [24, 'Tam Brackley', 'measurement', reading('freeTravel', shows.free, 'asFound')],
      [26, 'Tam Brackley', 'measurement', reading('rodStroke', shows.rod, 'asFound')],
      [30, 'Tam Brackley', 'finding', found('pumpsUp', 'present')],
    ],
  }
}
/** Gearbox was out; the line came back with air in it. In Bleed. */
function quarryTipper(): DemoJob {
  const installation = measured('light-truck', {
    'pedal.ratio': 6.2,
    'pedal.travel': 175,
    'master.bore': 19.05,
    'master.pushrodClearance': 0.5,
    'slave.bore': 23.81,
    'lines.0.length': 1900,
    'lines.1.length': 450,
  })
  const before = tape(withAir(installation, 4200))
  const half = tape(withAir(installation, 1900))
  const late = tape(withAir(installation, 600))
  return {
    vehicle: { name: 'Quarry tipper', plate: 'FID 22', model: 'Tor tipper', installation },
    title: 'No pedal after the gearbox was out',
    daysAgo: 2,
    lines: [
      [0, 'Jory Pell', 'goal', { jobKind: 'afterOtherWork', wanted: 'Back at the face on Monday' }],
      [1, 'Jory Pell', 'complaint', { complaint: 'low' }],
      [6, 'Jory Pell', 'finding', found('levelLow', 'absent')],
      [7, 'Jory Pell', 'finding', found('rodEndDamp', 'absent')],
      [10, 'Jory Pell', 'finding', found('bootWet', 'absent')],
      [14, 'Jory Pell', 'measurement', reading('freeTravel', before.free, 'asFound')],
      [15, 'Jory Pell', 'measurement', reading('rodStroke', before.rod, 'asFound')],
      [32, 'Jory Pell', 'bleedCycle', cycle('foam', 4, 21, 'dark')],
      [35, 'Jory Pell', 'bleedCycle', cycle('large', 4, 24, 'dark')],
      [38, 'Jory Pell', 'bleedCycle', cycle('large', 4, 25, 'dark')],
      [40, 'Jory Pell', 'topUp', { volume: 70_000 }],
      [43, 'Jory Pell', 'measurement', reading('freeTravel', half.free, 'working')],
      [47, 'Jory Pell', 'bleedCycle', cycle('few', 4, 27, 'fresh')],
      [50, 'Jory Pell', 'bleedCycle', cycle('few', 4, 27, 'fresh')],
      [53, 'Jory Pell', 'topUp', { volume: 54_000 }],
      [56, 'Jory Pell', 'bleedCycle', cycle('clear', 4, 28, 'fresh')],
      [58, 'Jory Pell', 'measurement', reading('freeTravel', late.free, 'working')],
      [61, 'Jory Pell', 'bleedCycle', cycle('clear', 4, 28, 'fresh')],
    ],
  }
}

/** Concentric slave and a reservoir shared with the brakes; the new slave is in and bled. In Prove. */
function schoolMinibus(): DemoJob {
  const installation = measured('concentric', {
    'pedal.ratio': 5.3,
    'pedal.travel': 140,
    'master.bore': 19.05,
    'master.pushrodClearance': 0.3,
    'slave.outer': 51,
    'slave.inner': 40.5,
    'lines.0.length': 520,
    'lines.1.length': 420,
  })
  const before = tape(withAir(installation, 2400))
  const after = tape(withAir(installation, 60))
  return {
    vehicle: { name: 'School minibus', plate: 'FID 31', model: 'Curlew 16', installation },
    title: 'Fluid under the bell housing, pedal on the floor',
    daysAgo: 5,
    lines: [
      [0, 'Tam Brackley', 'goal', { jobKind: 'fault', wanted: 'Before the school run on Wednesday' }],
      [1, 'Tam Brackley', 'complaint', { complaint: 'low' }],
      [2, 'Tam Brackley', 'complaint', { complaint: 'losesFluid' }],
      [8, 'Tam Brackley', 'finding', found('levelLow', 'present')],
      [9, 'Tam Brackley', 'finding', found('rodEndDamp', 'absent')],
      [14, 'Tam Brackley', 'finding', found('bellHoleWet', 'present')],
      [20, 'Tam Brackley', 'measurement', reading('freeTravel', before.free, 'asFound')],
      [21, 'Tam Brackley', 'measurement', reading('takeUpHeight', before.takeUp, 'asFound')],
      [24, 'Tam Brackley', 'measurement', reading('sink', 9, 'asFound', 60)],
      [25, 'Tam Brackley', 'circuitPlan', { changes: [{ change: 'air', value: 600 }] }],
      [
        30,
        'Tam Brackley',
        'note',
        { words: 'Slave renewed with the gearbox out; hose kept, seen sound.' },
      ],
      [300, 'Orla Venn', 'bleedCycle', cycle('large', 6, 38, 'dark')],
      [306, 'Orla Venn', 'topUp', { volume: 40_000 }],
      [311, 'Orla Venn', 'bleedCycle', cycle('few', 6, 44, 'fresh')],
      [316, 'Orla Venn', 'topUp', { volume: 45_000 }],
      [320, 'Orla Venn', 'bleedCycle', cycle('clear', 4, 31, 'fresh')],
      [323, 'Orla Venn', 'bleedCycle', cycle('clear', 4, 31, 'fresh')],
      [326, 'Orla Venn', 'bleedCycle', cycle('clear', 4, 31, 'fresh')],
      [328, 'Orla Venn', 'topUp', { volume: 90_000 }],
      [340, 'Orla Venn', 'measurement', reading('freeTravel', after.free, 'after')],
      [342, 'Orla Venn', 'measurement', reading('takeUpHeight', after.takeUp, 'after')],
      [345, 'Orla Venn', 'measurement', reading('sink', 0, 'after', 60)],
      [347, 'Orla Venn', 'measurement', reading('rodClearance', 0.3, 'after')],
      [350, 'Orla Venn', 'finding', found('unionsWet', 'absent', 'after')],
      [351, 'Orla Venn', 'finding', found('levelLow', 'absent', 'after')],
      [354, 'Orla Venn', 'finding', found('gearGrinds', 'absent', 'after')],
    ],
  }
}

/** The master passes inside: all dry, the level stays, and the pad goes down under a held foot. In Find. */
function islandTaxi(): DemoJob {
  const installation = measured('small-car', {
    'pedal.ratio': 5.2,
    'pedal.travel': 142,
    'master.bore': 15.87,
    'slave.bore': 20.64,
    'master.pushrodClearance': 0.4,
  })
  const shows = tape(withAir(installation, 0))
  return {
    vehicle: { name: 'Island taxi', plate: 'FID 12', model: 'Petrel saloon', installation },
    title: 'Creeps at the ferry ramp with the pedal down',
    daysAgo: 1,
    lines: [
      [0, 'Jory Pell', 'goal', { jobKind: 'fault', wanted: 'Runs again for the evening ferry' }],
      [1, 'Jory Pell', 'complaint', { complaint: 'sinks' }],
      [2, 'Jory Pell', 'complaint', { complaint: 'grinds' }],
      [6, 'Jory Pell', 'finding', found('levelLow', 'absent')],
      [7, 'Jory Pell', 'finding', found('sediment', 'present')],
      [9, 'Jory Pell', 'finding', found('rodEndDamp', 'absent')],
      [10, 'Jory Pell', 'finding', found('outletDamp', 'absent')],
      [14, 'Jory Pell', 'finding', found('bootWet', 'absent')],
      [17, 'Jory Pell', 'measurement', reading('freeTravel', shows.free, 'asFound')],
      [20, 'Jory Pell', 'measurement', reading('sink', 14, 'asFound', 60)],
    ],
  }
}

/** A new master went in and its rod was set by eye: the port is covered. Stopped. */
function doctorsCar(): DemoJob {
  const installation = measured('small-car', {
    'pedal.ratio': 5.4,
    'pedal.travel': 148,
    'master.bore': 17.46,
    'slave.bore': 20.64,
  })
  return {
    vehicle: { name: 'Doctor’s car', plate: 'FID 40', model: 'Petrel saloon', installation },
    title: 'Slips on the hill since the new master',
    daysAgo: 1,
    lines: [
      [0, 'Tam Brackley', 'goal', { jobKind: 'fault', wanted: 'Night calls from Friday' }],
      [1, 'Tam Brackley', 'complaint', { complaint: 'slipsNewDisc' }],
      [4, 'Tam Brackley', 'finding', found('workedOn', 'present')],
      [6, 'Tam Brackley', 'finding', found('rodTight', 'present')],
      [9, 'Tam Brackley', 'measurement', reading('rodClearance', -1.8, 'asFound')],
    ],
  }
}

/** The hydraulics do their part and it grinds all the same. In Find. */
function hillTractor(): DemoJob {
  const installation = measured('tractor', {
    'pedal.ratio': 6,
    'pedal.travel': 188,
    'master.bore': 22.22,
    'slave.bore': 28.57,
    'master.pushrodClearance': 0.7,
  })
  const shows = tape(withAir(installation, 0))
  return {
    vehicle: { name: 'Hill-farm tractor', plate: 'FID 51', model: 'Gannet 40', installation },
    title: 'Grinds into the low range, pedal as good as ever',
    daysAgo: 3,
    lines: [
      [0, 'Orla Venn', 'goal', { jobKind: 'fault', wanted: 'Before the hay' }],
      [1, 'Orla Venn', 'complaint', { complaint: 'grinds' }],
      [5, 'Orla Venn', 'finding', found('levelLow', 'absent')],
      [9, 'Orla Venn', 'measurement', reading('freeTravel', shows.free, 'asFound')],
      [12, 'Orla Venn', 'condition', { condition: 'helper', holds: true }],
      [14, 'Orla Venn', 'measurement', reading('rodStroke', shows.rod, 'asFound')],
      [19, 'Orla Venn', 'finding', found('gearGrinds', 'present')],
      [20, 'Orla Venn', 'finding', found('hardEngineOff', 'absent')],
      [23, 'Orla Venn', 'finding', found('squealsInGear', 'present')],
    ],
  }
}

/** Two closed jobs on one model: what it was is in the shop’s record. */
function proven(
  vehicle: { name: string; plate: string },
  title: string,
  daysAgo: number,
  seen: Line[],
  airBefore: number,
): DemoJob {
  const installation = measured('small-car', {
    'pedal.ratio': 5.3,
    'pedal.travel': 144,
    'master.bore': 15.87,
    'slave.bore': 20.64,
    'master.pushrodClearance': 0.4,
  })
  const before = tape(withAir(installation, airBefore))
  const after = tape(withAir(installation, 40))
  const checks = ['unionsWet', 'levelLow', 'startsPedalUp', 'gearGrinds', 'slips'] as const
  return {
    vehicle: { ...vehicle, model: 'Petrel saloon', installation },
    title,
    daysAgo,
    lines: [
      [0, 'Orla Venn', 'goal', { jobKind: 'fault', wanted: 'As it was' }],
      ...seen,
      [20, 'Orla Venn', 'measurement', reading('freeTravel', before.free, 'asFound')],
      [110, 'Orla Venn', 'workDone', { operation: 'slave' }],
      [120, 'Orla Venn', 'bleedCycle', cycle('few', 5, 30, 'dark')],
      [124, 'Orla Venn', 'bleedCycle', cycle('clear', 4, 28, 'fresh')],
      [127, 'Orla Venn', 'bleedCycle', cycle('clear', 4, 28, 'fresh')],
      [130, 'Orla Venn', 'bleedCycle', cycle('clear', 4, 28, 'fresh')],
      [140, 'Orla Venn', 'measurement', reading('freeTravel', after.free, 'after')],
      [141, 'Orla Venn', 'measurement', reading('takeUpHeight', after.takeUp, 'after')],
      [143, 'Orla Venn', 'measurement', reading('sink', 0, 'after', 60)],
      [144, 'Orla Venn', 'measurement', reading('rodClearance', 0.4, 'after')],
      ...checks.map((finding, i): Line => [
        150 + i,
        'Orla Venn',
        'finding',
        found(finding, 'absent', 'after'),
      ]),
      ...seen.flatMap(([, by, kind, payload]): Line[] =>
        kind === 'complaint'
          ? [[156, by, 'graded', { of: (payload as Payloads['complaint']).complaint, grade: 'gone' }]]
          : [],
      ),
    ],
  }
}

const petrels = (): DemoJob[] => [
  {
    owed: [
      { what: 'Look again after 200 km: reserve, level, unions', inDays: -1, by: 'Orla Venn' },
      { what: 'New dust cap for the bleed screw, on order', inDays: 4, by: 'Tam Brackley' },
    ],
    ...closed(
      proven(
        { name: 'Post office car', plate: 'FID 09' },
        'Soft after standing, boot wet',
        60,
        [
          [1, 'Orla Venn', 'complaint', { complaint: 'soft' }],
          [6, 'Orla Venn', 'finding', found('bootWet', 'present')],
          [9, 'Orla Venn', 'finding', found('bootWetAgain', 'present')],
        ],
        900,
      ),
      'Orla Venn',
      { faults: ['slaveLeak'] },
    ),
  },
  closed(
    proven(
      { name: 'Harbour office car', plate: 'FID 14' },
      'Level falls, boot wet again after the wipe',
      33,
      [
        [1, 'Orla Venn', 'complaint', { complaint: 'losesFluid' }],
        [4, 'Orla Venn', 'finding', found('levelLow', 'present')],
        [9, 'Orla Venn', 'finding', found('bootWetAgain', 'present')],
      ],
      600,
    ),
    'Orla Venn',
    { faults: ['slaveLeak'] },
  ),
]

export const scenario = (): DemoJob[] => [
  ...petrels(),
  portersCar(),
  lighthousePickup(),
  launchTractor(),
  smokehouseVan(),
  ferryShuttle(),
  hillTractor(),
  doctorsCar(),
  islandTaxi(),
  schoolMinibus(),
  quarryTipper(),
  mailVan(),
]
