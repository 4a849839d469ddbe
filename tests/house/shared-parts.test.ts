import { Ajv } from 'ajv'
import addFormats from 'ajv-formats'
import { describe, expect, it } from 'vitest'
import { InstallationFileSchema, NewEntrySchema } from '../../contract'
import { fromArchetype } from '../../core/installation'
import { sharedParts } from '../../modules/entry-validator/shared-parts'

const compiler = (more = {}) => {
  const ajv = new Ajv({ discriminator: true, ...more })
  addFormats.default(ajv)
  return ajv
}
const ID = '01ARZ3NDEKTSV4RRFFQ69G5FAV'
const entry = (kind: string, payload: unknown, more = {}) => ({
  id: ID,
  subject: { type: 'vehicle', id: ID },
  at: '2026-11-28T08:00:00.000Z',
  by: ID,
  kind,
  payload,
  ...more,
})
const installation = fromArchetype('small-car')
const job = { subject: { type: 'job', id: ID } }

describe('schemas whose parts are shared', () => {
  const { schemas, parts } = sharedParts(
    { entry: NewEntrySchema, file: InstallationFileSchema },
    '#part',
  )
  const ajv = compiler({ inlineRefs: false })
  for (const [name, schema] of Object.entries(parts)) ajv.addSchema(schema, name)
  const shared = ajv.compile(schemas.entry)
  const whole = compiler().compile(NewEntrySchema)

  it.each([
    ['an installation', entry('installation', installation)],
    [
      'one with a bore of none',
      entry('installation', {
        ...installation,
        circuit: { ...installation.circuit, master: { ...installation.circuit.master, bore: 0 } },
      }),
    ],
    ['one with a field too many', entry('installation', { ...installation, colour: 'red' })],
    ['a note', entry('note', { words: 'spongy' }, job)],
    ['a note without words', entry('note', {}, job)],
    ['a note by nobody', entry('note', { words: 'spongy' }, { ...job, by: 'me' })],
    ['a day that is none', entry('note', { words: 'spongy' }, { ...job, at: '2026-02-31T08:00:00Z' })],
    ['a reading', entry('measurement', { reading: 'freeTravel', value: 30, phase: 'asFound' }, job)],
    ['a kind that is none', entry('rumour', {}, job)],
    ['nothing', null],
  ])('say the same of %s, at the same place', (_, value) => {
    const places = (of: typeof whole) =>
      (of.errors ?? []).map(({ instancePath, keyword, params }) => [instancePath, keyword, params])
    expect(shared(value)).toBe(whole(value))
    expect(places(shared)).toEqual(places(whole))
  })

  it('are written once each, and take little more than half of the letters', () => {
    expect(Object.keys(parts).length).toBeGreaterThan(10)
    const letters = JSON.stringify({ schemas, parts }).length
    expect(letters).toBeLessThan(0.6 * JSON.stringify([NewEntrySchema, InstallationFileSchema]).length)
    expect(new Set(Object.values(parts).map((one) => JSON.stringify(one))).size).toBe(
      Object.keys(parts).length,
    )
  })

  it('are left alone where values stand, also such as look like a schema', () => {
    const value = { type: 'string', maxLength: 400, pattern: '^[a-z ]+$' }
    const schema = {
      properties: {
        a: { title: 'a', const: value },
        b: { title: 'b', const: value },
        enum: value,
        c: { type: 'array', items: value },
      },
    }
    const found = sharedParts({ one: schema }, '#x')
    expect(found.schemas.one).toMatchObject({
      properties: {
        a: { const: value },
        b: { const: value },
        enum: { $ref: '#x0' },
        c: { items: { $ref: '#x0' } },
      },
    })
    expect(found.parts).toEqual({ '#x0': value })
  })
})
