import { solveCircuit } from '../core/circuit'
import { chain, join, type End, type Piece } from '../core/fitting'
import { fromArchetype } from '../core/installation'
import { whole } from '../core/run'
import { choicesOf, SIZING_LIMITS, sizeRun } from '../core/sizing'
import { perSecond, quantile, type Row } from './measure'

/** Options that the worker works out between two looks at whether it was told to stop; app/workers/turns.ts. */
const PIECES = 10

/** Sizing beside bare solutions of the same circuit, and joints and chains. */
export function benchChoose(): Row[] {
  const circuit = { ...fromArchetype('small-car').circuit, air: 0 }
  const range = (from: number) => Array.from({ length: 20 }, (_, i) => ({ bore: from + i / 4 }))
  const choices = choicesOf(range(14), range(18), [circuit.pedal.ratio], 0)
  const solved = perSecond(() => solveCircuit(circuit).reserve)
  const all = quantile(
    () =>
      whole(sizeRun(circuit, choices, [], SIZING_LIMITS)).options.filter(({ front }) => front).length,
    9,
  )
  const run = sizeRun(circuit, choices, [], SIZING_LIMITS)
  const slice = quantile(() => run.step(PIECES), choices.length / PIECES)

  const threads = ['M10x1', 'M12x1', '3/8-24', '7/16-20']
  const end = (i: number): End => ({
    thread: threads[i % threads.length]!,
    gender: i % 3 ? 'male' : 'female',
    seat: i % 5 ? 'doubleFlare' : 'bubbleFlare',
  })
  const pieces = Array.from({ length: 200 }, (_, i): Piece => {
    const ends = [end(i), end(7 * i + 1)] as const
    return { id: `p${i}`, ends, price: (i * 37) % 23, days: i % 6 }
  })
  const chained = quantile((i) => chain(end(i), end(i + 2), pieces).refused.length, 15)
  return [
    {
      name: 'sizing, 400 options in four states with front, median',
      value: all.median,
      unit: 'ms',
      ratio: ((all.median / 1000) * solved) / 1600,
      of: '1 600 bare solutions',
    },
    {
      name: 'sizing, longest of nineteen in twenty slices before a stop is seen',
      value: slice.p95,
      unit: 'ms',
      ratio: slice.p95 / 100,
      of: 'the 100 ms that a stop may take',
    },
    {
      name: 'joints judged, per second',
      value: perSecond((i) => join(end(i), end(3 * i + 1)).reasons.length),
      unit: '/s',
    },
    {
      name: 'chain through 200 pieces, 95th',
      value: chained.p95,
      unit: 'ms',
      ratio: chained.p95 / 100,
      of: 'the 100 ms that it may take',
    },
  ]
}
