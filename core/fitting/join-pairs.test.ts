import { describe, expect, it } from 'vitest'
import pairs from './join-pairs.json'
import { join, MATERIALS, type End, type Gender, type Material, type Seal, type Seat } from '.'

/** An end as the list writes it: thread, gender, seat, then t pipe, b bore, n nut/nose, d depth, c counterbore, p= make, material. */
function endOf(text: string): End {
  const at = text.search(/ [mfn] /)
  const [gender, seat, ...rest] = text.slice(at + 1).split(' ')
  const thread = text.slice(0, at)
  const end: End = {
    thread: thread === '-' ? null : thread,
    gender: ({ m: 'male', f: 'female', n: 'none' } as Record<string, Gender>)[gender!]!,
    seat: seat as Seat,
  }
  for (const word of rest.filter(Boolean)) {
    const figure = Number(word.slice(1))
    if (MATERIALS.includes(word as Material)) end.material = word as Material
    else if (word.startsWith('p=')) end.profile = word.slice(2)
    else if (word.startsWith('t')) end.tube = figure
    else if (word.startsWith('b')) end.bore = figure
    else if (word.startsWith('d')) end.depth = figure
    else if (word.startsWith('c')) end.counterbore = figure
    else if (word.startsWith('n')) {
      const [length, lead] = word.slice(1).split('/').map(Number)
      end.nut = { length: length!, ...(lead !== undefined && { lead }) }
    } else throw new Error(`what is ${word}?`)
  }
  return end
}
interface Pair {
  a: string
  b: string
  codes: string[]
  starts?: boolean | null
  turns?: number | 'never'
  engaged?: number
  needs?: string[]
  atHand?: Seal[]
}
const REFUSES = /^(thread|lookAlike|gender|seat|tube|nutShort|engagement|profile)$/

describe('pairs that were judged by hand', () => {
  it('are more than a hundred', () => expect(pairs.length).toBeGreaterThan(100))
  it.each((pairs as Pair[]).map((pair) => [`${pair.a} | ${pair.b}`, pair] as const))(
    '%s',
    (_, pair) => {
      for (const [a, b] of [
        [pair.a, pair.b],
        [pair.b, pair.a],
      ] as const) {
        const joint = join(endOf(a), endOf(b), pair.atHand)
        expect(joint.reasons.map(({ code }) => code)).toEqual(pair.codes)
        const refused = pair.codes.some((code) => REFUSES.test(code))
        expect(joint.verdict).toBe(
          refused ? 'refused' : pair.codes.includes('seal') ? 'joinsWith' : 'joins',
        )
        if (pair.starts !== undefined) expect(joint.starts).toBe(pair.starts)
        if (pair.turns === 'never') expect(joint.lookAlike!.turns).toBeNull()
        else if (pair.turns !== undefined)
          expect(Math.abs(joint.lookAlike!.turns! - pair.turns)).toBeLessThan(0.06)
        if (pair.engaged !== undefined) expect(joint.engaged!.length).toBeCloseTo(pair.engaged, 9)
        if (pair.needs !== undefined) expect(joint.needs).toEqual(pair.needs)
      }
    },
  )
})
