import { describe, expect, it } from 'vitest'
import { readCircuit, solveCircuit, strokeVolume } from '../circuit'
import {
  ARCHETYPES,
  assumedFigures,
  crestsOf,
  fromArchetype,
  lengthOfLines,
  spreadOf,
  uncertaintyOf,
  valueAt,
  volumeBetween,
  withMeasured,
} from '.'

describe('archetypes', () => {
  it.each(ARCHETYPES.map((one) => [one.id, one] as const))(
    '%s releases, with every range round its own value',
    (id, one) => {
      const { circuit, route } = one.installation
      expect(() => readCircuit(circuit)).not.toThrow()
      const solved = solveCircuit(circuit)
      expect(solved.releases).toBe(true)
      expect(solved.reserve).toBeGreaterThan(10)
      expect(solved.fullClamp).toBeGreaterThan(0)
      expect(route[0]!.along).toBe(0)
      expect(route.at(-1)!.along).toBe(lengthOfLines(circuit))
      for (const { path, low, high, reason } of one.ranges) {
        expect(reason.length).toBeGreaterThan(10)
        expect(low).toBeLessThan(high)
        const factor = path === 'load' || path === 'expansion'
        const value = factor ? 1 : valueAt(one.installation, path)
        expect(value, path).toBeGreaterThanOrEqual(low)
        expect(value, path).toBeLessThanOrEqual(high)
      }
      expect(assumedFigures(fromArchetype(id))).toHaveLength(one.ranges.length)
      expect(fromArchetype(id).assumed).toContain('route')
    },
  )

  it('are at least four, and an unknown one is refused', () => {
    expect(ARCHETYPES.length).toBeGreaterThanOrEqual(4)
    expect(() => fromArchetype('spaceship')).toThrow(/no archetype spaceship/)
  })
})

describe('what is assumed', () => {
  const start = fromArchetype('long-line')
  const reserve = (installation = start) => {
    const spread = spreadOf(installation, (circuit) => solveCircuit(circuit).reserve)!
    return spread.high - spread.low
  }

  it('widens every answer, and each measurement narrows it', () => {
    const ratio = withMeasured(start, 'pedal.ratio', 6)
    const bore = withMeasured(ratio, 'master.bore', 15.87)
    expect(reserve(ratio)).toBeLessThan(reserve())
    expect(reserve(bore)).toBeLessThan(reserve(ratio))
    expect(bore.assumed).toHaveLength(start.assumed.length - 2)
  })

  it('a measured field still has its measuring error', () => {
    const names = (installation: typeof start) =>
      uncertaintyOf(installation).map(({ name, sigma }) => `${name} ${sigma.toFixed(3)}`)
    expect(names(start)).toContain('master.portClosure 0.243')
    expect(names(withMeasured(start, 'master.portClosure', 1.1))).toContain('master.portClosure 0.150')
    expect(
      uncertaintyOf(withMeasured(start, 'pedal.travel', 155)).map(({ name }) => name),
    ).not.toContain('pedal.travel')
  })

  it('a line’s new length moves the route with it', () => {
    const longer = withMeasured(start, 'lines.1.length', 480)
    expect(longer.route.at(-1)!.along).toBe(1930)
    expect(longer.route[4]).toEqual(start.route[4])
  })
})

describe('crests', () => {
  const installation = fromArchetype('long-line')

  it('are level runs with lower line on both sides, with their volume to the bleeder', () => {
    const [crest, ...more] = crestsOf(installation)
    expect(more).toEqual([])
    expect(crest!.along).toBe(740)
    // 710 mm of 3.35 mm bore and 380 mm of 3.2 mm: 6258 + 3056 mm³.
    expect(crest!.toBleeder).toBeCloseTo((Math.PI / 4) * (3.35 ** 2 * 710 + 3.2 ** 2 * 380), 6)
    expect(crest!.strokes).toBeCloseTo(crest!.toBleeder / strokeVolume(installation.circuit), 9)
  })

  it('a line that only falls has none', () => {
    expect(crestsOf(fromArchetype('light-truck'))).toEqual([])
    expect(volumeBetween(installation.circuit, 100, 100)).toBe(0)
  })
})
