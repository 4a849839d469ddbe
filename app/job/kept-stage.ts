import { STAGES, startStage, type JobKind } from '~~/core/journal'

/** Where a job of this kind begins: parts that were brought are proved first, the others at their stage. */
export const startPage = (kind: JobKind): string =>
  kind === 'partsBrought' ? 'choose/joints' : startStage(kind)

/** Where a job was left on this device, so that opening it goes on there; where its kind starts if nothing is kept. */
export function keptStage({ id, kind }: { id: string; kind: JobKind }): string {
  let kept: string | null = null
  try {
    kept = localStorage.getItem(`mellow-stage-${id}`)
  } catch {
    // This browser keeps nothing for us.
  }
  return STAGES.find((stage) => stage === kept) ?? startPage(kind)
}
