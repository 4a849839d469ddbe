import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { solveCircuit } from '../../../core/circuit'
import { fromArchetype } from '../../../core/installation'
import { everydayCircuit } from '../../../tests/arbitrary/circuit'
import { labelsOf, padFigure, piecesOf, ticksTo, type Piece } from './pad-ladder'

const sum = (pieces: readonly Piece[]) => pieces.reduce((all, { size }) => all + size, 0)

describe('the ladder’s pieces', () => {
  it('stand on one another and add up to the travel that frees the disc', () => {
    fc.assert(
      fc.property(everydayCircuit, (circuit) => {
        const solution = solveCircuit(circuit)
        const pieces = piecesOf(solution)
        pieces.forEach(({ from, to, size }, i) => {
          expect(to - from).toBeCloseTo(size, 9)
          if (i > 0) expect(from - pieces[i - 1]!.to).toBeLessThan(0.5)
        })
        // Terms too thin to draw are all that may be missing.
        const missing = solution.pedalTravelAtRelease - sum(pieces)
        expect(missing).toBeGreaterThan(-1e-6)
        expect(missing).toBeLessThan(0.05 * 9)
      }),
      { numRuns: 60 },
    )
  })

  it('a rod that holds the piston in takes from the port and is no piece of its own', () => {
    const { circuit } = fromArchetype('small-car')
    const { portClosure } = circuit.master
    const held = { ...circuit, master: { ...circuit.master, pushrodClearance: -portClosure / 2 } }
    const solution = solveCircuit(held)
    const pieces = piecesOf(solution)
    expect(pieces.map(({ name }) => name)).not.toContain('rodClearance')
    expect(pieces[0]!.name).toBe('portClosure')
    expect(pieces[0]!.from).toBe(0)
    expect(pieces[0]!.size).toBeCloseTo((circuit.pedal.ratio * portClosure) / 2, 9)
    expect(sum(pieces)).toBeCloseTo(solution.pedalTravelAtRelease, 0)
  })
})

describe('a figure on the ladder', () => {
  it('has tenths of a millimetre, none where coarse, or hundredths of an inch', () => {
    expect(padFigure(12.34, 'metric')).toBe('12.3')
    expect(padFigure(12.34, 'metric', true)).toBe('12')
    expect(padFigure(12.7, 'inch')).toBe('0.50')
    expect(padFigure(12.7, 'inch', true)).toBe('0.50')
  })
})

describe('the ladder’s labels', () => {
  const piece = (from: number, to: number): Piece => ({
    name: 'air',
    label: 'air',
    from,
    to,
    size: to - from,
  })

  it('leave a finger’s room between them, in the order of their pieces', () => {
    const labels = labelsOf([piece(0, 2), piece(2, 3), piece(3, 90)], (mm) => 4 * mm, 500)
    expect(labels.map(({ at }) => at)).toEqual([4, 48, 186])
    for (const { half } of labels) expect(2 * half).toBeGreaterThanOrEqual(36)
  })

  it('keep clear of the floor', () => {
    const [label] = labelsOf([piece(90, 110)], (mm) => 4 * mm, 405)
    expect(label!.at).toBe(405 - 44)
  })
})

describe('the ladder’s ticks', () => {
  it('are centimetres with every fifth named, or half inches with every second inch named', () => {
    const metric = ticksTo(104, false)
    expect(metric).toHaveLength(11)
    expect(metric.filter(({ words }) => words).map(({ words }) => words)).toEqual(['0', '50', '100'])
    const inch = ticksTo(104, true)
    expect(inch.at(-1)!.mm).toBeCloseTo(101.6, 9)
    expect(inch.filter(({ words }) => words).map(({ words }) => words)).toEqual(['0', '2', '4'])
  })
})
