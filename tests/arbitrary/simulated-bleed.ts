import { evenDraws } from '../../core/chance'
import { Bleed, drawnConstants, type RankAsked } from '../../core/bleed'
import { gradeOf } from '../../core/bleed/follow'
import type { Followed } from '../../core/bleed/logged'
import { sharedOut } from '../../core/bleed/share-out'
import { cycleOf } from '../../core/bleed/methods'
import { askedOf } from '../../core/bleed/rank'

type Cycle = Extract<Followed, { method: unknown }>
const ORDER = ['clear', 'few', 'large', 'foam'] as const

/** A bleed by open and push with constants and air that nobody knows, logged by somebody who misreads one in ten. */
export function simulated(
  asked: RankAsked,
  cycles: number,
  seed: number,
): { logged: Cycle[]; left: number } {
  const draw = evenDraws(seed)
  const [constants] = drawnConstants(asked.set, 1, seed)
  // The air is shared out as the one who follows takes it to be: by the same law, with another seed.
  const start = sharedOut(asked.start, evenDraws(seed + 7))
  const bleed = new Bleed({ ...askedOf(asked, constants!), start })
  const logged: Cycle[] = []
  for (let n = 0; n < cycles; n++) {
    const { gasOut, liquidOut } = bleed.machine.count
    cycleOf('openPush', bleed.setting)
    const gas = bleed.machine.count.gasOut - gasOut
    const liquid = bleed.machine.count.liquidOut - liquidOut
    let cameOut = gradeOf(gas, gas + liquid)
    const at = ORDER.indexOf(cameOut as (typeof ORDER)[number])
    if (at >= 0 && draw() < 0.1)
      cameOut = ORDER[Math.min(ORDER.length - 1, Math.max(0, at + (draw() < 0.5 ? -1 : 1)))]!
    logged.push({ method: 'openPush', strokes: 1, cameOut })
  }
  return { logged, left: bleed.machine.total }
}
