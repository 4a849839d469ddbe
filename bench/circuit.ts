import { pressCurve, solveCircuit, type Circuit } from '../core/circuit'
import { ARCHETYPES } from '../core/installation'
import reference from '../core/circuit/reference-cases.json'
import { perSecond, quantile, type Row } from './measure'

/** Circuit solutions per second on one core, beside a floor of arithmetic measured in the same run. */
export function benchCircuit(): Row[] {
  const everyday = spread(ARCHETYPES.map((archetype) => archetype.installation.circuit))
  const snapping = reference.cases[9]!.input.circuit as unknown as Circuit
  const floor = perSecond((i) => floorOf(everyday[i % everyday.length]!))
  const solved = perSecond((i) => solveCircuit(everyday[i % everyday.length]!).reserve)
  const snap = perSecond(() => solveCircuit(snapping).reserve)
  const curve = quantile((i) => pressCurve(everyday[i % everyday.length]!, 200).down.length, 300)
  return [
    { name: 'floor: 200 square roots and divisions of the same figures', value: floor, unit: '/s' },
    {
      name: 'circuit solutions, six kinds, 0 to 3 ml of air',
      value: solved,
      unit: '/s',
      ratio: floor / solved,
      of: 'floor',
    },
    {
      name: 'circuit solutions, a cover that snaps through',
      value: snap,
      unit: '/s',
      ratio: floor / snap,
      of: 'floor',
    },
    {
      name: 'press curve, 200 points down and up, median',
      value: curve.median,
      unit: 'ms',
      ratio: (curve.median * solved) / 1000,
      of: 'solutions',
    },
    { name: 'press curve, 200 points down and up, 95th percentile', value: curve.p95, unit: 'ms' },
  ]
}

/** The kinds with different amounts of air and clearances, so that no one circuit is learnt by heart. */
function spread(circuits: Circuit[]): Circuit[] {
  return Array.from({ length: 240 }, (_, i) => {
    const circuit = circuits[i % circuits.length]!
    const clearance = 0.1 + 0.02 * (i % 17)
    return {
      ...circuit,
      air: (i * 3000) / 240,
      master: { ...circuit.master, pushrodClearance: clearance },
    }
  })
}

function floorOf({ air, cover, master }: Circuit): number {
  let sum = 0
  for (let k = 1; k <= 200; k++) sum += Math.sqrt(air + k) / (cover.releaseTravel + master.bore * k)
  return sum
}
