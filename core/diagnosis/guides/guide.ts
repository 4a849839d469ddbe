import type { Evidence } from '../evidence'
import type { FaultId } from '../faults'
import type { FindingId, Need, Only } from '../findings'
import type { ReadingName } from '../readings'
import type { OperationId } from '../../work'

/** Where a guide ends: what it has shown, and which faults are left. */
export interface Conclusion {
  words: string
  points: readonly FaultId[]
}
type Then = string | Conclusion

/** One step: something is done, one thing is noted, and what it was decides the next step. */
export type GuideStep = {
  id: string
  say: string
  /** Work that has to be done before one looks: done once, it is not asked for again at the next step. */
  first?: OperationId
} & (
  | { ask: 'finding'; finding: FindingId; present: Then; absent: Then }
  | {
      ask: 'reading'
      reading: ReadingName
      /** From this figure on it counts as much, mm. */
      over: number
      much: Then
      little: Then
    }
)

/** A short branching procedure; each step files its entry, so that it can be left and taken up again. */
export interface Guide {
  id: string
  label: string
  /** What it tells apart. */
  tells: string
  needs: readonly Need[]
  only?: Only
  caution?: string
  steps: readonly GuideStep[]
}

/** How far a guide has come with what is known. */
export interface GuideState {
  /** Steps answered so far, in the order walked. */
  done: readonly GuideStep[]
  /** The step that waits for its answer; null at the end. */
  step: GuideStep | null
  conclusion: Conclusion | null
}

/** Walks a guide by what is known: steps answered already, wherever, are not asked again. */
export function walk(guide: Guide, evidence: Evidence): GuideState {
  const done: GuideStep[] = []
  let at: Then = guide.steps[0]!.id
  while (typeof at === 'string') {
    const step: GuideStep = guide.steps.find(({ id }) => id === at)!
    const next = answered(step, evidence)
    if (next === null) return { done, step, conclusion: null }
    done.push(step)
    at = next
  }
  return { done, step: null, conclusion: at }
}

function answered(step: GuideStep, { findings, readings }: Evidence): Then | null {
  if (step.ask === 'finding') {
    const state = findings[step.finding]
    return state === undefined ? null : step[state]
  }
  const reading = readings[step.reading]
  if (!reading) return null
  return reading.value >= step.over ? step.much : step.little
}
