import { METHODS, TRICKS } from '~~/core/journal'
import { isMethod, isTrick, type Coached, type Work } from '~~/core/coach'
import { METHOD_WORDS, TRICK_WORDS, WORK_WORDS } from '~~/core/words'

export const coachedWords = (one: Coached): string =>
  isMethod(one) ? METHOD_WORDS[one].name : isTrick(one) ? TRICK_WORDS[one] : WORK_WORDS[one]

/** Proof in stages: from the master outwards. */
export const STAGED: readonly Work[] = ['masterAlone', 'withLine', 'withSlave']
const ON_BENCH: ReadonlySet<Coached> = new Set(['benchLoop', 'slavePrimed', 'masterPrimed', 'hang'])
const isOnBench = (one: Coached) => ON_BENCH.has(one)

/** What can be coached, as it is chosen. */
export const COACHED: readonly { name: string; of: readonly Coached[] }[] = [
  { name: 'In the vehicle', of: METHODS.filter((one) => !isOnBench(one)) },
  { name: 'Off the vehicle, and new parts', of: [...METHODS, ...TRICKS].filter(isOnBench) },
  { name: 'For the rest of the air', of: TRICKS.filter((one) => !isOnBench(one)) },
  { name: 'Proof in stages', of: STAGED },
]
