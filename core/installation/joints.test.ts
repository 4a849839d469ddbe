import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lineOfKind } from '../circuit'
import type { End } from '../fitting'
import { alongOf, fromArchetype, jointAt, jointPlaces, withChosen, withJoint, withLines } from '.'

const end = (thread: string): End => ({ thread, gender: 'male', seat: 'doubleFlare' })
const car = fromArchetype('small-car')
const known = (['masterOutlet', 'line.0', 'slavePort'] as const).reduce(
  (one, at, i) => withJoint(one, at, { a: end(`M1${i}x1`), b: end(`M2${i}x1`), access: `from ${at}` }),
  withJoint(car, 'feed', { a: { thread: null, gender: 'male', seat: 'hoseBarb' } }),
)
const told = (one: typeof car) =>
  jointPlaces(one).map((at) => {
    const { a, b, access } = jointAt(one, at)
    return `${at} ${a?.thread ?? '-'} ${b?.thread ?? '-'} ${access ?? ''}`.trim()
  })

describe('joints of an installation', () => {
  it('are those of its lines, with feed and bleed screw', () => {
    expect(jointPlaces(car)).toEqual(['feed', 'masterOutlet', 'line.0', 'slavePort', 'bleeder'])
    const none = { ...car, slave: { ...car.slave, bleeder: { kind: 'none' as const } } }
    expect(jointPlaces(none)).not.toContain('bleeder')
    expect(jointAt(car, 'slavePort')).toEqual({ at: 'slavePort', a: null, b: null })
    expect(
      ['feed', 'masterOutlet', 'line.0', 'slavePort'].map((at) => alongOf(car, at as 'feed')),
    ).toEqual([null, 0, 700, 1000])
  })

  it('keep what is known of one end when the other is told', () => {
    const both = withJoint(withJoint(car, 'line.0', { a: end('M10x1') }), 'line.0', { b: end('M12x1') })
    expect(told(both)[2]).toBe('line.0 M10x1 M12x1')
  })

  it('go with their lines: put in, taken out, replaced', () => {
    const braided = lineOfKind('braided', 200)
    expect(told(withLines(known, { act: 'insert', index: 1, line: braided }))).toEqual([
      'feed - -',
      'masterOutlet M10x1 M20x1 from masterOutlet',
      'line.0 M11x1 -',
      'line.1 - M21x1',
      'slavePort M12x1 M22x1 from slavePort',
      'bleeder - -',
    ])
    expect(told(withLines(known, { act: 'remove', index: 0 }))).toEqual([
      'feed - -',
      'masterOutlet M10x1 M21x1',
      'slavePort M12x1 M22x1 from slavePort',
      'bleeder - -',
    ])
    expect(told(withLines(known, { act: 'replace', index: 1, line: braided }))).toEqual([
      'feed - -',
      'masterOutlet M10x1 M20x1 from masterOutlet',
      'line.0 M11x1 -',
      'slavePort - M22x1',
      'bleeder - -',
    ])
  })

  it('are as they were once a line is put in and taken out again', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2 }), (index) => {
        const more = withLines(known, { act: 'insert', index, line: lineOfKind('braided', 200) })
        const back = withLines(more, { act: 'remove', index })
        expect(told(back).map((one) => one.split(' ').slice(0, 3))).toEqual(
          told(known).map((one) => one.split(' ').slice(0, 3)),
        )
      }),
    )
  })
})

describe('what is chosen from a list', () => {
  it('is kept beside what is not known yet', () => {
    const studs = withChosen(car, 'mounts.master', 'studs')
    expect(studs.mounts).toEqual({ master: 'studs', slave: null })
    expect(withChosen(studs, 'slave.faces', 'back')).toMatchObject({
      mounts: { master: 'studs', slave: null },
      slave: { faces: 'back' },
    })
  })
  it.each([
    ['mounts.slave', 'glue', /must be bolts, studs, inHousing/],
    ['slave.colour', 'red', /no choice/],
  ])('%s cannot be %s', (path, value, words) => {
    expect(() => withChosen(car, path, value)).toThrow(words)
  })
})
