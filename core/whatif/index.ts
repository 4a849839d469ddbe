/** What if: changes in thought, what each buys for what it costs, and how far the figures may be out. */
export { applyChanges, MOST_CHANGES, subjectOf, withChange, withoutChange, type Change } from './change'
export { bandRun, BAND_DRAWS, type Band, type BandFigure, type BandOptions } from './band'
export { REMEDIES, type Remedy } from './remedies'
export { sensitivity, type Bought, type Sensitivity, type Slope } from './sensitivity'
