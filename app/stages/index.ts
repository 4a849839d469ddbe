import type { Stage } from '~~/core/journal'
import { bleed } from './bleed/face'
import { choose } from './choose/face'
import { find } from './find/face'
import { fit } from './fit/face'
import { prove } from './prove/face'
import { record } from './record/face'
import type { StageFace } from './stage'

/** The stages as the frame knows them; each has a folder here. */
export const STAGE_FACES: Record<Stage, StageFace> = { find, choose, fit, bleed, prove, record }
