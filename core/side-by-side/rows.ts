import { SEATS, SEAT_WORDS } from '../fitting'

/** What is put side by side: the old part in the vehicle, and what is to take its place. */
export const COMPARED = ['master', 'slave', 'concentric', 'hose', 'pipe'] as const
export type Compared = (typeof COMPARED)[number]
export const COMPARED_WORDS: Record<Compared, string> = {
  master: 'Master cylinder',
  slave: 'Slave cylinder',
  concentric: 'Concentric slave',
  hose: 'Hose',
  pipe: 'Pipe',
}

export const ROW_IDS = [
  'bore',
  'stroke',
  'length',
  'rodLength',
  'rodAdjusts',
  'rodSupplied',
  'mounting',
  'boltSpacing',
  'portPosition',
  'portAngle',
  'portThread',
  'portSeat',
  'farThread',
  'farSeat',
  'pinDiameter',
  'switch',
  'straps',
  'restrictor',
  'filled',
  'bleedScrew',
] as const
export type RowId = (typeof ROW_IDS)[number]

export type RowValue = number | string | boolean

interface RowBase {
  id: RowId
  label: string
  /** Parts on which it is looked at. */
  on: readonly Compared[]
  /** Parts on which it must be known before the old one comes off. */
  must?: readonly Compared[]
  how: string
  /** Only the new part has it to tell. */
  newOnly?: true
}
export type CompareRow =
  | (RowBase & {
      type: 'figure'
      unit: 'mm' | '°'
      min: number
      max: number
      /** Difference that is none. */
      same: number
      /** Why that much. */
      reason: string
    })
  | (RowBase & { type: 'choice'; values: readonly { id: string; name: string }[] })
  | (RowBase & { type: 'yesNo' })
  | (RowBase & { type: 'thread' })

const CYLINDERS = ['master', 'slave', 'concentric'] as const
const WITH_ROD = ['master', 'slave'] as const
const ALL = COMPARED
const LINES = ['hose', 'pipe'] as const
const seats = SEATS.map((id) => ({ id, name: SEAT_WORDS[id] }))

/** Rows in the order in which one goes round a part; each tolerance is judgement, the maker’s drawing decides. */
export const COMPARE_ROWS: readonly CompareRow[] = [
  {
    id: 'mounting',
    label: 'Held by',
    type: 'choice',
    on: CYLINDERS,
    must: CYLINDERS,
    values: [
      { id: 'studs', name: 'studs' },
      { id: 'bolts', name: 'bolts' },
      { id: 'bayonet', name: 'a bayonet' },
      { id: 'inHousing', name: 'inside the housing' },
      { id: 'bandClamp', name: 'a band round it' },
    ],
    how: 'Look at the flange.',
  },
  {
    id: 'boltSpacing',
    label: 'Between its holes',
    type: 'figure',
    unit: 'mm',
    min: 5,
    max: 300,
    same: 0.5,
    reason: 'Clearance holes allow about half a millimetre.',
    on: CYLINDERS,
    how: 'Middle to middle.',
  },
  {
    id: 'bore',
    label: 'Bore',
    type: 'figure',
    unit: 'mm',
    min: 5,
    max: 100,
    same: 0.06,
    reason: 'Sixteenths of an inch are rounded by up to 0.05 mm.',
    on: [...WITH_ROD, ...LINES],
    must: WITH_ROD,
    how: 'Cast or stamped on the body; else a calliper at the open end.',
  },
  {
    id: 'stroke',
    label: 'Stroke',
    type: 'figure',
    unit: 'mm',
    min: 1,
    max: 150,
    same: 1,
    reason: 'Pushed by hand, a stroke is read to a millimetre.',
    on: CYLINDERS,
    how: 'Push the rod home and measure what it went.',
  },
  {
    id: 'length',
    label: 'Length',
    type: 'figure',
    unit: 'mm',
    min: 5,
    max: 5000,
    same: 1,
    reason: 'A body is measured to a millimetre.',
    on: ALL,
    how: 'Flange to end; a line along its middle.',
  },
  {
    id: 'rodLength',
    label: 'Rod length',
    type: 'figure',
    unit: 'mm',
    min: 5,
    max: 400,
    same: 0.5,
    reason: 'Half a millimetre is inside the rod’s wanted clearance.',
    on: WITH_ROD,
    must: WITH_ROD,
    how: 'Flange to the middle of the pin’s hole, or to the tip; both in the same state.',
  },
  {
    id: 'rodAdjusts',
    label: 'Rod adjusts',
    type: 'yesNo',
    on: WITH_ROD,
    how: 'A thread with a locknut.',
  },
  {
    id: 'rodSupplied',
    label: 'Rod with it',
    type: 'yesNo',
    on: WITH_ROD,
    newOnly: true,
    how: 'In the box, or sold apart.',
  },
  {
    id: 'pinDiameter',
    label: 'Pin diameter',
    type: 'figure',
    unit: 'mm',
    min: 3,
    max: 30,
    same: 0.1,
    reason: 'More play than a tenth is felt at the pad.',
    on: ['master'],
    how: 'Calliper over the pin; the new clevis’s hole.',
  },
  {
    id: 'portPosition',
    label: 'Line port sits',
    type: 'choice',
    on: CYLINDERS,
    values: [
      { id: 'end', name: 'at the end' },
      { id: 'top', name: 'on top' },
      { id: 'side', name: 'at the side' },
      { id: 'below', name: 'below' },
    ],
    how: 'As it sits in the vehicle.',
  },
  {
    id: 'portAngle',
    label: 'Port points, ° off top',
    type: 'figure',
    unit: '°',
    min: -180,
    max: 180,
    same: 5,
    reason: 'A pipe takes five degrees in its run.',
    on: ALL,
    how: 'Seen along the cylinder, 0 at the top, clockwise.',
  },
  {
    id: 'portThread',
    label: 'Port’s thread',
    type: 'thread',
    on: ALL,
    must: ['master', 'slave', 'hose', 'pipe'],
    how: 'Thread gauge, or nut by hand: M10x1, 3/8-24, G1/8; “none” where there is none.',
  },
  {
    id: 'portSeat',
    label: 'Port seals by',
    type: 'choice',
    on: ALL,
    must: ALL,
    values: seats,
    how: 'Look into it.',
  },
  {
    id: 'farThread',
    label: 'Thread at the slave’s end',
    type: 'thread',
    on: LINES,
    must: LINES,
    how: 'The same at its other end.',
  },
  {
    id: 'farSeat',
    label: 'Slave’s end seals by',
    type: 'choice',
    on: LINES,
    must: LINES,
    values: seats,
    how: 'The same at its other end.',
  },
  {
    id: 'switch',
    label: 'Switch or sensor on it',
    type: 'yesNo',
    on: WITH_ROD,
    how: 'A plug on the body or the rod.',
  },
  {
    id: 'straps',
    label: 'Straps or tabs hold the rod',
    type: 'yesNo',
    on: ['slave', 'concentric'],
    newOnly: true,
    how: 'Band or plastic tabs from its maker.',
  },
  {
    id: 'restrictor',
    label: 'Restrictor in the port',
    type: 'yesNo',
    on: [...WITH_ROD, 'hose'],
    how: 'A small hole, or a valve that slides, behind the union.',
  },
  {
    id: 'filled',
    label: 'Comes',
    type: 'choice',
    on: CYLINDERS,
    newOnly: true,
    values: [
      { id: 'dry', name: 'dry' },
      { id: 'filled', name: 'filled' },
    ],
    how: 'Shake it; a filled one says so.',
  },
  {
    id: 'bleedScrew',
    label: 'Bleed screw',
    type: 'choice',
    on: ['slave', 'concentric'],
    must: ['slave'],
    values: [
      { id: 'none', name: 'none' },
      { id: 'fitted', name: 'in its place' },
      { id: 'inLinePort', name: 'in the line’s port for shipping' },
      { id: 'inBag', name: 'loose, in the box' },
    ],
    how: 'Which of the two ports it sits in.',
  },
]
const byId = new Map(COMPARE_ROWS.map((row) => [row.id, row]))
export const compareRow = (id: RowId): CompareRow => byId.get(id)!
export const rowsOf = (of: Compared): CompareRow[] => COMPARE_ROWS.filter(({ on }) => on.includes(of))
