import { describe, expect, it } from 'vitest'
import { FAULTS, type SuspectTold } from '../../../core/diagnosis'
import { ARCHETYPES, fromArchetype } from '../../../core/installation'
import { leakMarks, suspectMarks } from './found-marks'
import { drawLine, spanOf } from './line-geometry'

const WIDE = 960
const HIGH = 230
const drawingOf = (kind: string) => {
  const installation = fromArchetype(kind)
  return drawLine(installation, WIDE, HIGH, { noseUp: 0, span: spanOf(installation, 0), inch: false })
}
const suspect = (fault: SuspectTold['fault'], chance: number): SuspectTold => ({
  fault,
  chance,
  explains: chance,
  severity: null,
  reasons: [],
})

describe('suspects on the line', () => {
  it.each(ARCHETYPES.map(({ id }) => id))('each fault has its place on the drawing: %s', (kind) => {
    const drawing = drawingOf(kind)
    for (const { id } of FAULTS) {
      const [mark] = suspectMarks(drawing, [suspect(id, 0.5)])
      expect(mark!.x, id).toBeGreaterThan(0)
      expect(mark!.x, id).toBeLessThan(WIDE)
      expect(mark!.y, id).toBeGreaterThan(0)
      expect(mark!.y, id).toBeLessThan(HIGH)
    }
  })

  it('two at one place share the ring of the likelier', () => {
    const marks = suspectMarks(drawingOf('long-line'), [
      suspect('masterBypass', 0.6),
      suspect('masterRearLeak', 0.3),
      suspect('slaveLeak', 0.2),
    ])
    expect(marks.map(({ id, chance }) => [id, chance])).toEqual([
      ['masterBypass', 0.6],
      ['slaveLeak', 0.2],
    ])
    expect(marks[0]!.x).toBeLessThan(marks[1]!.x)
  })
})

describe('wet places on the line', () => {
  it('only what was found is drawn', () => {
    const held = (state: 'present' | 'absent') => ({
      payload: { finding: 'bootWet' as const, state, phase: 'asFound' as const },
      id: '',
      at: '',
      by: '',
      sent: true,
      corrections: [],
    })
    const drawing = drawingOf('small-car')
    expect(leakMarks(drawing, { bootWet: held('present') }).map(({ words }) => words)).toEqual([
      'boot wet',
    ])
    expect(leakMarks(drawing, { bootWet: held('absent') })).toEqual([])
    expect(leakMarks(drawing)).toEqual([])
  })
})
