/** Kinds of fluid. */
export { FLUID_KINDS, FLUIDS } from './kinds'
