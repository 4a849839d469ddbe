import type { Cases } from './cases'

/** The branch at a place between 0 and 1, each as wide as its share of the blind draws. */
export function branchAt({ branches }: Cases, place: number): number {
  let left = place
  let i = 0
  while (i < branches.length - 1 && left >= branches[i]!.blind) left -= branches[i++]!.blind
  return i
}
