import type { ListedPart, PartData, PartGrade, PartKind } from '../core/shelf'
import type { DeliveryDay } from '../core/orders'

/** What lies on the depot's shelf and what its factors list: invented, priced so that choices differ. */

/** The ferry: what is ordered by noon on the day before is on the quay in the morning. */
export const FERRY: DeliveryDay[] = [
  { weekday: 1, cutoff: '12:00', arrivesDay: 2, arrives: '09:30' },
  { weekday: 4, cutoff: '12:00', arrivesDay: 5, arrives: '09:30' },
]
/** By wire, and by phone. */
export const WIRED = 'Tidewrack Factors'
const OTHER = 'Quay Stores'

interface More {
  supplier?: string
  stock?: number | null
  leadDays?: number | null
  grade?: PartGrade
  place?: string
  supersededBy?: string
}
const part = (
  number: string,
  name: string,
  kind: PartKind,
  price: number,
  data: PartData = {},
  { supplier = WIRED, stock = 2, leadDays = 1, grade = 'usual', place, supersededBy }: More = {},
): ListedPart => ({
  number,
  name,
  kind,
  supplier,
  price,
  currency: null,
  stock,
  leadDays,
  data,
  grade,
  supersededBy: supersededBy ?? null,
  place: place ?? null,
})

const BORES = [12.7, 14.29, 15.87, 17.46, 19.05, 20.64, 22.2, 23.81, 25.4, 26.99, 28.57, 31.75, 34.92]
const code = (bore: number) => Math.round(bore * 100)
const port = (thread: string) =>
  [{ thread, gender: 'female', seat: 'bubbleFlare' }] as NonNullable<PartData['ends']>
const nut = (thread: string) =>
  [{ thread, gender: 'male', seat: 'bubbleFlare' }] as NonNullable<PartData['ends']>

export const PARTS: readonly ListedPart[] = [
  ...BORES.map((bore, i) =>
    part(
      `TW-M${code(bore)}`,
      `Master cylinder ${bore} mm`,
      'masterCylinder',
      52 + 3 * i,
      { bore, stroke: 30, ends: port('M10x1') },
      { stock: 1 + (i % 4), leadDays: 1 + (i % 3) },
    ),
  ),
  ...BORES.map((bore, i) =>
    part(
      `TW-S${code(bore)}`,
      `Slave cylinder ${bore} mm`,
      'slaveCylinder',
      38 + 3 * i,
      { bore, stroke: 25, ends: port('M10x1') },
      { stock: 1 + (i % 5), leadDays: 1 + (i % 3) },
    ),
  ),
  ...BORES.slice(1, 8).map((bore, i) =>
    part(
      `QS-CM${code(bore)}`,
      `Clutch master, ${bore} bore`,
      'masterCylinder',
      39 + 2 * i,
      { bore },
      { supplier: OTHER, grade: 'low', stock: 3, leadDays: 3 },
    ),
  ),
  ...BORES.slice(0, 9).map((bore, i) =>
    part(
      `TW-K${code(bore)}`,
      `Seal kit ${bore} mm`,
      'sealKit',
      11 + i,
      { bore },
      { stock: 3, place: i < 4 ? 'drawer 2' : undefined },
    ),
  ),
  part(
    'QS-CS51',
    'Concentric slave 51 / 40.5',
    'concentricSlave',
    128,
    { outer: 51, inner: 40.5 },
    { supplier: OTHER, stock: 1, leadDays: 3, grade: 'good' },
  ),
  part('TW-H380', 'Rubber hose M10, 380 mm', 'hose', 21, { length: 380, ends: nut('M10x1') }),
  part('TW-H450', 'Rubber hose M10, 450 mm', 'hose', 23, { length: 450, ends: nut('M10x1') }),
  part(
    'QS-BH400',
    'Braided hose M10, 400 mm',
    'hose',
    38,
    { length: 400, ends: nut('M10x1') },
    { supplier: OTHER, grade: 'good', leadDays: 3 },
  ),
  part(
    'QS-P475',
    'Steel pipe 4.75 mm, per metre, with two nuts',
    'pipe',
    9.5,
    { length: 1000 },
    { supplier: OTHER, stock: 12, leadDays: 0, place: 'rack 1' },
  ),
  part(
    'QS-AD1',
    'Adapter, 3/8-24 nut into M10x1 port',
    'adapter',
    9,
    {
      ends: [
        { thread: '3/8-24', gender: 'female', seat: 'doubleFlare' },
        { thread: 'M10x1', gender: 'male', seat: 'bubbleFlare' },
      ],
    },
    { supplier: OTHER, stock: 2, leadDays: 2, place: 'drawer 3' },
  ),
  part(
    'QS-AD2',
    'Union, M10x1, bubble flare',
    'adapter',
    5,
    { ends: port('M10x1') },
    { supplier: OTHER, stock: 4, place: 'drawer 3' },
  ),
  part('TW-NUT10', 'Pipe nut M10x1', 'nut', 1.1, {}, { stock: 30, place: 'drawer 3' }),
  part('TW-CW10', 'Copper washer 10 x 14', 'washer', 0.4, {}, { stock: 200, place: 'drawer 1' }),
  part('TW-CW12', 'Copper washer 12 x 16', 'washer', 0.45, {}, { stock: 150 }),
  part('TW-LS8', 'Seal for a line end 8 mm', 'lineSeal', 1.2, {}, { stock: 40 }),
  part('TW-RP4', 'Roll pin 4 x 20', 'rollPin', 0.5, {}, { stock: 60 }),
  part(
    'QS-CL5',
    'Clip for a 5 mm line, plastic',
    'clip',
    0.6,
    {},
    { supplier: OTHER, stock: 80, place: 'drawer 4' },
  ),
  part('QS-CP8', 'Clevis pin 8 mm with cotter', 'pin', 2.4, {}, { supplier: OTHER, stock: 9 }),
  part('QS-HC', 'Hose clamp 8 to 14', 'clamp', 0.9, {}, { supplier: OTHER, stock: 25 }),
  part(
    'QS-FH7',
    'Feed hose 7 mm, 600 mm',
    'feed',
    8,
    { bore: 7, length: 600 },
    { supplier: OTHER, stock: 3 },
  ),
  part('QS-BT', 'Slave boot 20 mm', 'boot', 6.2, {}, { supplier: OTHER, stock: 2 }),
  part('TW-BS10', 'Bleed screw M10x1', 'bleedScrew', 3.1, {}, { stock: 6 }),
  part('TW-DC', 'Dust cap for a bleed screw', 'dustCap', 0.7, {}, { stock: 25, place: 'drawer 1' }),
  part(
    'QS-BH5',
    'Clear bleed hose 5 mm, 1 m',
    'bleedKit',
    3.5,
    { inner: 5, length: 1000 },
    { supplier: OTHER, stock: 4 },
  ),
  part(
    'QS-BB',
    'Catch bottle 1 l',
    'bleedKit',
    7,
    { volume: 1_000_000 },
    { supplier: OTHER, stock: 2 },
  ),
  part('TW-D4-500', 'DOT 4 fluid 500 ml', 'fluid', 6.8, { volume: 500_000 }, { stock: 24 }),
  part('TW-D4-1000', 'DOT 4 fluid 1 l', 'fluid', 11.2, { volume: 1_000_000 }, { stock: 12 }),
  part('TW-RG', 'Rubber grease', 'grease', 5.5, {}, { stock: 8 }),
  part('QS-MG', 'Molybdenum grease', 'grease', 6.4, {}, { supplier: OTHER, stock: 3, place: 'rack 2' }),
  part('QS-GK', 'Gasket for a master, bulkhead', 'other', 2.2, {}, { supplier: OTHER, stock: 3 }),
  part(
    'QS-PL',
    'Plugs and caps, assorted',
    'consumable',
    4,
    {},
    { supplier: OTHER, stock: 2, place: 'rack 2' },
  ),
  part(
    'QS-RG',
    'Lint-free rags, 50',
    'consumable',
    7.5,
    {},
    { supplier: OTHER, stock: 5, place: 'rack 2' },
  ),
  part(
    'QS-GL',
    'Nitrile gloves, 100',
    'consumable',
    9,
    {},
    { supplier: OTHER, stock: 4, place: 'rack 2' },
  ),
  part(
    'QS-BC',
    'Brake cleaner 500 ml',
    'consumable',
    4.2,
    {},
    { supplier: OTHER, stock: 6, place: 'rack 2' },
  ),
  part(
    'QS-OLD',
    'Slave cylinder 20.64, earlier',
    'slaveCylinder',
    30,
    { bore: 20.64 },
    { supplier: OTHER, stock: 0, supersededBy: 'TW-S2064' },
  ),
]

/** Orders of the scenario: jobs by the beginning of their vehicle's name, parts by number. */
export interface DemoOrder {
  supplier: string
  daysAgo: number | null
  lines: {
    number: string
    quantity: number
    vehicle?: string
    need?: string
    came?: number
    short?: number
  }[]
}
export const ORDERS: readonly DemoOrder[] = [
  {
    supplier: OTHER,
    daysAgo: 1,
    lines: [
      {
        number: 'QS-CL5',
        quantity: 10,
        vehicle: 'Lighthouse pickup',
        need: 'casualty.plasticClips',
        came: 6,
        short: 4,
      },
      { number: 'QS-RG', quantity: 1, came: 1 },
    ],
  },
  {
    supplier: WIRED,
    daysAgo: null,
    lines: [
      { number: 'TW-S2064', quantity: 1, vehicle: 'Ferry porter’s car' },
      { number: 'TW-CW10', quantity: 2, vehicle: 'Lighthouse pickup', need: 'seal.copperWasher.M10x1' },
      { number: 'TW-CW10', quantity: 4, vehicle: 'Launch tractor' },
    ],
  },
  {
    supplier: OTHER,
    daysAgo: null,
    lines: [{ number: 'QS-GL', quantity: 1 }],
  },
]
