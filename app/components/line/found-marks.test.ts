import { describe, expect, it } from 'vitest'
import { FAULTS, type SuspectTold } from '../../../core/diagnosis'
import { ARCHETYPES, fromArchetype } from '../../../core/installation'
import type { Found } from '../../../core/journal'
import { isOnName, leakMarks, stripParts, suspectMarks, WET_PLACES } from './found-marks'
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

  it.each(ARCHETYPES.map(({ id }) => id))('no figure stands on the name of a hose: %s', (kind) => {
    for (const wide of [680, 800, WIDE]) {
      const installation = fromArchetype(kind)
      const span = spanOf(installation, 0)
      const drawing = drawLine(installation, wide, HIGH, { noseUp: 0, span, inch: false })
      for (const { id } of FAULTS) {
        const [mark] = suspectMarks(drawing, [suspect(id, 0.5)])
        if (mark!.label.anchor === 'middle') expect(isOnName(drawing, mark!.label), id).toBe(false)
      }
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

describe('the line folded to a strip', () => {
  const held = (finding: keyof Found) => ({
    payload: { finding, state: 'present' as const, phase: 'asFound' as const },
    ...{ id: '', at: '', by: '', sent: true, corrections: [] },
  })
  it('keeps each wet place, a low level and the likeliest suspect at its part', () => {
    const found: Found = {
      levelLow: held('levelLow'),
      bootWet: held('bootWet'),
      hoseDamp: held('hoseDamp'),
    }
    const parts = stripParts(found, [suspect('masterBypass', 0.6), suspect('masterRearLeak', 0.3)])
    expect(parts).toEqual([
      { place: 'reservoir', wet: ['level low'], chance: null },
      { place: 'master', wet: [], chance: 0.6 },
      { place: 'line', wet: ['hose damp'], chance: null },
      { place: 'slave', wet: ['boot wet'], chance: null },
      { place: 'bleeder', wet: [], chance: null },
    ])
  })

  it('loses nothing that the open line shows: every wet place is on both', () => {
    const drawing = drawingOf('long-line')
    for (const [id, , words] of WET_PLACES) {
      const found: Found = { [id]: held(id) }
      expect(leakMarks(drawing, found).map((mark) => mark.words)).toEqual([words])
      expect(stripParts(found, []).flatMap(({ wet }) => wet)).toEqual([words])
    }
    for (const { id } of FAULTS)
      expect(
        stripParts(undefined, [suspect(id, 0.5)]).filter(({ chance }) => chance === 0.5),
      ).toHaveLength(1)
  })
})
