/** What the stand-in has to sell: an invented factor's list, made from one rule so that it is the same at every start. */
export interface Item {
  number: string
  name: string
  kind: string
  price: number
  stock: number
  leadDays: number
}

const BORES = [12.7, 14.29, 15.87, 17.46, 19.05, 20.64, 22.2, 23.81, 25.4]
const item = (
  number: string,
  name: string,
  kind: string,
  price: number,
  stock: number,
  leadDays: number,
): Item => ({ number, name, kind, price, stock, leadDays })

export const CATALOGUE: readonly Item[] = [
  ...BORES.map((bore, i) =>
    item(
      `TW-M${Math.round(bore * 100)}`,
      `Master cylinder ${bore} mm`,
      'masterCylinder',
      52 + 3 * i,
      1 + (i % 4),
      1 + (i % 3),
    ),
  ),
  ...BORES.map((bore, i) =>
    item(
      `TW-S${Math.round(bore * 100)}`,
      `Slave cylinder ${bore} mm`,
      'slaveCylinder',
      38 + 3 * i,
      1 + (i % 5),
      1 + (i % 3),
    ),
  ),
  ...BORES.map((bore, i) =>
    item(`TW-K${Math.round(bore * 100)}`, `Seal kit ${bore} mm`, 'sealKit', 11 + i, 3 + (i % 4), 1),
  ),
  item('TW-H380', 'Rubber hose M10, 380 mm', 'hose', 21, 6, 1),
  item('TW-H450', 'Rubber hose M10, 450 mm', 'hose', 23, 4, 1),
  item('TW-CW10', 'Copper washer 10 x 14', 'washer', 0.4, 200, 1),
  item('TW-CW12', 'Copper washer 12 x 16', 'washer', 0.45, 150, 1),
  item('TW-LS8', 'Seal for a line end 8 mm', 'lineSeal', 1.2, 40, 1),
  item('TW-RP4', 'Roll pin 4 x 20', 'rollPin', 0.5, 60, 1),
  item('TW-D4-500', 'DOT 4 fluid 500 ml', 'fluid', 6.8, 24, 1),
  item('TW-D4-1000', 'DOT 4 fluid 1 l', 'fluid', 11.2, 12, 1),
  item('TW-RG', 'Rubber grease', 'grease', 5.5, 8, 1),
]
