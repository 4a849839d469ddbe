import { changedAtPath } from './path'
import type { Circuit } from './circuit'

/** A quantity that is not exactly known, and how a circuit changes with it. */
export interface Uncertain {
  /** Dotted path, or a name for what is no single field (`load`, `expansion`). */
  name: string
  /** One standard deviation in the quantity's own unit. */
  sigma: number
  shift: (circuit: Circuit, by: number) => Circuit
}

/** Half width of a 90 % interval in standard deviations. */
export const NINETY = 1.645

/**
 * The ordinary measuring errors, one standard deviation each. A share is of the quantity itself.
 * Each is engineering judgement for a technician with tape, rule and foot.
 */
export const MEASURING_ERROR = {
  /** mm; a tape held to a moving pad. */
  tape: 1,
  /** mm; felt at the rod, not seen. */
  clearance: 0.15,
  /** mm; the spurt in the reservoir stops within this. */
  portClosure: 0.15,
  /** Share; a finger's idea of 20 N. */
  touchForce: 0.12,
  /** Share; covers of one kind differ by this. */
  load: 0.1,
  /** Share; hoses of one kind and age differ by this. */
  expansion: 0.2,
  /** Share; two lengths by tape in a tight place. */
  forkRatio: 0.03,
  /** mm; felt at the slave rod. */
  slop: 0.2,
} as const
/** The same, as a shop may state them for itself. */
export type MeasuringErrors = { -readonly [K in keyof typeof MEASURING_ERROR]: number }

/** All cover loads changed by a share. */
export function shiftLoad(circuit: Circuit, share: number): Circuit {
  const releaseLoad = circuit.cover.releaseLoad.map(([travel, load]): [number, number] => [
    travel,
    load * (1 + share),
  ])
  return { ...circuit, cover: { ...circuit.cover, releaseLoad } }
}

/** The expansion of every hose changed by a share; steel stays. */
export function shiftExpansion(circuit: Circuit, share: number): Circuit {
  const lines = circuit.lines.map((line) =>
    line.kind === 'steel' ? line : { ...line, expansion: line.expansion * (1 + share) },
  )
  return { ...circuit, lines }
}

/** One field, by its dotted path, changed by an amount. */
export const shiftField = (circuit: Circuit, path: string, by: number): Circuit =>
  changedAtPath(circuit, path, (before) => ((before as number | undefined) ?? 0) + by)!

/** A field as an uncertain quantity. */
export const uncertainField = (path: string, sigma: number): Uncertain => ({
  name: path,
  sigma,
  shift: (circuit, by) => shiftField(circuit, path, by),
})

/** Measuring errors of a circuit whose every figure was measured with care or taken from data. */
export function measuredUncertainty(
  circuit: Circuit,
  errors: MeasuringErrors = MEASURING_ERROR,
): Uncertain[] {
  const { slave, linkage } = circuit
  const list = [
    uncertainField('master.pushrodClearance', errors.clearance),
    uncertainField('master.portClosure', errors.portClosure),
    { name: 'load', sigma: errors.load, shift: shiftLoad },
    { name: 'expansion', sigma: errors.expansion, shift: shiftExpansion },
  ]
  // A concentric slave has no fork and no rod: its ratio is 1 and nothing rattles.
  if (slave.type === 'external') {
    list.push(
      uncertainField('linkage.forkRatio', errors.forkRatio * linkage.forkRatio),
      uncertainField('linkage.slop', errors.slop),
    )
  }
  return list
}

/**
 * Standard deviation of a figure, from the central difference over each quantity (first-order propagation,
 * JCGM 100:2008, section 5.1). Quantities at whose shifted value the figure cannot be computed are left out and named.
 */
export function propagate(
  circuit: Circuit,
  quantities: readonly Uncertain[],
  figure: (circuit: Circuit) => number | null,
): { sigma: number; shares: { name: string; sigma: number }[]; leftOut: string[] } {
  const shares: { name: string; sigma: number }[] = []
  const leftOut: string[] = []
  let variance = 0
  for (const quantity of quantities) {
    // A tenth of the error keeps the difference local; figures here are smooth on that scale.
    const step = quantity.sigma / 10
    if (step === 0) continue
    const above = figure(quantity.shift(circuit, step))
    const below = figure(quantity.shift(circuit, -step))
    if (above === null || below === null) {
      leftOut.push(quantity.name)
      continue
    }
    const sigma = Math.abs((above - below) / 2) * 10
    variance += sigma * sigma
    shares.push({ name: quantity.name, sigma })
  }
  shares.sort((a, b) => b.sigma - a.sigma)
  return { sigma: Math.sqrt(variance), shares, leftOut }
}
