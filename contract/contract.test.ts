import { describe, expect, it } from 'vitest'
import { readFileSync } from 'node:fs'
import { Ajv } from 'ajv'
import { cycle, entry, JOB, reading, ulidOf } from '../tests/arbitrary/entry'
import { fromArchetype, type Installation } from '../core/installation'
import type { Entry } from '../core/journal'
import type { Change } from '../core/whatif'
import { Refusal } from '../server/services/refusal'
import { checkNewEntry } from '../server/services/journal/check-new-entry'
import { checker } from '../server/services/validate'
import {
  brokenTexts,
  checkEntry,
  checkInstallationFile,
  fieldProblems,
  FIRST_INSTALLATION_FILE,
  INSTALLATION_FILE,
  InstallationFileSchema,
  JobsQuery,
  NewEntrySchema,
  publishedInstallationSchema,
} from '.'

const check = checker(NewEntrySchema)
const posted = (one: Entry) => {
  const { sequence: _, ...rest } = one
  return rest
}
function refusal(value: unknown): { path: string; message: string }[] {
  try {
    check(value)
  } catch (error) {
    if (error instanceof Refusal) return error.errors ?? []
    throw error
  }
  return []
}
const good = posted(entry(1, 'measurement', reading('freeTravel', 42)))

describe('an entry at the boundary', () => {
  it('is let in as it is', () => {
    for (const one of [
      good,
      posted(entry(2, 'installation', fromArchetype('concentric'))),
      posted(entry(3, 'withdrawal', {}, { withdraws: ulidOf(3) })),
      posted(
        entry(4, 'bleedCycle', {
          method: 'vacuum',
          strokes: 3,
          cameOut: 'foam',
          colour: 'dark',
          bottle: 0,
        }),
      ),
    ])
      expect(refusal(one)).toEqual([])
  })

  it.each([
    ['/payload/value', { payload: { ...good.payload, value: 2_000_001 } }, /at most 2000000/],
    ['/payload/value', { payload: { ...good.payload, value: '42' } }, /number/],
    ['/payload/reading', { payload: { ...good.payload, reading: 'weight' } }, /one of freeTravel/],
    ['/payload/phase', { payload: { reading: 'freeTravel', value: 4 } }, /missing/],
    ['/payload/colour', { payload: { ...good.payload, colour: 'red' } }, /not known here/],
    ['/kind', { kind: 'magic' }, /not a known kind/],
    ['/id', { id: 'nope' }, /right form/],
    ['/at', { at: '2026-13-45T08:00:00Z' }, /format/],
    ['/at', { at: '2026-11-24T08:00:00+01:00' }, /right form/],
    ['/sequence', { sequence: 3 }, /not known here/],
    ['/withdraws', { withdraws: ulidOf(2) }, /not known here/],
  ])('names %s', (path, change, message) => {
    const errors = refusal({ ...good, ...change })
    expect(errors.map((error) => error.path)).toContain(path)
    expect(errors.find((error) => error.path === path)!.message).toMatch(message)
  })

  it.each([
    [{ item: 'threadsOnRod', value: 61 }, '/payload/value', /must be 0 to 60 threads/],
    [{ item: 'rodLength' }, '/payload', /needs a value, words or a photo/],
    [{ item: 'routing', value: 3 }, '/payload/value', /say it in words/],
    [{ item: 'rodLength', value: 140, unit: 'turns' }, '/payload/unit', /counted in mm/],
    [{ item: 'clips', words: 'three', unit: 'mm' }, '/payload/unit', /needs its value/],
  ] as const)('a thing as found %j is refused where it says nothing', (payload, path, message) => {
    const [error] = checkEntry(entry(5, 'asFound', payload))
    expect(error!.path).toBe(path)
    expect(error!.message).toMatch(message)
  })

  it('a thing as found, work done, a note of the model and a close are let in', () => {
    for (const one of [
      entry(6, 'asFound', { item: 'threadsOnRod', value: 7, unit: 'threads' }),
      entry(7, 'asFound', { item: 'other', value: 3, unit: 'mm', words: 'gap at the tray' }),
      entry(8, 'workDone', { operation: 'grease' }),
      entry(9, 'modelNote', { model: 'Fenn 9', place: 'reservoir', words: 'behind the airbox' }),
      entry(10, 'closed', {}),
      entry(11, 'bleedCycle', { method: 'gravity', cameOut: 'few' }),
    ])
      expect([...refusal(posted(one)), ...checkEntry(one)]).toEqual([])
  })

  it('deep in an installation names the very field', () => {
    const installation = fromArchetype('small-car')
    const bad = {
      ...installation,
      circuit: {
        ...installation.circuit,
        lines: [{ ...installation.circuit.lines[1]!, expansion: -1 }],
      },
    }
    expect(refusal(posted(entry(1, 'installation', bad)))[0]).toEqual({
      path: '/payload/circuit/lines/0/expansion',
      message: 'must be at least 0',
    })
  })

  it('of a route, a plan or a calibration is held to its own bounds and subject', () => {
    const at = (one: Entry) => checkEntry(one).map((problem) => problem.path)
    const onVehicle = { subject: { type: 'vehicle' as const, id: JOB } }
    const points = [0, 400, 300].map((along) => ({ along, height: 0, forward: 0 }))
    expect(at(entry(1, 'route', { points }))).toEqual(['/payload/points/2/along'])
    expect(at(entry(1, 'route', { points: points.slice(0, 2) }))).toEqual([])
    const high = [
      { along: 0, height: 0, forward: 0 },
      { along: 210, height: 1500, forward: 0 },
    ]
    expect(at(entry(1, 'route', { points: high }))).toEqual(['/payload/points/1/height'])
    expect(at(entry(1, 'circuitPlan', { changes: [{ change: 'air', value: 3 }] }, onVehicle))).toEqual([
      '/subject/type',
    ])
    const bore: Change = { change: 'field', field: 'master.bore', value: 2 }
    expect(at(entry(1, 'circuitPlan', { changes: [{ change: 'wear', value: 1 }, bore] }))).toEqual([
      '/payload/changes/1/value',
    ])
    expect(at(entry(1, 'calibration', { freeTravel: 20 }))).toEqual(['/subject/type'])
    expect(at(entry(1, 'calibration', { freeTravel: 20 }, onVehicle))).toEqual([])
    expect(at(entry(1, 'parameter', { field: 'slave.bleeder.angle', value: 200 }))).toEqual([
      '/payload/value',
    ])
  })

  it.each([
    ['goal', { jobKind: 'fault', wanted: '' }],
    ['complaint', { complaint: 'soft' }],
    ['finding', { finding: 'bootWet', state: 'present', phase: 'asFound' }],
    ['measurement', reading('freeTravel', 30)],
    ['bleedCycle', cycle('few')],
    ['topUp', {}],
    ['verdict', { outcome: 'notYet', reasons: [] }],
  ] as const)('of kind %s belongs to a job and to no vehicle', (kind, payload) => {
    const made = entry(1, kind, payload as never)
    expect(checkEntry(made)).toEqual([])
    const problems = checkEntry({ ...made, subject: { type: 'vehicle', id: JOB } } as Entry)
    expect(problems).toEqual([
      { path: '/subject/type', message: `must be job: ${kind} belongs to a job` },
    ])
  })

  it.each([
    '2016-12-31T23:59:60Z',
    '0000-01-01T00:00:00Z',
    '0001-01-01T00:00:00Z',
    '2024-01-01 00:00:00Z',
  ])('made at %s is refused: no calendar here knows it', (at) => {
    expect(refusal({ ...good, at }).map((error) => error.path)).toContain('/at')
  })

  it('with half a character in any of its texts is refused by its place', () => {
    const broken = { a: 'fine 🔧', list: ['x', { words: 'half \ud83d' }] }
    expect(brokenTexts(broken).map(({ path }) => path)).toEqual(['/list/1/words'])
    let deep: unknown = 'half \udfff'
    for (let i = 0; i < 50_000; i++) deep = [deep]
    expect(brokenTexts(deep)).toHaveLength(1)
  })

  it('is held to what only two fields together can say', () => {
    const at = (one: Entry) => checkEntry(one).map((problem) => problem.path)
    expect(at(entry(1, 'measurement', reading('sink', 5)))).toEqual(['/payload/duration'])
    expect(at(entry(1, 'measurement', reading('rodStroke', 200)))).toEqual(['/payload/value'])
    const watch = { repair: 'hose', watch: 'rodStroke' } as const
    expect(at(entry(1, 'deferred', { ...watch, limit: 200 }))).toEqual(['/payload/limit'])
    expect(at(entry(1, 'deferred', { ...watch, limit: 8 }))).toEqual([])
    expect(at(entry(1, 'parameter', { field: 'master.bore', value: 900 }))).toEqual(['/payload/value'])
    expect(at(entry(1, 'parameter', { field: 'master.colour', value: 9 }))).toEqual(['/payload/field'])
    expect(at(entry(1, 'parameter', { field: 'slave.faces', value: 'back' }))).toEqual([])
    expect(at(entry(1, 'parameter', { field: 'slave.faces', value: 'inside out' }))).toEqual([
      '/payload/value',
    ])
    expect(at(entry(1, 'parameter', { field: 'master.bore', value: 'wide' }))).toEqual([
      '/payload/value',
    ])
    const nut = { thread: 'M10x1', gender: 'male', seat: 'doubleFlare' } as const
    const joint = { at: 'slavePort', a: nut, b: null, verdict: null, reasons: [] } as const
    expect(at(entry(1, 'joint', { ...joint, reasons: [] }))).toEqual([])
    expect(at(entry(1, 'joint', { ...joint, reasons: [], verdict: 'joins' }))).toEqual([
      '/payload/verdict',
    ])
    expect(at(entry(1, 'joint', { ...joint, reasons: [], a: { ...nut, thread: 'M10' } }))).toEqual([
      '/payload/a/thread',
    ])
    expect(at(entry(1, 'joint', { ...joint, reasons: [], a: null }))).toEqual(['/payload/a'])
    const car = fromArchetype('small-car')
    const last = car.route.length - 1
    expect(at(entry(1, 'installation', { ...car, route: car.route.slice(0, -1) }))).toEqual([
      `/payload/route/${last - 1}/along`,
    ])
    expect(at(entry(1, 'installation', { ...car, route: [...car.route].reverse() }))).toEqual([
      '/payload/route/0/along',
    ])
    expect(
      at(
        entry(1, 'installation', {
          ...car,
          route: car.route.map((p, i) => (i ? p : { ...p, along: -1 })),
        }),
      ),
    ).toEqual(['/payload/route/0/along'])
    const stroke = { ...car, circuit: { ...car.circuit, master: { ...car.circuit.master, stroke: 1 } } }
    expect(at(entry(1, 'installation', stroke))).toEqual(['/payload/circuit/master/portClosure'])
    expect(at(entry(1, 'installation', car))).toEqual([])
    expect(at(entry(1, 'note', { words: 'ok' }))).toEqual([])
  })

  it('a query reads its numbers from text, within bounds', () => {
    const query = checker(JobsQuery, 'query')
    expect(query({ limit: '20' })).toEqual({ limit: 20 })
    expect(() => query({ limit: '0' })).toThrow(/limit must be at least 1/)
    expect(() => query({ page: '2' })).toThrow(/not known here/)
    expect(() => query({ limit: '1e400' })).toThrow(/limit is too large a number/)
  })
})

describe('an entry checked by its own kind', () => {
  const bad: unknown[] = [
    null,
    'note',
    {},
    { ...entry(1, 'note', { words: 'x' }), kind: 'noSuchKind' },
    { ...entry(1, 'note', { words: 'x' }), kind: 'toString' },
    { ...entry(1, 'note', { words: '' }), id: 'short', more: 1 },
    entry(1, 'circuitPlan', { changes: [{ change: 'field', field: 'x', value: 1e9 }] }),
    { ...entry(1, 'joint', {} as never), by: undefined },
    entry(1, 'parameter', { field: 'master.bore', value: null as never }),
  ]
  it.each(bad.map((one, i) => [i, one] as const))(
    'is refused as by all kinds together: %d',
    (_, one) => {
      const said = (verify: (value: unknown) => unknown) => {
        try {
          verify(one)
          return null
        } catch (error) {
          return error instanceof Refusal ? error.errors : error
        }
      }
      expect(said(checkNewEntry)).toEqual(said(check))
      expect(said(checkNewEntry)).not.toBeNull()
    },
  )
  it('is taken as it is', () => {
    const { sequence: _, ...good } = entry(1, 'note', { words: 'x' })
    expect(checkNewEntry(good)).toBe(good)
  })
})

describe('a file of an installation', () => {
  const file = { $schema: INSTALLATION_FILE, installation: fromArchetype('long-line') }
  const check = new Ajv({ discriminator: true, allErrors: true }).compile(InstallationFileSchema)

  it('is read back as it was written, and refused by path where it is not one', () => {
    expect(check(JSON.parse(JSON.stringify(file)))).toBe(true)
    expect(checkInstallationFile(file)).toEqual([])
    const bad = structuredClone(file) as { installation: { circuit: { master: { bore: unknown } } } }
    bad.installation.circuit.master.bore = '5/8'
    expect(check(bad)).toBe(false)
    expect(fieldProblems(check.errors)[0]!.path).toBe('/installation/circuit/master/bore')
    expect(check({ ...file, extra: 1 })).toBe(false)
    expect(fieldProblems(check.errors)[0]).toEqual({ path: '/extra', message: 'is not known here' })
  })

  it('of the first version is still read, and what the second added is checked by path', () => {
    const first = { $schema: FIRST_INSTALLATION_FILE, installation: fromArchetype('long-line') }
    expect(check(first)).toBe(true)
    const more: Installation = {
      ...fromArchetype('long-line'),
      joints: [
        {
          at: 'slavePort',
          a: { thread: '3/8-24', gender: 'male', seat: 'doubleFlare', nut: { length: 10 } },
          b: null,
          access: 'from below, 10 mm crowfoot',
        },
      ],
      mounts: { master: 'studs', slave: null },
      switches: [{ does: 'start', at: 'pedal', threads: 6 }],
      heat: [{ along: 900, distance: 60, sleeved: false }],
    }
    more.slave = { ...more.slave, faces: 'back', chamber: 12, bleedLine: [] }
    const second = { $schema: INSTALLATION_FILE, installation: more }
    expect(check(JSON.parse(JSON.stringify(second)))).toBe(true)
    expect(checkInstallationFile(second)).toEqual([])
    const at = (joints: Installation['joints']) =>
      checkInstallationFile({ installation: { ...more, joints: joints! } }).map(({ path }) => path)
    const [joint] = more.joints!
    expect(at([{ ...joint!, at: 'line.5' }])).toEqual(['/installation/joints/0/at'])
    expect(at([joint!, joint!])).toEqual(['/installation/joints/1/at'])
    expect(at([{ ...joint!, b: { ...joint!.a!, thread: 'M10' } }])).toEqual([
      '/installation/joints/0/b/thread',
    ])
    expect(
      check({ ...second, installation: { ...more, mounts: { master: 'glue', slave: null } } }),
    ).toBe(false)
  })

  it('is published as it is checked', () => {
    const published = JSON.parse(readFileSync('public/schemas/installation-2.json', 'utf8')) as object
    expect(published).toEqual(publishedInstallationSchema())
  })
})
