import type { Format } from '../quantity'
import type { SizingOption } from './size'

/** Distance until a new disc has bedded in, km; judgement, from a few hundred starts in town. */
export const BEDDING_KM = 500

/** Differences that nobody feels: N at the pad, mm of pad. */
const FELT = { force: 1, travel: 1 }

/** What an option gives and what it takes, in a sentence: against the circuit as it is. The pad's own travel is the same. */
export function tradeWords(option: SizingOption, present: SizingOption, format: Format): string {
  const parts = [forceWords(option, present, format), takeUpWords(option, present, format)]
  return sentence(`${parts.join(', ')}; ${endWords(option, format)}`)
}

function forceWords(option: SizingOption, present: SizingOption, format: Format): string {
  const more = option.padForcePeak - present.padForcePeak
  if (Math.abs(more) < FELT.force) return 'as heavy as now'
  return `${more < 0 ? 'lighter' : 'heavier'} by ${format.force(Math.abs(more))}`
}

function takeUpWords(option: SizingOption, present: SizingOption, format: Format): string {
  if (option.engagement === null) return 'never frees the disc'
  if (present.engagement === null) return 'frees the disc, which the present one does not'
  const lower = option.engagement - present.engagement
  if (Math.abs(lower) < FELT.travel) return 'takes up where it does now'
  return `takes up ${format.length(Math.abs(lower))} ${lower > 0 ? 'lower' : 'higher'}`
}
function endWords(option: SizingOption, format: Format): string {
  const { advice, reserve, newDisc, roomLeft, limitedBy, padForcePeak } = option
  switch (advice) {
    case 'notReleasing':
      return `the ${limitedBy === 'pedal' ? 'floor' : `${limitedBy}’s own end`} comes first: it does not free the disc`
    case 'tooLittleRoom':
      return roomLeft === null
        ? 'the clamp would not be full'
        : `the facings have ${format.length(Math.max(0, -roomLeft))} too little room to wear`
    case 'tooHeavy':
      return `${format.force(padForcePeak)} is heavier than was allowed`
    case 'tooLow':
      return `only ${format.length(reserve)} is left even on the bedded disc: too low`
    case 'waitForBedding':
      return newDisc.releases
        ? `on the new disc ${format.length(newDisc.reserve)} is left: wait until it has bedded in, then fit`
        : 'on the new disc it does not release: wait until it has bedded in, then fit'
    case 'fits':
      return `on the new disc ${format.length(newDisc.reserve)} is left`
  }
}
const sentence = (words: string): string => `${words[0]!.toUpperCase()}${words.slice(1)}.`
