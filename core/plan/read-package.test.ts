import { describe, expect, it } from 'vitest'
import { InputError } from '../circuit'
import { answerPlan, makePlan, PACKAGES, readPackage, readPlan, type Package } from '.'

/** A shop's own way to rinse a hose: on and off again what it puts on. */
const rinse = (): Record<string, unknown> => ({
  $schema: 'urn:mellow-anchor:package:1',
  id: 'own-rinse',
  title: 'Rinse the old hose',
  operation: 'flush',
  brings: ['access'],
  steps: [
    {
      id: 'cover',
      title: 'Cover the sill',
      does: 'A sheet over it.',
      why: 'Fluid lifts paint.',
      place: 'engineBay',
      minutes: [1, 2, 3],
      people: 1,
      puts: ['paintCovered'],
    },
    {
      id: 'rinse',
      title: 'Rinse it through',
      does: 'Clean fluid until it runs clear.',
      why: 'Old slime comes loose later.',
      place: 'engineBay',
      minutes: [5, 8, 12],
      people: 1,
      needs: ['paintCovered'],
      tools: [{ name: 'syringe' }],
      consumables: ['fluid'],
    },
    {
      id: 'uncover',
      title: 'Sheet off',
      does: 'Off, and rinsed.',
      why: 'It is wet.',
      place: 'engineBay',
      minutes: [1, 1, 2],
      people: 1,
      takes: ['paintCovered'],
      after: ['rinse'],
    },
  ],
})
const step = (i: number, more: object) => {
  const pack = rinse()
  const steps = pack.steps as object[]
  steps[i] = { ...steps[i], ...more }
  return pack
}
const without = (i: number, name: string) => {
  const pack = rinse()
  delete (pack.steps as Record<string, unknown>[])[i]![name]
  return pack
}

describe('a package of the shop’s own', () => {
  it('is read as its file has it, and planned beside the usual ones without a breach', () => {
    const pack = readPackage(rinse())
    expect(pack.steps.map(({ id }) => id)).toEqual(['cover', 'rinse', 'uncover'])
    const asked = readPlan({ packages: [{ id: 'renewMaster' }], people: 1, draws: 1 })
    const plan = makePlan({
      ...asked,
      packages: [{ id: 'renewMaster' }, { id: pack.id }],
      own: new Map([[pack.id, pack]]),
    })
    expect(plan.objective.breaches).toBe(0)
    expect(plan.steps.some(({ id }) => id === 'own-rinse.rinse')).toBe(true)
    expect(plan.tools.some(({ name }) => name === 'syringe')).toBe(true)
  })

  it('is unknown to a plan that has not got it', () => {
    expect(() => answerPlan({ packages: [{ id: 'own-rinse' }], people: 1 })).toThrow(InputError)
  })

  it('may be made from a usual one, which reads back the same', () => {
    for (const one of PACKAGES.values()) {
      // What drain opens and covers the bleed closes: alone it leaves the cap off.
      if (one.id === 'drain') continue
      const copy = { ...structuredClone(one), id: 'own-copy' } as Package
      const read = readPackage(copy)
      expect(read.steps.map(({ id, minutes, place }) => [id, minutes, place])).toEqual(
        one.steps.map(({ id, minutes, place }) => [id, minutes, place]),
      )
      expect(readPackage(JSON.parse(JSON.stringify(read)))).toEqual(read)
    }
  })

  it.each<[string, unknown, string]>([
    ['no object', 'rinse', ''],
    ['another schema', { ...rinse(), $schema: 'urn:mellow-anchor:package:2' }, '/$schema'],
    ['the id of a usual one', { ...rinse(), id: 'drain' }, '/id'],
    ['no title', { ...rinse(), title: '' }, '/title'],
    ['no steps', { ...rinse(), steps: [] }, '/steps'],
    ['a package that there is not', { ...rinse(), brings: ['own-rinse'] }, '/brings/0'],
    ['a field that there is not', { ...rinse(), author: 'me' }, '/author'],
    ['a place that there is not', step(0, { place: 'roof' }), '/steps/0/place'],
    ['minutes that fall', step(1, { minutes: [8, 5, 12] }), '/steps/1/minutes'],
    ['no minutes', without(1, 'minutes'), '/steps/1/minutes'],
    ['a state that there is not', step(0, { puts: ['sillCovered'] }), '/steps/0/puts/0'],
    ['a step twice', step(2, { id: 'rinse' }), '/steps/2/id'],
    ['a step without an id', without(0, 'id'), '/steps/0/id'],
    ['something left on', step(2, { takes: [] }), '/steps/0'],
    ['two people where there is one', step(1, { people: 2 }), '/steps/1'],
    ['no order that could be', step(1, { needs: ['gearboxOut'] }), '/steps'],
    [
      'more states than can be told apart',
      {
        ...rinse(),
        steps: Array.from({ length: 60 }, (_, i) => ({
          ...{ id: `s${i}`, title: 'Plug', place: 'bench', minutes: [1, 2, 3] },
          puts: [`plugged:x${i}`],
        })),
      },
      '/steps',
    ],
  ])('is refused for %s, and the place is named', (_, value, path) => {
    try {
      readPackage(value)
      expect.unreachable()
    } catch (error) {
      expect(error).toBeInstanceOf(InputError)
      expect((error as InputError).path).toBe(path)
    }
  })
})
