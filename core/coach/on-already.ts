import { stillOff, stillOn, type LedgerState } from '../entries'
import { THINGS, type Thing } from '../bleed/methods'
import { THING_ROWS } from './things'

/** Something that the job's ledger says is on already, by the entry that put it on. */
export interface OnAlready {
  thing: Thing
  id: string
}

/** What an earlier run, or a hand, put on and nobody took off: a run begins with it, and calls it once more to be sure. */
export function onAlready(ledger: LedgerState): OnAlready[] {
  const [on, off] = [stillOn(ledger), stillOff(ledger)]
  const seen = new Set<string>()
  return THINGS.flatMap((thing): OnAlready[] => {
    const row = THING_ROWS[thing].ledger
    if (!row) return []
    const held =
      'put' in row
        ? on.findLast(
            // A tag hangs on one pedal, however its place was said.
            ({ payload: { item, place } }) =>
              item === row.put && (item === 'tag' || place === row.place),
          )
        : off.findLast(({ payload: { item, place } }) => item === row.taken && place === row.place)
    // One hose is on one screw: which of them it is, its next call tells.
    if (!held || seen.has(held.id)) return []
    seen.add(held.id)
    return [{ thing, id: held.id }]
  })
}
