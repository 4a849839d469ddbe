import { MEASURING_ERROR, NINETY, numberAtPath, WORKSHOP_BORES, type Circuit } from '../circuit'
import { rangeOf, uncertaintyOf, type Installation, type Range } from '../installation'

/** What of a vehicle is not exactly known and may be anything within its range. */
export interface Quantity {
  name: string
  /** One standard deviation below the installation's figure, and above it. */
  below: number
  above: number
}
/** By how much a quantity differs from the installation's figure at a standard normal draw. */
export const byOf = ({ below, above }: Quantity, z: number): number => (z < 0 ? below : above) * z

/** A cylinder's bore that nobody has measured: one of the sizes in which cylinders are made. */
export interface BoreSizes {
  name: string
  sizes: { by: number; share: number }[]
}

/**
 * A kind's own ranges are judgement too. Each is taken this much wider, so that where a range stands a third of its width
 * from the truth, nine cases in ten still hold it in eight.
 */
export const RANGE_DOUBT = 1.25

/** Of bores: within the range, and one size to either side of it. */
const IN_RANGE = 0.9

/** Share of the figure; a ratio is two lengths by tape. */
const MEASURED_RATIO = 0.03
/** Measured, these have errors that the circuit's own list leaves out, for it serves figures at a known ratio. */
const MEASURED: { path: string; sigma: (value: number) => number }[] = [
  { path: 'pedal.ratio', sigma: (value) => MEASURED_RATIO * value },
  { path: 'pedal.travel', sigma: () => MEASURING_ERROR.tape },
]

/**
 * Assumed figures by the ranges of their kind, what was measured by its error; bores apart, for they come in sizes.
 * @param errors one standard deviation of a measured figure, where another than the usual one is known.
 */
export function quantitiesOf(
  installation: Installation,
  doubt = RANGE_DOUBT,
  errors: Readonly<Record<string, number>> = {},
): { smooth: Quantity[]; bores: BoreSizes[] } {
  const { circuit, assumed } = installation
  const smooth: Quantity[] = []
  const bores: BoreSizes[] = []
  for (const { name, sigma } of uncertaintyOf(installation)) {
    const range = assumed.includes(name) ? rangeOf(installation, name) : undefined
    const usual = range && usualOf(circuit, name)
    if (range === undefined || usual === undefined) {
      const own = errors[name] ?? sigma
      smooth.push({ name, below: own, above: own })
      continue
    }
    const sizes = name.endsWith('.bore') ? sizesIn(range, usual) : null
    if (sizes) bores.push({ name, sizes })
    else smooth.push({ name, ...twoSided(usual, range, doubt) })
  }
  for (const { path, sigma } of MEASURED) {
    const value = numberAtPath(circuit, path)
    if (assumed.includes(path) || value === null) continue
    const own = errors[path] ?? sigma(value)
    smooth.push({ name: path, below: own, above: own })
  }
  return { smooth, bores }
}

/** What the kind usually has; loads and hoses are factors, and usually once what they are. */
const usualOf = (circuit: Circuit, name: string): number =>
  name === 'load' || name === 'expansion' ? 1 : (numberAtPath(circuit, name) ?? 0)

/** Half the cases lie below the usual figure and half above, one in twenty beyond either end of the range. */
function twoSided(usual: number, { low, high }: Range, doubt: number): Omit<Quantity, 'name'> {
  return {
    below: (doubt * Math.max(0, usual - low)) / NINETY,
    above: (doubt * Math.max(0, high - usual)) / NINETY,
  }
}

/** Null where cylinders are not made in sizes that lie in the range. */
function sizesIn({ low, high }: Range, usual: number): BoreSizes['sizes'] | null {
  const slack = 0.05
  const first = WORKSHOP_BORES.findIndex((size) => size >= low - slack)
  const within = WORKSHOP_BORES.filter((size) => size >= low - slack && size <= high + slack)
  if (within.length === 0) return null
  const beside = [WORKSHOP_BORES[first - 1], WORKSHOP_BORES[first + within.length]].filter(
    (size) => size !== undefined,
  )
  const outside = beside.length > 0 ? 1 - IN_RANGE : 0
  return [
    ...within.map((size) => ({ by: size - usual, share: (1 - outside) / within.length })),
    ...beside.map((size) => ({ by: size - usual, share: outside / beside.length })),
  ]
}
