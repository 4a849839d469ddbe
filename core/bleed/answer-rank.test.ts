import { describe, expect, it } from 'vitest'
import { InputError } from '../circuit'
import { fromArchetype } from '../installation'
import { answerRank } from '.'

/** A line of 2.4 m over a crest of 120 mm and down to a far slave, or falling all the way, in one bore. */
function vehicle(innerDiameter: number, falls = false, slave: object = {}) {
  const { circuit } = fromArchetype('small-car')
  const at = [
    [0, 0, 0],
    [350, falls ? -60 : 120, 0],
    [1350, falls ? -120 : 120, 0],
    [2150, -380, -624.5],
    [2400, falls ? -420 : -380, falls ? -860 : -874.5],
  ] as const
  return {
    circuit: {
      ...circuit,
      lines: [{ kind: 'steel', length: 2400, innerDiameter, outerDiameter: innerDiameter + 1.4 }],
    },
    route: at.map(([along, height, forward]) => ({ along, height, forward })),
    reservoir: { height: 150, usable: 60_000, sharedWithBrakes: false },
    master: { tilt: 0, outletAngle: 45, portAngle: 0 },
    slave: { bleeder: { kind: 'screw', angle: 0 }, linePort: 100, endRaise: 0, ...slave },
  }
}
const start = { line: 1500, slave: 800, master: 700 }
const usual = { start, wantedAir: 300, people: 2, draws: 8 }
const named = (answer: ReturnType<typeof answerRank>, ...steps: string[]) =>
  answer.methods.find((one) => one.steps.map(({ method }) => method).join() === steps.join())!

describe('the verb rank', () => {
  it('over a wide crest: strokes leave the line’s air and say why; a pull and short strokes win', () => {
    const answer = answerRank({
      ...usual,
      installation: vehicle(6),
      kit: ['hose', 'vacuumPump', 'pressureCap'],
    })
    expect(answer.target).toEqual({ value: 300, from: 'given', reachable: true })
    const push = named(answer, 'openPush')
    expect(push.chance).toBeLessThan(0.2)
    expect(push.words).toMatch(/stays in the line: .*carry number [01]\.\d+/)
    const best = answer.methods[0]!
    expect(['vacuum', 'pressure']).toContain(best.steps[0]!.method)
    expect(best.steps.at(-1)!.method).toBe('shortStrokes')
    expect(best.lineClearAt).toBeLessThanOrEqual(3)
    expect(best.words).toMatch(/^Down to 0\.30 ml in (9|10) of 10/)
    expect(best.residual.total.middle).toBeLessThan(300)
    expect(answer.changes.length).toBeGreaterThan(2)
    // Only the best is asked what would change it; a change is one that can be made here.
    expect(answer.changes.map(({ change }) => change)).toContain('narrower')
    expect(answer.now).toBeNull()
  })
  it('a screw off the top says turn it, or bottom it', () => {
    const answer = answerRank({
      ...usual,
      installation: vehicle(3.35, true, { bleeder: { kind: 'screw', angle: 70 } }),
      methods: ['openPush', 'vacuum'],
      kit: ['hose', 'vacuumPump'],
    })
    expect(named(answer, 'openPush').cannotReach).toEqual(['slave'])
    expect(named(answer, 'openPush').words).toMatch(/70° off the top\. Turn the slave, or bottom it/)
    expect(answer.changes[0]).toMatchObject({ change: 'slaveTurned', chance: 1 })
  })
  it('with no bleed screw, a falling line and the port up: slave strokes in place', () => {
    const installation = vehicle(4.9, true, { bleeder: { kind: 'none' }, linePort: 0 })
    const answer = answerRank({ ...usual, installation, kit: [] })
    expect(answer.methods[0]!.steps[0]!.method).toBe('slavePush')
    expect(named(answer, 'vacuum')).toMatchObject({ ruledOut: 'noBleedScrew', chance: 0 })
    const union = answer.methods.find(({ atUnion }) => atUnion)!
    expect(union.ruledOut).toBeNull()
    expect(union.words).toBeTruthy()
  })
  it('taped threads draw no word, plain ones some, loose ones bubbles that never stop', () => {
    const words = (falseAir: number) =>
      named(
        answerRank({
          ...usual,
          draws: 2,
          installation: vehicle(3.35, true),
          kit: ['vacuumPump'],
          methods: ['vacuum'],
          place: { falseAir },
        }),
        'vacuum',
      ).words
    expect(words(0)).not.toMatch(/screw/)
    expect(words(20)).toMatch(/Some of the bubbles are the screw’s/)
    expect(words(200)).toMatch(/never stop: they come past the screw’s loose thread/)
  })
  it('a short line: two people and a few strokes, and no more than ten', () => {
    const answer = answerRank({ ...usual, installation: { archetype: 'small-car' }, kit: ['hose'] })
    const push = named(answer, 'openPush')
    expect(push.chance).toBeGreaterThan(0.8)
    expect(push.cycles.middle).toBeLessThanOrEqual(10)
  })
  it('a reservoir that the brakes share rules out pressure, and a named word lets it in', () => {
    const installation = {
      ...vehicle(3.35, true),
      reservoir: { height: 150, usable: 60_000, sharedWithBrakes: true },
    }
    const asked = { ...usual, draws: 1, installation, kit: ['hose', 'pressureCap'] }
    expect(named(answerRank(asked), 'pressure')).toMatchObject({ ruledOut: 'shared' })
    expect(named(answerRank(asked), 'pressure').words).toMatch(/brakes share/)
    const sharedOverride = 'Foreman: the brakes are bled after it'
    expect(named(answerRank({ ...asked, sharedOverride }), 'pressure').ruledOut).toBeNull()
  })
  it('starts from what the pedal shows, aims at what keeps the reserve, and follows what was logged', () => {
    const answer = answerRank({
      installation: { archetype: 'long-line' },
      start: { freeTravel: 60 },
      people: 2,
      kit: ['hose'],
      methods: ['openPush'],
      draws: 4,
      logged: [
        { method: 'openPush', strokes: 6, cameOut: 'foam' },
        { volume: 30_000 },
        { method: 'openPush', strokes: 2, cameOut: 'clear', bottle: 9000 },
        { says: 'free', mm: 25 },
        { trick: 'shortStrokes' },
      ],
    })
    expect(answer.target.from).toBe('reserve')
    expect(answer.target.value).toBeGreaterThanOrEqual(100)
    const { total } = answer.now!
    expect(total.low).toBeLessThanOrEqual(total.middle)
    expect(total.middle).toBeLessThan(1000)
  })
  it('where even no air leaves the reserve, it says so, and where little may stay, not less than can be told', () => {
    const low = fromArchetype('small-car')
    const circuit = { ...low.circuit, pedal: { ...low.circuit.pedal, travel: 70 } }
    const asked = { start, people: 2, kit: ['hose'], methods: ['openPush'], draws: 1 }
    expect(answerRank({ ...asked, installation: { circuit } }).target).toEqual({
      value: 100,
      from: 'floor',
      reachable: false,
    })
  })
  it('ranks by itself what only ends a bleed where it is asked for by name', () => {
    const asked = {
      ...usual,
      draws: 2,
      installation: vehicle(4.9, true),
      kit: ['hose', 'wedge'],
      start: { line: 0, slave: 0, master: 700 },
    }
    const alone = answerRank({ ...asked, methods: ['shortStrokes', 'tap', 'overnight'] })
    expect(alone.methods.map(({ steps }) => steps.length)).toEqual([1, 1, 1])
    expect(alone.methods[0]!.steps[0]!.method).toBe('shortStrokes')
    expect(named(alone, 'shortStrokes').chance).toBe(1)
    expect(named(answerRank({ ...asked, methods: ['openPush'] }), 'shortStrokes')).toBeUndefined()
  })
  it('has the same bytes for the same seed', () => {
    const asked = { ...usual, draws: 2, installation: vehicle(4.9), kit: ['hose'], seed: 5 }
    expect(JSON.stringify(answerRank(asked))).toBe(JSON.stringify(answerRank(asked)))
  })
  const bare = { installation: { archetype: 'small-car' }, start: 'dry', people: 1, kit: [] }
  it.each([
    [{}, '/installation'],
    [{ ...bare, installation: {} }, '/installation/circuit'],
    [{ ...bare, kit: ['spanner'] }, '/kit/0'],
    [{ ...bare, start: 'wet' }, '/start'],
    [{ ...bare, start: { freeTravel: -1 } }, '/start/freeTravel'],
    [{ ...bare, people: 0 }, '/people'],
    [{ ...bare, draws: 0.5 }, '/draws'],
    [{ ...bare, methods: ['magic'] }, '/methods/0'],
    [{ ...bare, place: { letOut: 7 } }, '/place/letOut'],
    [{ ...bare, sharedOverride: ' ' }, '/sharedOverride'],
    [{ ...bare, logged: [{ method: 'openPush', cameOut: 'smoke' }] }, '/logged/0/cameOut'],
    [{ ...bare, wantedAir: -3 }, '/wantedAir'],
  ])('refuses %j at %s', (input, path) => {
    let wrong: unknown
    try {
      answerRank(input)
    } catch (error) {
      wrong = error
    }
    expect(wrong).toBeInstanceOf(InputError)
    expect((wrong as InputError).path).toBe(path)
  })
})
