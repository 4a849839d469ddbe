import { describe, expect, it } from 'vitest'
import { solveCircuit } from '../../../core/circuit'
import { ARCHETYPES, crestsOf, fromArchetype, withMeasured } from '../../../core/installation'
import { formatOf } from '../../../core/quantity'
import { pistonsOf, pocketPath } from './line-geometry'
import { bleederWords, partWords } from './part-words'

const f = formatOf('metric')
const van = fromArchetype('long-line')

describe('the circuit as a list of parts', () => {
  it('names every part with its figures, in the fluid’s own order', () => {
    const words = partWords(van, f)
    expect(words.map(({ id }) => id)).toEqual([
      'pedal',
      'reservoir',
      'master',
      'line0',
      'line1',
      'slave',
      'linkage',
      'cover',
    ])
    const [crest] = crestsOf(van)
    expect(words[3]!.figures).toContain(
      `a crest 150 mm over the master, ${f.volume(crest!.toBleeder)} or ${crest!.strokes.toFixed(1)} strokes before the bleeder`,
    )
    expect(words[4]!.figures).toContain('380 mm long')
    expect(words[5]!.figures).toContain(
      '1830 mm along the line, −200 mm over the master, bleeder at top',
    )
  })

  it('says shared, no bleed screw, off top and clipped where it is so', () => {
    const bus = fromArchetype('concentric')
    expect(partWords(bus, f)[1]!.figures).toContain('shared with the brakes')
    expect(bleederWords(bus)).toBe('bleeder 25° off top')
    expect(bleederWords({ ...bus, slave: { ...bus.slave, bleeder: { kind: 'none' } } })).toBe(
      'no bleed screw',
    )
    const closed = { ...van, slave: { ...van.slave, bleeder: { kind: 'none' as const } } }
    expect(partWords(closed, f)[3]!.figures).toContain('strokes before the slave')
    const clipped = { ...van, route: van.route.map((point, i) => ({ ...point, clip: i === 3 })) }
    expect(partWords(clipped, f)[3]!.figures).toContain('150 mm, clipped')
  })

  it('nose up changes the heights and may make or lose a crest', () => {
    const tractor = fromArchetype('tractor')
    expect(partWords(tractor, f, 15).find(({ id }) => id === 'slave')!.figures).not.toBe(
      partWords(tractor, f).find(({ id }) => id === 'slave')!.figures,
    )
  })

  it('reads in inches without a millimetre left', () => {
    for (const { id } of ARCHETYPES)
      for (const { figures } of partWords(fromArchetype(id), formatOf('inch')))
        expect(figures).not.toMatch(/\b(mm|ml|bar)\b/)
  })
})

describe('pistons as they are drawn', () => {
  it('stand where the pad has pushed them', () => {
    const { travel } = van.circuit.pedal
    const rest = pistonsOf(van, solveCircuit(van.circuit, 0).at, 0)
    const full = pistonsOf(van, solveCircuit(van.circuit).at, travel)
    expect(rest).toMatchObject({ master: 0, portShut: false, masterAtEnd: false, slaveAtEnd: false })
    expect(full.master).toBeCloseTo((travel / 6 - 0.4) / 30, 9)
    expect(full.slave).toBeGreaterThan(0.5)
    const short = withMeasured(van, 'slave.stroke', 9)
    expect(pistonsOf(short, solveCircuit(short.circuit).at, travel).slaveAtEnd).toBe(true)
    const small = withMeasured(van, 'master.stroke', 15)
    expect(pistonsOf(small, solveCircuit(small.circuit).at, travel)).toMatchObject({
      master: 1,
      masterAtEnd: true,
    })
    const held = withMeasured(van, 'master.pushrodClearance', -2)
    expect(pistonsOf(held, null, 0).portShut).toBe(true)
  })

  it('a bleeder at the top leaves no pocket, one at the side leaves half', () => {
    expect(pocketPath(15, 0)).toBe('')
    expect(pocketPath(15, 90)).toMatch(/^M-15 /)
  })
})
