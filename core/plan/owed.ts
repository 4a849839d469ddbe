import type { Step } from './step'

export interface Owed {
  record: string
  /** Id of the step that brings it back. */
  before: string
}

/** What must be written down, and before which step it is wanted. */
export function owedOf(order: readonly Step[]): Owed[] {
  const owed: Owed[] = []
  order.forEach((step, i) => {
    for (const record of step.records) {
      const wanted = order.slice(i + 1).find(({ recalls }) => recalls.includes(record))
      if (wanted) owed.push({ record, before: wanted.id })
    }
  })
  return owed
}

/** The same, once each, for what a step brings back that is still to be done, whether or not its own step is told already. */
export function stillWanted(steps: readonly Step[], told: { has: (step: string) => boolean }): Owed[] {
  const wanted = new Map<string, Owed>()
  for (const one of owedOf(steps))
    if (!told.has(one.before) && !wanted.has(one.record)) wanted.set(one.record, one)
  return [...wanted.values()]
}
