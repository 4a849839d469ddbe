/** Chance, with its seed coming in: even draws, spread-out samples, the normal quantile, weighted quantiles. */
export { evenDraws, type Draw } from './even-draws'
export { latinHypercube } from './latin-hypercube'
export { normalQuantile, normalShare } from './normal'
export { effectiveSize, weightedMean, weightedQuantiles, weightedVariance } from './weighted'
