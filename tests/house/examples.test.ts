import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { fromArchetype } from '../../core/installation'
import { VERBS } from '../../core/verbs'
import { expectClose } from '../harness/expect-close'
import { run } from '../harness/running'

const page = readFileSync('docs/formats.md', 'utf8')
const EXAMPLE = /```json (\w+) in\n([\s\S]*?)```\s+```json \1 out\n([\s\S]*?)```/g
const examples = [...page.matchAll(EXAMPLE)].map(([, verb, given, answer]) => ({
  verb: verb!,
  given: JSON.parse(given!) as unknown,
  answer: JSON.parse(answer!) as unknown,
}))

describe('examples in docs/formats.md', () => {
  it('are there for every verb that came with the circuit', () => {
    expect(examples.map(({ verb }) => verb)).toEqual([
      'air',
      'curve',
      'sensitivity',
      'estimate',
      'say',
      'diagnose',
      'join',
      'chain',
      'fluid',
      'size',
      'plan',
      'bleed',
      'rank',
      'prove',
    ])
  })

  it.each(examples)('$verb answers as written', ({ verb, given, answer }) => {
    expectClose(VERBS[verb]!(given), answer)
  })

  it.each(examples.slice(-1))(
    '$verb answers so on the command line',
    async ({ verb, given, answer }) => {
      const input = JSON.stringify(given)
      const { code, stdout } = await run('npm', ['run', '--silent', 'core', '--', verb], { input })
      expect(code).toBe(0)
      expectClose(JSON.parse(stdout), answer)
    },
  )

  it.each([
    ['curve', { points: 1 }, '/points', /below its least, 2/],
    ['sensitivity', { hourlyRate: 0 }, '/hourlyRate', /below its least, 1/],
  ])('%s refuses by field and bound', (verb, more, path, message) => {
    const { circuit } = examples[0]!.given as { circuit: unknown }
    expect(() => VERBS[verb]!({ circuit, ...more })).toThrow(
      expect.objectContaining({ path, message: expect.stringMatching(message) as string }),
    )
  })

  it.each([
    [{ archetype: 'spaceship', readings: {} }, '/archetype'],
    [{ archetype: 'tractor', readings: { freeTravel: 900 } }, '/readings/freeTravel'],
    [{ archetype: 'tractor', readings: { takesUp: 'no' } }, '/readings/takesUp'],
    [{ archetype: 'tractor', measured: { 'master.hue': 4 }, readings: {} }, '/measured/master.hue'],
    [{ archetype: 'tractor', readings: {}, draws: 99.5 }, '/draws'],
    [{ archetype: 'tractor', readings: {}, calibration: { rodStroke: -1 } }, '/calibration/rodStroke'],
  ])('estimate refuses %j', (given, path) => {
    expect(() => VERBS.estimate!(given)).toThrow(expect.objectContaining({ path }))
  })

  it.each([
    [{ archetype: 'tractor', findings: { bootWet: 'maybe' } }, '/findings/bootWet'],
    [{ archetype: 'tractor', findings: { hornBroken: 'present' } }, '/findings/hornBroken'],
    [{ archetype: 'tractor', complaints: ['soft', 'sad'] }, '/complaints/1'],
    [{ archetype: 'tractor', readings: { freeTravel: { value: 900 } } }, '/readings/freeTravel/value'],
    [
      { archetype: 'tractor', readings: { sink: { value: 3, duration: 0 } } },
      '/readings/sink/duration',
    ],
    [{ archetype: 'tractor', conditions: { helper: 'yes' } }, '/conditions/helper'],
    [{ archetype: 'tractor', costs: { comeback: -1 } }, '/costs/comeback'],
    [
      { archetype: 'tractor', record: { Tern: { jobs: 2, confirmed: { slaveLeak: 3 } } } },
      '/record/Tern/confirmed/slaveLeak',
    ],
    [{ archetype: 'hovercraft' }, '/archetype'],
    [{ archetype: 'tractor', model: 'constructor' }, '/model'],
    [{ archetype: 'tractor', model: 'van', record: { van: { jobs: 10 } } }, '/record/van/confirmed'],
    [
      { archetype: 'tractor', record: { 'a/b~c': { jobs: -1, confirmed: {} } } },
      '/record/a~1b~0c/jobs',
    ],
  ])('diagnose refuses %j', (given, path) => {
    expect(() => VERBS.diagnose!(given)).toThrow(expect.objectContaining({ path }))
  })

  it('a record moves what diagnose says, and how far is told', () => {
    const given = { archetype: 'small-car', complaints: ['losesFluid'] }
    const record = { Tern: { jobs: 12, confirmed: { hoseLeak: 9 } } }
    interface Told {
      suspects: { fault: string; chance: number }[]
      moved?: { fault: string; from: number; to: number }[]
    }
    const without = VERBS.diagnose!(given) as Told
    const with_ = VERBS.diagnose!({ ...given, model: 'Tern', record }) as Told
    const hose = ({ suspects }: Told) => suspects.find(({ fault }) => fault === 'hoseLeak')!.chance
    expect(without.moved).toBeUndefined()
    expect(with_.moved![0]!.fault).toBe('hoseLeak')
    expect(hose(with_)).toBeGreaterThan(2 * hose(without))
  })

  it('a reservoir that loses more than the pad sends is refused, but not what its reading may be out', () => {
    const { circuit } = fromArchetype('long-line')
    const hold = { circuit, sinkRate: 0.1, reservoirArea: 1800, duration: 60 }
    expect(() => VERBS.sink!({ ...hold, reservoirDrop: 5 })).toThrow(
      expect.objectContaining({ path: '/reservoirDrop' }),
    )
    expect(VERBS.sink!({ ...hold, reservoirDrop: 0.5 })).toHaveProperty('loss', 15)
  })

  it('no remedy is offered where master or slave is at its end all the same', () => {
    const { circuit } = fromArchetype('long-line')
    const short = { ...circuit, master: { ...circuit.master, stroke: 21 } }
    const { remedies } = VERBS.sensitivity!({ circuit: short }) as { remedies: { id: string }[] }
    const whole = VERBS.sensitivity!({ circuit }) as { remedies: { id: string }[] }
    expect(whole.remedies.map(({ id }) => id)).toContain('stop')
    expect(remedies.map(({ id }) => id)).not.toContain('stop')
  })

  it('an estimate that nothing can lie behind says so', () => {
    const given = {
      archetype: 'long-line',
      readings: { freeTravel: 0 },
      measured: { 'master.portClosure': 3 },
      draws: 200,
    }
    expect(Object.keys(VERBS.estimate!(given))).toEqual(['implausible'])
  })
})
