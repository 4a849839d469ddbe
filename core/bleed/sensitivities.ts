import type { ConstantName } from './constants'
import { BLEED_RUNS, RUNS, type BleedRun } from './methods'

const LISTED = new Set(BLEED_RUNS.flatMap((run) => RUNS[run].hangsOn))

/** Whether a constant can tell at all on any of these methods; one that no method lists tells on all of them. */
export const tellsOn = (name: ConstantName, steps: readonly BleedRun[]): boolean =>
  !LISTED.has(name) || steps.some((one) => RUNS[one].hangsOn.includes(name))
