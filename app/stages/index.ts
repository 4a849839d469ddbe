import type { Stage } from '~~/core/journal'
import { bleed } from '~/stages/bleed/stage'
import { choose } from '~/stages/choose/stage'
import { find } from '~/stages/find/stage'
import { fit } from '~/stages/fit/stage'
import { prove } from '~/stages/prove/stage'
import { record } from '~/stages/record/stage'
import type { StageFace } from './stage'

/** The stages as the frame knows them; each has a folder here. */
export const STAGE_FACES: Record<Stage, StageFace> = { find, choose, fit, bleed, prove, record }
