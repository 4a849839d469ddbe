import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyCircuit } from '../../tests/arbitrary/circuit'
import { VERBS } from '../verbs'
import { FIELDS } from './fields'
import { InputError, readCircuit } from './read'
import reference from './reference-cases.json'

type Json = Record<string, never>
const good = () => structuredClone(reference.cases[0]!.input.circuit) as unknown as Json

function refusal(work: () => unknown): InputError {
  try {
    work()
  } catch (error) {
    if (error instanceof InputError) return error
    throw error
  }
  throw new Error('was let in')
}

function set(object: unknown, path: string, value: unknown): void {
  const names = path.split('.')
  const last = names.pop()!
  let node = object as Record<string, unknown>
  for (const name of names) node = node[name] as Record<string, unknown>
  node[last] = value
}

describe('reading a circuit', () => {
  it('lets in everything within bounds', () => {
    fc.assert(
      fc.property(anyCircuit, (circuit) => {
        expect(readCircuit(circuit)).toBe(circuit)
      }),
    )
  })

  const present = FIELDS.filter((field) => !/slave\.(outer|inner)/.test(field.path))
  const placed = present.map((field) => {
    const index = field.path.endsWith('expansion') ? '1' : '0'
    return { field, path: field.path.replace('*', index) }
  })

  it.each(placed)('names $path and its bound', ({ field, path }) => {
    for (const [value, bound] of [
      [field.min - 1, field.min],
      [field.max + 1, field.max],
    ]) {
      const input = good()
      set(input, path, value)
      const error = refusal(() => readCircuit(input, '/circuit'))
      expect(error.path).toBe(`/circuit/${path.replaceAll('.', '/')}`)
      expect(error.message).toContain(String(bound))
    }
    for (const value of ['12', null, Number.NaN, Infinity, [], {}]) {
      const input = good()
      set(input, path, value)
      expect(refusal(() => readCircuit(input, '')).path).toBe(`/${path.replaceAll('.', '/')}`)
    }
    const missing = good()
    set(missing, path, undefined)
    if (field.optional) expect(() => readCircuit(missing)).not.toThrow()
    else expect(refusal(() => readCircuit(missing)).message).toMatch(/missing/)
  })

  it.each([
    ['/pedal', { pedal: undefined }],
    ['/pedal/gear', { pedal: { ratio: 6, travel: 150, gear: 1 } }],
    ['/color', { color: 'red' }],
    ['/lines', { lines: 'steel' }],
    ['/lines/0', { lines: [null] }],
    ['/lines/0/kind', { lines: [{ kind: 'gold', length: 1, innerDiameter: 1 }] }],
    [
      '/lines/0/outerDiameter',
      { lines: [{ kind: 'steel', length: 9, innerDiameter: 4, outerDiameter: 4 }] },
    ],
    ['/slave/type', { slave: { bore: 20 } }],
    ['/slave/outer', { slave: { type: 'concentric', outer: 40, inner: 44, stroke: 12 } }],
    [
      '/cover/releaseLoad/1/0',
      {
        cover: {
          releaseLoad: [
            [1, 5],
            [1, 9],
          ],
          releaseTravel: 5,
          fullClampTravel: 2,
        },
      },
    ],
    ['/cover/releaseLoad', { cover: { releaseLoad: [[1, 5]], releaseTravel: 5, fullClampTravel: 2 } }],
    [
      '/cover/releaseLoad/0',
      { cover: { releaseLoad: [[1], [2, 3]], releaseTravel: 5, fullClampTravel: 2 } },
    ],
    [
      '/cover/fullClampTravel',
      {
        cover: {
          releaseLoad: [
            [0, 5],
            [1, 9],
          ],
          releaseTravel: 5,
          fullClampTravel: 6,
        },
      },
    ],
    ['/master/portClosure', { master: { bore: 16, stroke: 2, pushrodClearance: 0, portClosure: 2 } }],
  ])('refuses %s', (path, change) => {
    const error = refusal(() => readCircuit({ ...good(), ...change }))
    // A line that is no object has no kind to speak of, and that is what is said.
    expect([path, `${path}/kind`]).toContain(error.path)
    expect(error.message.length).toBeGreaterThan(8)
  })

  it('refuses what is no object at all', () => {
    for (const input of [null, 3, 'circuit', [], undefined])
      expect(refusal(() => readCircuit(input, '/circuit')).path).toBe('/circuit')
  })
})

describe('the verbs', () => {
  it('name their own fields', () => {
    const circuit = good()
    expect(refusal(() => VERBS.circuit!({ circuit, pedalTravel: 156 })).path).toBe('/pedalTravel')
    expect(refusal(() => VERBS.air!({ circuit })).path).toBe('/freeTravel')
    expect(refusal(() => VERBS.air!({ circuit, freeTravel: 40, touchForce: 0 })).path).toBe(
      '/touchForce',
    )
    expect(refusal(() => VERBS.sink!({ circuit, sinkRate: -1 })).path).toBe('/sinkRate')
    expect(refusal(() => VERBS.sink!({ circuit, sinkRate: 1, reservoirArea: 900 })).path).toBe(
      '/reservoirDrop',
    )
    expect(refusal(() => VERBS.sink!({ circuit, sinkRate: 1, extra: 1 })).path).toBe('/extra')
  })
})
