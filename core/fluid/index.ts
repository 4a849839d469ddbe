/** What fluid may go in, how it ages, and how much of it a piece of work takes. */
export { boilingAt, CLIMATES, waterAtBoiling, waterByAge, type Climate, type Ranged } from './ageing'
export { judgeFluid, type FluidAnswer, type FluidCode, type FluidQuestion } from './fluid'
export { answerFluid } from './read'
export { FLUID_KINDS, FLUIDS, isCrossed, isPoorer, type FluidKind } from './kinds'
export { circuitVolume, FLUID_ACTS, neededFor, type FluidAct } from './volume'
export { flowThrough, laminar, viscosity } from './flow'
export { fluidAsked, volumesOf, type Filled, type FluidOfJob } from './of-job'
