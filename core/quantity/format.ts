import { readWithUnit, type CoreUnit, type UnitSystem } from './units'

/** How a person reads figures, with their unit: words that carry figures are made with it. */
export interface Format {
  length: (mm: number) => string
  /** As a caliper or a bore gauge shows it. */
  diameter: (mm: number) => string
  volume: (mm3: number) => string
  force: (n: number) => string
  pressure: (mpa: number) => string
  flow: (mm3PerSecond: number) => string
  /** Any figure, as its unit is read. */
  figure: (value: number, unit: CoreUnit) => string
}

const formats: Record<UnitSystem, Format> = { metric: make('metric'), inch: make('inch') }
export const formatOf = (system: UnitSystem): Format => formats[system]

function make(system: UnitSystem): Format {
  const metric = system === 'metric'
  return {
    // A tape shows millimetres; short lengths are ruled or felt to a tenth.
    length: (mm) => readWithUnit(mm, 'mm', system, metric ? (Math.abs(mm) < 10 ? 1 : 0) : 2),
    diameter: (mm) => readWithUnit(mm, 'mm', system, metric ? 2 : 3),
    volume: (mm3) => readWithUnit(mm3, 'mm³', system, metric && Math.abs(mm3) >= 9950 ? 0 : undefined),
    force: (n) => readWithUnit(n, 'N', system, 0),
    pressure: (mpa) => readWithUnit(mpa, 'MPa', system),
    flow: (rate) => readWithUnit(rate, 'mm³/s', system),
    figure: (value, unit) => readWithUnit(value, unit, system),
  }
}
