import { notBuilt } from '../stage'

export const fit = notBuilt(
  'Here the order of work will stand: what to take off, what to put on, what must be off again.',
)
