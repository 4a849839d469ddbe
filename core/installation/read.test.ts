import { describe, expect, it } from 'vitest'
import { ARCHETYPES, aroundCircuit, fromArchetype } from '.'
import { readInstallation } from './read'
import { InputError } from '../circuit'

describe('an installation from outside', () => {
  it.each(ARCHETYPES.map(({ id }) => id))('%s comes back as it went', (id) => {
    const whole = fromArchetype(id)
    expect(readInstallation(JSON.parse(JSON.stringify(whole)))).toEqual(whole)
    expect(readInstallation({ archetype: id })).toEqual(whole)
  })
  it('a bare circuit is enough: the rest is usual, and assumed', () => {
    const { circuit } = fromArchetype('small-car')
    expect(readInstallation({ circuit })).toEqual(aroundCircuit(circuit))
    const screwless = readInstallation({ circuit, slave: { bleeder: { kind: 'none' } } })
    expect(screwless.slave.bleeder).toEqual({ kind: 'none' })
    expect(screwless.slave.linePort).toBe(aroundCircuit(circuit).slave.linePort)
  })
  const { circuit, route } = fromArchetype('small-car')
  it.each([
    [{}, '/circuit'],
    [{ archetype: 'spaceship', circuit }, '/archetype'],
    [{ circuit, reservoir: { usable: 1 } }, '/reservoir/usable'],
    [{ circuit, master: { tilt: 'steep' } }, '/master/tilt'],
    [{ circuit, slave: { bleeder: { kind: 'screw', angle: 400 } } }, '/slave/bleeder/angle'],
    [{ circuit, slave: { colour: 1 } }, '/slave/colour'],
    [{ circuit, route: route.slice(0, 1) }, '/route'],
    [{ circuit, route: route.slice(0, -1) }, `/route/${route.length - 2}/along`],
    [{ circuit, route: [route[0], route[0]] }, '/route/1/along'],
  ])('refuses %j at %s', (input, path) => {
    let wrong: unknown
    try {
      readInstallation(input)
    } catch (error) {
      wrong = error
    }
    expect(wrong).toBeInstanceOf(InputError)
    expect((wrong as InputError).path).toBe(path)
  })
})
