import type { Guide } from './guide'
import { WHERE_IT_GOES } from './where-it-goes'
import { WHICH_PART } from './which-part'

/** Short branching procedures by which technicians tell one fault from another. */
export const GUIDES: readonly Guide[] = [...WHERE_IT_GOES, ...WHICH_PART]
export { walk, type Conclusion, type Guide, type GuideState, type GuideStep } from './guide'
