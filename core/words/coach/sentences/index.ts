import type { Coached } from '../../../coach'
import { BY_ITSELF } from './by-itself'
import { BY_PEDAL } from './by-pedal'
import { IN_HAND } from './in-hand'
import type { Sentences } from './row'
import { OF_TRICKS } from './tricks'
import { OF_WORKS } from './works'

export type { Row, Sentences } from './row'

/**
 * Every call of every method, in the order of its moves, each with its own sentences: no sentence is shared by methods in which the pedal
 * stands otherwise (words.test.ts holds this; docs/coach-calls.md is printed from it).
 */
export const SENTENCES: Record<Coached, Sentences> = {
  ...BY_PEDAL,
  ...BY_ITSELF,
  ...IN_HAND,
  ...OF_TRICKS,
  ...OF_WORKS,
}
