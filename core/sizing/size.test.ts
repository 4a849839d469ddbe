import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lineOfKind, pressCurve, solveCircuit, type Circuit } from '../circuit'
import { ARCHETYPES, fromArchetype } from '../installation'
import { answerSize } from '.'

const circuit: Circuit = { ...fromArchetype('small-car').circuit, air: 0 }
const one = (masters: object, slaves: object, more: object = {}) =>
  answerSize({ circuit, masters: [masters], slaves: [slaves], ...more }).options[0]!

describe('sizing', () => {
  it.each([
    [15.87, 20.64, 107.8, 32.8, 26.8, 'fits'],
    [15.87, 22.2, 95.4, 18.3, 11.2, 'waitForBedding'],
    [15.87, 23.81, 85.2, 1.9, -6.2, 'tooLow'],
    [17.46, 22.2, 112, 38.9, 33.1, 'fits'],
  ] as const)('%d over %d on the small car', (master, slave, force, reserve, onNew, advice) => {
    const option = one({ bore: master }, { bore: slave })
    expect(Math.abs(option.padForcePeak - force)).toBeLessThan(0.06)
    expect(Math.abs(option.reserve - reserve)).toBeLessThan(0.06)
    expect(Math.abs(option.newDisc.reserve - onNew)).toBeLessThan(0.06)
    expect(option.advice).toBe(advice)
  })

  it('is each circuit solved on its own, with the parts in it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ARCHETYPES.map(({ id }) => id)),
        fc.double({ min: 14, max: 25, noNaN: true }),
        fc.double({ min: 18, max: 28, noNaN: true }),
        fc.double({ min: 4, max: 7, noNaN: true }),
        (id, bore, wide, ratio) => {
          const base = fromArchetype(id).circuit
          const slave = { bore: wide, rodExtension: 2 }
          const [option] = answerSize({
            circuit: base,
            masters: [{ bore }],
            slaves: [slave],
            ratios: [ratio],
          }).options as [ReturnType<typeof one>]
          const made: Circuit = {
            ...base,
            pedal: { ...base.pedal, ratio },
            master: { ...base.master, bore },
            slave: {
              type: 'external',
              bore: wide,
              stroke: base.slave.stroke + 2,
              springPreload: base.slave.springPreload ?? 0,
              sealFriction: base.slave.sealFriction ?? 0,
            },
          }
          const solved = solveCircuit(made)
          expect(option.reserve).toBeCloseTo(solved.reserve, 9)
          expect(option.rodStroke).toBeCloseTo(solved.at.rodStroke, 9)
          const airy = solveCircuit({ ...made, air: made.air + 1000 })
          expect(option.withAir).toEqual({ releases: airy.releases, reserve: airy.reserve })
          expect(option.worst.reserve).toBe(
            Math.min(
              option.reserve,
              option.withAir.reserve,
              option.newDisc.reserve,
              option.newDiscWithAir.reserve,
            ),
          )
          // No point of a fine curve up to the stops is heavier than the peak.
          const end = Math.min(
            made.pedal.travel,
            ratio *
              (Math.max(made.master.pushrodClearance, -made.master.portClosure) + made.master.stroke),
          )
          for (const point of pressCurve(made, 300).down)
            if (point.padTravel <= end && point.slaveTravel < made.slave.stroke)
              expect(point.pedalForce).toBeLessThanOrEqual(option.padForcePeak + 1e-6)
        },
      ),
      { numRuns: 40 },
    )
  })

  it('stands in the order of masters, slaves, ratios and lines', () => {
    const lines = [circuit.lines, [lineOfKind('braided', 400)]]
    const { options, present } = answerSize({
      circuit,
      masters: [{ bore: 15.87 }, { bore: 17.46 }],
      slaves: [{ bore: 20.64 }, { bore: 22.2 }],
      ratios: [5, 6],
      lines,
    })
    expect(options).toHaveLength(16)
    expect(
      options.map(({ master, slave, ratio, lines: at }) => [master.bore, slave.bore, ratio, at]),
    ).toEqual(
      [15.87, 17.46].flatMap((m) =>
        [20.64, 22.2].flatMap((s) => [5, 6].flatMap((r) => [0, 1].map((at) => [m, s, r, at]))),
      ),
    )
    expect(present).toMatchObject({
      master: { bore: circuit.master.bore, stroke: circuit.master.stroke },
      lines: null,
    })
  })

  it('leaves room for wear, or says that there is too little', () => {
    const { forkRatio } = circuit.linkage
    const enough = one({ bore: 15.87 }, { bore: 20.64 }, { room: 12 })
    expect(enough.roomLeft).toBeCloseTo(12 - 1.5 * 3.5 * forkRatio, 9)
    expect(enough.clampWorn).toBe('full')
    const longer = one({ bore: 15.87 }, { bore: 20.64, rodExtension: 5 }, { room: 12 })
    expect(longer.roomLeft).toBeCloseTo(enough.roomLeft! - 5, 9)
    const own = one({ bore: 15.87 }, { bore: 20.64, room: 1 }, { room: 12 })
    expect(own.roomLeft).toBeLessThan(0)
    expect([own.advice, own.front]).toEqual(['tooLittleRoom', false])
    const unknown = one({ bore: 15.87 }, { bore: 20.64 })
    expect([unknown.roomLeft, unknown.clampWorn]).toEqual([null, null])
  })

  it('marks as front what no other beats, and nothing that does not stand', () => {
    const { options } = answerSize({
      circuit,
      masters: [14, 15.87, 17.46, 19.05].map((bore) => ({ bore })),
      slaves: [19.05, 20.64, 22.2, 23.81].map((bore) => ({ bore })),
      mostForce: 115,
    })
    const front = options.filter((option) => option.front)
    expect(front.length).toBeGreaterThan(1)
    for (const option of front) {
      expect(option.worst.releases).toBe(true)
      expect(option.padForcePeak).toBeLessThanOrEqual(115)
      for (const other of options)
        if (other.worst.releases && other.padForcePeak <= 115)
          expect(
            other.padForcePeak < option.padForcePeak - 1e-6 &&
              other.worst.reserve > option.worst.reserve + 1e-6,
          ).toBe(false)
    }
    for (const option of options) if (option.padForcePeak > 115) expect(option.front).toBe(false)
  })

  it.each([
    [{ circuit, masters: [], slaves: [{ bore: 20 }] }, '/masters'],
    [{ circuit, masters: [{ bore: 15 }], slaves: [{}] }, '/slaves/0'],
    [{ circuit, masters: [{ bore: 15 }], slaves: [{ outer: 50 }] }, '/slaves/0'],
    [{ circuit, masters: [{ bore: 'x' }], slaves: [{ bore: 20 }] }, '/masters/0/bore'],
    [{ circuit, masters: [{ bore: 15 }], slaves: [{ bore: 20 }], wear: -1 }, '/wear'],
    [{ circuit, masters: [{ bore: 15 }], slaves: [{ bore: 20 }], hue: 1 }, '/hue'],
    [
      { circuit, masters: [{ bore: 15 }], slaves: [{ bore: 20 }], lines: [[{ kind: 'steel' }]] },
      '/lines/0/0/length',
    ],
  ])('refuses what is no question, by its path: %#', (input, path) => {
    expect(() => answerSize(input)).toThrow(expect.objectContaining({ path }) as Error)
  })
})
