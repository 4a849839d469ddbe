/** How the line is made and laid: pipes to be bent, what a way allows, layouts side by side, the slave's two ports. */
export { BEND_BY, bendRadius, FLARE_ALLOWANCES, LAID, type BendBy, type FlareAllowance } from './limits'
export {
  cornersOf,
  makePipe,
  MOST_REBENT,
  pipeProblemWords,
  reformPipe,
  reformWords,
  type Bend,
  type Corner,
  type MadePipe,
  type PipeFlare,
  type PipeProblem,
  type Reformed,
} from './pipe'
export { truePages, type TruePage, type TruePrint } from './true-size'
export { checkLine, type LaidLine, type LineCheck } from './line-check'
export { compareLayouts, usualLayouts, type Layout, type LayoutRow } from './layouts'
export { slaveCard, type SlaveCard, type SlavePorts } from './slave-card'
