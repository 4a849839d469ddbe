import { STAGES, startStage, type JobKind, type Stage } from '~~/core/journal'

/** Where a job was left on this device, so that opening it goes on there; where its kind starts if nothing is kept. */
export function keptStage({ id, kind }: { id: string; kind: JobKind }): Stage {
  let kept: string | null = null
  try {
    kept = localStorage.getItem(`mellow-stage-${id}`)
  } catch {
    // This browser keeps nothing for us.
  }
  return STAGES.find((stage) => stage === kept) ?? startStage(kind)
}
