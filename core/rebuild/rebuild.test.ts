import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { InputError } from '../circuit'
import {
  BORE_LIMITS,
  boreReasonWords,
  FACINGS,
  judgeBore,
  LUBRICANTS,
  playedBack,
  SEAL_GREASE,
  SURFACES,
  USUAL_PIECES,
  type BoreQuestion,
  type RebuildPiece,
} from '.'

const asked = (more: Partial<BoreQuestion> = {}): BoreQuestion => ({
  nominal: 19.05,
  surface: 'clean',
  ...more,
})
const mm = (value: number) => `${value.toFixed(2)} mm`

describe('a bore that is to be rebuilt', () => {
  // Written before it was run; both sides of every limit.
  it.each<[string, Partial<BoreQuestion>, 'pass' | 'reject' | 'notTold']>([
    ['clean, nothing measured', {}, 'pass'],
    ['clean, as new', { bore: 19.06, piston: 18.98 }, 'pass'],
    ['clearance at its limit', { bore: 19.1, piston: 18.95 }, 'pass'],
    ['clearance over it', { bore: 19.1, piston: 18.94 }, 'reject'],
    ['bore at its limit', { bore: 19.15 }, 'pass'],
    ['bore over it', { bore: 19.16 }, 'reject'],
    ['bore under nominal', { bore: 18.9 }, 'notTold'],
    ['a step', { surface: 'step' }, 'reject'],
    ['a pit', { surface: 'pit' }, 'reject'],
    ['rust', { surface: 'rust' }, 'reject'],
    ['a pit where no cup runs', { surface: 'pit', swept: false }, 'pass'],
    ['a pit where no cup runs, in a worn bore', { surface: 'pit', swept: false, bore: 19.2 }, 'reject'],
    ['a stain that wipes off', { surface: 'stain', wipesOff: true }, 'pass'],
    ['a stain that stays', { surface: 'stain', wipesOff: false }, 'notTold'],
    ['a stain nobody wiped', { surface: 'stain' }, 'notTold'],
    ['a stain nobody wiped, in a worn bore', { surface: 'stain', bore: 19.2 }, 'reject'],
    ['a piston of another size', { bore: 19.05, piston: 17.46 }, 'reject'],
  ])('%s', (_, more, verdict) => {
    const judged = judgeBore(asked(more))
    expect(judged.verdict).toBe(verdict)
    expect(judged.reasons.length).toBeGreaterThan(0)
    for (const reason of judged.reasons) expect(boreReasonWords(reason, mm)).toMatch(/[.?]$/)
  })

  it('says by how much', () => {
    const judged = judgeBore(asked({ bore: 19.2, piston: 18.95 }))
    expect(judged.clearance).toBeCloseTo(0.25, 9)
    expect(judged.reasons.map((one) => boreReasonWords(one, mm))[0]).toBe(
      'Piston loose in its bore by 0.25 mm; over 0.15 mm is rejected. The lip is drawn into a wider gap, and tears.',
    )
  })

  it.each([
    [{ nominal: 5 }, '/nominal'],
    [{ bore: 25 }, '/bore'],
    [{ piston: 12 }, '/piston'],
    [{ bore: 19.05, piston: 19.1 }, '/piston'],
    [{ bore: NaN }, '/bore'],
  ])('refuses %j and names the field', (more, path) => {
    try {
      judgeBore(asked(more))
      expect.unreachable()
    } catch (error) {
      expect(error).toBeInstanceOf(InputError)
      expect((error as InputError).path).toBe(path)
    }
  })

  it('never passes a bore that is worse than one that it rejects', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 18.9, max: 19.6, noNaN: true }),
        fc.double({ min: 0, max: 0.4, noNaN: true }),
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        fc.constantFrom(...SURFACES),
        (bore, gap, more, surface) => {
          const one = judgeBore(asked({ bore, piston: bore - gap, surface }))
          const worse = judgeBore(asked({ bore: bore + more, piston: bore - gap, surface }))
          if (one.verdict === 'reject') expect(worse.verdict).toBe('reject')
          const { over, clearance } = BORE_LIMITS
          if (bore - 19.05 > over.limit + 0.001 || gap > clearance.limit + 0.001)
            expect(one.verdict).toBe('reject')
        },
      ),
    )
  })
})

describe('pieces of a cylinder', () => {
  const piece = (order: number, verdict: RebuildPiece['verdict'] = 'reuse'): RebuildPiece => ({
    cylinder: 'master',
    order,
    piece: `piece ${order}`,
    facing: 'closed',
    verdict,
  })

  it('go back in reverse, with a new one for what is not used again', () => {
    expect(
      playedBack([piece(2, 'renew'), piece(1), piece(3, 'reject')]).map(({ order, from, step }) => [
        step,
        order,
        from,
      ]),
    ).toEqual([
      [1, 3, 'new'],
      [2, 2, 'new'],
      [3, 1, 'old'],
    ])
  })

  it('lose nothing and turn nothing round on the way', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.tuple(fc.integer({ min: 1, max: 40 }), fc.constantFrom(...FACINGS)), {
          selector: ([order]) => order,
          maxLength: 20,
        }),
        (list) => {
          const pieces = list.map(([order, facing]) => ({ ...piece(order), facing }))
          const back = playedBack(pieces)
          expect(back.map(({ order }) => order)).toEqual(
            pieces.map(({ order }) => order).sort((a, b) => b - a),
          )
          for (const { order, facing } of back)
            expect(facing).toBe(pieces.find((one) => one.order === order)!.facing)
        },
      ),
    )
  })

  it('have what they are put in with, each with its reason, and every lip of the usual ones is there', () => {
    for (const { gets, reason } of SEAL_GREASE) {
      expect(LUBRICANTS).toContain(gets)
      expect(reason).toMatch(/\.$/)
    }
    for (const { piece: name, lip } of [...USUAL_PIECES.master, ...USUAL_PIECES.slave])
      if (lip) expect(SEAL_GREASE.find((one) => one.piece === name)?.gets).toBe('fluid')
  })
})
