import { describe, expect, it } from 'vitest'
import { falling, overCrest } from '../../tests/arbitrary/bleed-routes'
import { USUAL_MASTER, USUAL_SLAVE, type BleedPath, type LaidCircuit, type RankAsked } from '.'
import { changed, whatChanges } from './changes'

const asked = (line: BleedPath, more: Partial<LaidCircuit> = {}): RankAsked => ({
  laid: { line, master: USUAL_MASTER, slave: USUAL_SLAVE, shared: false, ...more },
  start: { line: 1.5, slave: 0.8, master: 0.7 },
  target: { value: 0.3, from: 'given', reachable: true },
  people: 2,
  kit: ['hose'],
  set: {},
  noseUp: 0,
  draws: 4,
  seed: 1,
})

describe('what would change a bleed', () => {
  it('over a wide crest: a line that falls, or a narrower one, lets strokes clear it', () => {
    const list = whatChanges(['openPush'], asked(overCrest(6)), 4)
    const of = (change: string) => list.find((one) => one.change === change)!
    expect(of('lineFalls').before.chance).toBeLessThan(0.3)
    expect(of('narrower').chance).toBe(1)
    expect(of('lineFalls').chance).toBeGreaterThanOrEqual(of('lineFalls').before.chance)
    expect(list.map(({ chance }) => chance)).toEqual(
      list.map(({ chance }) => chance).sort((a, b) => b - a),
    )
  })
  it('a screw off the top: turned up, the pocket goes', () => {
    const off = asked(falling(4.9), { slave: { ...USUAL_SLAVE, bleeder: { off: 80 } } })
    const turned = whatChanges(['openPush'], off, 4).find(({ change }) => change === 'slaveTurned')!
    expect([turned.before.chance, turned.chance]).toEqual([0, 1])
  })
  it('offers nothing that is so already', () => {
    const best = asked(falling(3.35))
    for (const change of ['crestLowered', 'lineFalls', 'narrower', 'slaveTurned'] as const)
      expect(changed(best, change)).toBeNull()
    expect(changed(best, 'noseDown')!.noseUp).toBe(-10)
  })
})
