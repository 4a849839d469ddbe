import { observationLabel, seconds, tell, tellChange, type Entry } from '~~/core/journal'
import type { Change } from '~~/core/whatif'
import { formatNow } from './units'

/** An entry in a line, as one would say it, in the units of whoever is at this device. */
export const describe = (entry: Pick<Entry, 'kind' | 'payload'>): string => tell(entry, formatNow())

/** A change in thought, as one would say it. */
export const describeChange = (change: Change): string => tellChange(change, formatNow())

export { observationLabel, seconds }
