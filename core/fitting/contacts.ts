import type { Format } from '../quantity'
import { SEAL_WORDS, SEAT_WORDS, type Joint } from './join'
import type { End } from './end'

/** One place at which two ends meet, and whether they do so rightly; null where it is not known. */
export interface Contact {
  at: 'thread' | 'seat' | 'pipe' | 'nut' | 'held' | 'latch' | 'seal'
  holds: boolean | null
  words: string
}

/** Where two ends meet, place by place, with what touches and what does not, in the units of whoever reads. */
export function contactsOf(a: End, b: End, joint: Joint, format: Format): Contact[] {
  const mm = (value: number) => format.figure(value, 'mm')
  const list: Contact[] = []
  const because = (...codes: string[]) => joint.reasons.find(({ code }) => codes.includes(code))
  const say = (at: Contact['at'], holds: boolean | null, words: string) =>
    list.push({ at, holds, words })

  if (a.thread !== null || b.thread !== null) {
    const wrong = because('thread', 'lookAlike', 'gender')
    if (wrong) say('thread', false, wrong.words)
    else say('thread', true, `${a.thread} runs in ${b.thread} by the fingers.`)
  } else if (because('gender')) say('thread', false, because('gender')!.words)

  const seat = because('seat')
  say(
    'seat',
    !seat,
    seat ? seat.words : `${capital(SEAT_WORDS[a.seat])} on ${SEAT_WORDS[b.seat]}: seals.`,
  )

  const pipe = because('tube')
  const [one, other] = [a.tube ?? a.bore, b.tube ?? b.bore]
  if (one !== undefined && other !== undefined)
    say(
      'pipe',
      !pipe,
      pipe ? `${mm(one)} does not go with ${mm(other)}.` : 'Pipe and bore are of one size.',
    )

  const short = because('nutShort')
  if (short)
    say(
      'nut',
      false,
      `The nut’s thread ends ${mm(short.limit! - short.figure!)} before it presses the flare home.`,
    )
  else if (joint.engaged) say('nut', true, 'The nut presses the flare home before its thread ends.')

  const little = because('engagement')
  if (little)
    say('held', false, `${mm(little.figure!)} of thread hold; ${mm(little.limit!)} is the least.`)
  else if (joint.engaged)
    say(
      'held',
      true,
      `${mm(joint.engaged.length)} of thread hold, ${joint.engaged.turns.toFixed(1)} turns; ${mm(joint.engaged.limit)} is the least.`,
    )
  else if (because('notKnown')) say('held', null, because('notKnown')!.words)

  const latch = because('profile')
  if (latch) say('latch', false, latch.words)
  const lacking = because('seal')
  if (joint.needs.length > 0)
    say(
      'seal',
      lacking ? false : true,
      lacking ? lacking.words : `New: ${joint.needs.map((one) => SEAL_WORDS[one]).join(', ')}.`,
    )
  return list
}
const capital = (words: string): string => `${words[0]!.toUpperCase()}${words.slice(1)}`
