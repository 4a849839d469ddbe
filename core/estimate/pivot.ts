import { numberAtPath } from '../circuit'
import type { Installation } from '../installation'
import type { Quantity } from './quantities'

/** A quantity that follows from a reading in place of being drawn: no draw is then lost beside the reading. */
export class Pivot {
  private constructor(
    readonly index: number,
    private readonly quantity: Quantity,
    private readonly usual: number,
  ) {}

  /** Null where it was measured: then there is nothing to follow. */
  static of(
    quantities: readonly Quantity[],
    name: string,
    { circuit, assumed }: Installation,
  ): Pivot | null {
    const index = quantities.findIndex((one) => one.name === name)
    const quantity = quantities[index]
    if (!quantity || !assumed.includes(name) || !(quantity.below > 0 && quantity.above > 0)) return null
    return new Pivot(index, quantity, numberAtPath(circuit, name)!)
  }

  byAt(value: number): number {
    return value - this.usual
  }

  /** Where in its range so much of a difference lies, in standard deviations. */
  zOf(by: number): number {
    return by / (by < 0 ? this.quantity.below : this.quantity.above)
  }

  /** Change of z with the quantity. */
  perUnit(z: number): number {
    return 1 / (z < 0 ? this.quantity.below : this.quantity.above)
  }
}
