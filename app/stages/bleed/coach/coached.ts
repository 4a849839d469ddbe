import { METHOD_ROWS, TRICK_ROWS } from '~~/core/bleed'
import { METHODS, TRICKS, type Method, type Trick } from '~~/core/journal'
import { isMethod, isTrick, type Coached, type Work, WORK_WORDS } from '~~/core/coach'

export const coachedWords = (one: Coached): string =>
  isMethod(one) ? METHOD_ROWS[one].name : isTrick(one) ? TRICK_ROWS[one].name : WORK_WORDS[one]

/** Proof in stages: from the master outwards. */
export const STAGED: readonly Work[] = ['masterAlone', 'withLine', 'withSlave']
const isOnBench = (one: Method | Trick) =>
  (isMethod(one) ? METHOD_ROWS[one] : TRICK_ROWS[one]).where !== 'vehicle'

/** What can be coached, as it is chosen. */
export const COACHED: readonly { name: string; of: readonly Coached[] }[] = [
  { name: 'In the vehicle', of: METHODS.filter((one) => !isOnBench(one)) },
  { name: 'Off the vehicle, and new parts', of: [...METHODS, ...TRICKS].filter(isOnBench) },
  { name: 'For the rest of the air', of: TRICKS.filter((one) => !isOnBench(one)) },
  { name: 'Proof in stages', of: STAGED },
]
