import { defineAsyncComponent, type Component } from 'vue'
import type { Phase } from '~~/core/journal'
import type { JobFigures, OpenJob } from '~/job/useJob'

/** What a stage still owes, in a word or two; what stops the job is said as such. */
export interface Owed {
  words: string
  stops?: true
}

/** What a stage wants of the frame around it. */
export interface FrameWants {
  /** The phase that the ladder shows beside as found, once it has readings, and what it is called there. */
  beside: { phase: Phase; name: 'now' | 'after' } | null
  /** Suspects are drawn on the line. */
  suspects: boolean
  /** Findings on the line: as found alone, or as they are now. */
  found: 'asFound' | 'newest'
}

/** A stage as the frame knows it. Its words stand in core/words, its place on the road in core/journal. */
export interface StageFace {
  /** A chunk of its own, loaded when the stage is first opened. */
  view: Component
  frame: FrameWants
  owed: (job: OpenJob, figures: JobFigures) => Owed | null
}

/** A view that is loaded when it is first shown. */
export const loaded = (load: () => Promise<{ default: Component }>): Component =>
  defineAsyncComponent({ loader: load, delay: 200 })

export const AS_FOUND: FrameWants = { beside: null, suspects: false, found: 'newest' }
