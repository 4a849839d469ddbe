/** Kish's effective sample size: how many equally weighted draws these are worth. 0 where all weights are. */
export function effectiveSize(weights: ArrayLike<number>): number {
  let sum = 0
  let squares = 0
  for (let i = 0; i < weights.length; i++) {
    sum += weights[i]!
    squares += weights[i]! ** 2
  }
  return squares > 0 ? sum ** 2 / squares : 0
}

export function weightedMean(values: ArrayLike<number>, weights: ArrayLike<number>): number {
  let sum = 0
  let weight = 0
  for (let i = 0; i < values.length; i++) {
    sum += weights[i]! * values[i]!
    weight += weights[i]!
  }
  return sum / weight
}

export function weightedVariance(values: ArrayLike<number>, weights: ArrayLike<number>): number {
  const mean = weightedMean(values, weights)
  let sum = 0
  let weight = 0
  for (let i = 0; i < values.length; i++) {
    sum += weights[i]! * (values[i]! - mean) ** 2
    weight += weights[i]!
  }
  return sum / weight
}

/**
 * Quantiles of weighted draws: the value at which the running weight, counted to the middle of each draw, reaches the
 * share; straight lines between draws. Some weight must be above 0.
 */
export function weightedQuantiles(
  values: ArrayLike<number>,
  weights: ArrayLike<number>,
  shares: readonly number[],
): number[] {
  const order = Array.from({ length: values.length }, (_, i) => i)
    .filter((i) => weights[i]! > 0)
    .sort((a, b) => values[a]! - values[b]!)
  const total = order.reduce((sum, i) => sum + weights[i]!, 0)
  const middles: number[] = []
  let run = 0
  for (const i of order) {
    middles.push((run + weights[i]! / 2) / total)
    run += weights[i]!
  }
  const at = (k: number) => values[order[k]!]!
  return shares.map((share) => {
    const k = middles.findIndex((middle) => middle >= share)
    if (k === 0) return at(0)
    if (k < 0) return at(order.length - 1)
    const part = (share - middles[k - 1]!) / (middles[k]! - middles[k - 1]!)
    return at(k - 1) + part * (at(k) - at(k - 1))
  })
}
