import type { Payloads, Phase } from '../entries'
import type { Installation } from '../installation'
import type { PutOnItem, RemovedItem } from '../plan'
import type { UnitSystem } from '../quantity'

/** One thing that was said, as it would be filed; an undo is a withdrawal of the last. */
export type Statement =
  | { [K in SaidKind]: { kind: K; payload: Payloads[K] } }[SaidKind]
  | {
      kind: 'bleedCycle'
      payload: Omit<Payloads['bleedCycle'], 'method' | 'strokes'> & Partial<Payloads['bleedCycle']>
    }
  | { kind: 'withdrawal'; payload: Record<string, never> }
  // Which step is next, and which entry put the clamp on, is the job's to say.
  | { kind: 'step'; payload: Omit<Payloads['step'], 'step'> }
  | { kind: 'surprise'; payload: { turned: Payloads['surprise']['kind'] } }
  | { kind: 'takenOff'; payload: { item: PutOnItem; place?: string } }
  | { kind: 'refitted'; payload: { item: RemovedItem; place?: string } }
type SaidKind =
  | 'complaint'
  | 'finding'
  | 'measurement'
  | 'condition'
  | 'topUp'
  | 'note'
  | 'graded'
  | 'asFound'
  | 'workDone'
  | 'modelNote'
  | 'parameter'
  | 'joint'
  | 'fitCheck'
  | 'fluidInside'
  | 'circuitPlan'
  | 'putOn'
  | 'removed'
  | 'rebuildPiece'
  | 'boreCheck'
  | 'newPart'
  | 'adjust'
  | 'trick'
  | 'pedalSays'
  | 'stageProof'
  | 'fluidDisposed'
  | 'followUp'
  | 'approval'
  | 'deferred'

export interface LineContext {
  phase: Phase
  units: UnitSystem
  /** The vehicle, where it is known: what makes no sense on it is refused. */
  installation?: Installation | null
  /** Its make and model, as the shop calls it. */
  model?: string | null
}
/** What a line was understood as; nothing is filed where there is something to ask. */
export interface LineUnderstood {
  statements: Statement[]
  ask?: Statement[][]
  /** What was not understood at all. */
  leftOver?: string
  /** What it lacks to be understood, where a place or a reading was named. */
  hint?: string
  /** Why what was understood is not filed: out of its bounds, or nothing for this vehicle. */
  problem?: string
}
