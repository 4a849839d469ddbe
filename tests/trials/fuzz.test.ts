import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { TSchema } from '@sinclair/typebox'
import { CueSchema, NewEntrySchema, PersonSettings, ShopSettings } from '../../contract'
import type { Problem } from '../../contract'
import { fromArchetype } from '../../core/installation'
import type { Kind, Subject } from '../../core/journal'
import {
  aBench,
  ask,
  draws,
  made,
  newId,
  openWorkshop,
  scaled,
  type Answer,
  type Workshop,
} from './workshop'
import { NASTY } from './nasty'

const random = draws()
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
const whole = (least: number, most: number) => least + Math.floor(random() * (most - least + 1))

const LARGE = [
  () => 'a'.repeat(5000),
  () => new Array(3000).fill(0),
  () => JSON.parse('{"__proto__":{"polluted":1}}') as unknown,
  () => {
    let deep: unknown = 1
    for (let i = 0; i < 300; i++) deep = random() < 0.5 ? [deep] : { a: deep }
    return deep
  },
]

const nasty = () => pick([...NASTY, ...LARGE])()

/** A value that a schema takes, at its bounds now and then. */
function valid(schema: TSchema): unknown {
  if ('const' in schema) return schema.const
  if (schema.enum) return pick(schema.enum as unknown[])
  const variants = (schema.oneOf ?? schema.anyOf) as TSchema[] | undefined
  if (variants) return valid(pick(variants))
  switch (schema.type) {
    case 'object':
      return Object.fromEntries(
        Object.entries((schema.properties ?? {}) as Record<string, TSchema>)
          .filter(
            ([name]) => (schema.required as string[] | undefined)?.includes(name) || random() < 0.5,
          )
          .map(([name, one]) => [name, valid(one)]),
      )
    case 'array': {
      const least = Number(schema.minItems ?? 0)
      const most = Math.min(Number(schema.maxItems ?? least + 4), least + 4)
      return Array.from({ length: whole(least, most) }, () => valid(schema.items as TSchema))
    }
    case 'integer':
    case 'number': {
      const { minimum: least = -1000, maximum: most = 1000 } = schema as {
        minimum?: number
        maximum?: number
      }
      const value = random() < 0.3 ? pick([least, most]) : least + random() * (most - least)
      return schema.type === 'integer' ? Math.round(value) : value
    }
    case 'boolean':
      return random() < 0.5
    case 'null':
      return null
    default:
      if (schema.format === 'date-time') return new Date().toISOString()
      if (String(schema.pattern ?? '').startsWith('^[0-7]')) return newId()
      return pick(['a', 'Ω≈ç√', '__proto__', "'; DROP TABLE entries; --"])
  }
}

type Holder = Record<string | number, unknown>
/** Every place in a value, as the thing that holds it and its name there. */
function places(value: unknown): [Holder, string | number][] {
  if (value === null || typeof value !== 'object') return []
  return Object.keys(value).flatMap((name) => [
    [value as Holder, Array.isArray(value) ? Number(name) : name] as [Holder, string | number],
    ...places((value as Holder)[name]),
  ])
}
/** The same with something wrong in one place or more. */
function mutated(value: unknown): unknown {
  const copy = structuredClone(value)
  const all = places(copy)
  if (all.length === 0) return nasty()
  const [holder, name] = pick(all)
  const how = whole(0, 5)
  if (how === 0) delete holder[name]
  else if (how === 1) holder[name] = [holder[name]]
  else if (how === 2)
    Object.defineProperty(holder, pick(['__proto__', 'sequence', 'a/b~c', '', '\ud800', 'toString']), {
      value: nasty(),
      enumerable: true,
    })
  else holder[name] = nasty()
  return random() < 0.2 ? mutated(copy) : copy
}
function asText(value: unknown): string {
  const text = JSON.stringify(value) ?? ''
  const spoilt = random()
  if (spoilt < 0.04)
    return text.replace(/:(-?\d+(\.\d+)?)/, `:${pick(['1e400', '00', '-0', '0x10', '9'.repeat(400)])}`)
  if (spoilt < 0.07) return text.slice(0, whole(0, text.length))
  if (spoilt < 0.1) return text + pick([',', '}', ' null', '\u0000'])
  return text
}

let workshop: Workshop
let by: string
let subjects: Subject[]
beforeAll(async () => {
  workshop = await openWorkshop('fuzz')
  ;({ by, subjects } = await aBench(workshop.servers[0].address, 2))
})
afterAll(() => workshop.close())

/** Insides that no answer may show. */
const LEAK =
  /node_modules|\bSELECT\b.*\bFROM\b|INSERT INTO|ER_[A-Z_]+|[Ss]equelize|\.mjs\b|sqlState|ECONN|TypeError|RangeError|mariadb/

/** What is wrong with an answer; empty where nothing is. */
function faultOf({ status, text, type, body }: Answer): string {
  if (status === 0) return 'no answer'
  if (status >= 500) return `${status}`
  if (status >= 400 && text !== '') {
    const problem = body as Problem | null
    if (!type.startsWith('application/problem+json')) return 'no problem details'
    if (problem?.status !== status || !problem.title) return 'problem details incomplete'
    if (status === 422 && !problem.errors?.every((one) => typeof one.path === 'string'))
      return 'no path'
    if (LEAK.test(text)) return 'shows its insides'
  }
  return ''
}
async function fuzzed(requests: number, one: () => [url: string, init: Parameters<typeof ask>[1]]) {
  const bad: string[] = []
  let left = requests
  await Promise.all(
    Array.from({ length: 4 }, async () => {
      while (left-- > 0) {
        const [path, init] = one()
        const answer = await ask(pick(workshop.servers).address + path, init)
        const fault = faultOf(answer)
        if (fault)
          bad.push(
            `${fault}: ${init?.method ?? 'GET'} ${path} ${String(init?.body ?? '').slice(0, 300)} -> ${answer.text.slice(0, 200)}`,
          )
      }
    }),
  )
  return bad
}

const entrySchemas = (NewEntrySchema as unknown as { oneOf: TSchema[] }).oneOf
/** A valid entry of any kind, on a job or a vehicle. */
function anyEntry() {
  const schema = pick(entrySchemas)
  const made = valid(schema) as Record<string, unknown>
  const subject = pick(subjects)
  if (made.kind === 'installation') made.payload = fromArchetype('small-car')
  return { subject, body: { ...made, id: newId(), by, subject } }
}

describe('no request makes the server fail', () => {
  it('whatever its address, its query and its method', async () => {
    const IDS = [
      newId(),
      '..',
      '%2e%2e',
      '%00',
      '%ff',
      "1' OR '1'='1",
      '__proto__',
      '0',
      'a'.repeat(3000),
      '%F0%9F%94%A7',
    ]
    const QUERIES = [
      ...[
        'limit=0',
        'limit=201',
        'limit=1e2',
        'limit=NaN',
        'limit=1&limit=2',
        'limit[]=1',
        'limit[a]=1',
        'search=%25_%5C',
      ],
      ...[
        'after=x',
        'after=W10',
        'before=0',
        'after=1e400',
        'after=18446744073709551616',
        'entries=some',
        'filter=done',
      ],
      ...[
        'person=x',
        `vehicle=${newId()}`,
        '__proto__=1',
        '__proto__[x]=1',
        'unknown=1',
        '%zz=1',
        'search=%ff%00',
        'sort=up',
      ],
    ]
    const ROUTES = [
      ...[
        '/people',
        '/people/ID',
        '/people/changes',
        '/shop',
        '/vehicles',
        '/vehicles/ID',
        '/vehicles/ID/entries',
        '/vehicles/ID/live',
      ],
      ...[
        '/jobs',
        '/jobs/ID',
        '/jobs/ID/entries',
        '/jobs/ID/look',
        '/jobs/ID/live',
        '/jobs/ID/cues',
        '/health',
        '/nothing',
        '//jobs',
      ],
    ]
    const bad = await fuzzed(scaled(1500), () => {
      const method = pick(['GET', 'GET', 'GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'HEAD'])
      const ids = random() < 0.4 ? subjects.map(({ id }) => id) : IDS
      const route = pick(ROUTES)
      // A stream that is open goes on: only those that are refused are asked for here.
      const path = route.replace('ID', route.endsWith('/live') ? pick(IDS) : pick(ids))
      const body =
        method === 'POST' || method === 'PUT' ? pick(['{}', '[]', 'null', '""', '{"id":1}']) : undefined
      return [`/api${path}${random() < 0.6 ? `?${pick(QUERIES)}` : ''}`, { method, body }]
    })
    expect(bad.join('\n')).toBe('')
  })

  it('whatever its body says', async () => {
    const bad = await fuzzed(scaled(3500), () => {
      const wrong = (value: unknown) => asText(random() < 0.9 ? mutated(value) : value)
      const post = (path: string, value: unknown) =>
        [`/api${path}`, { method: 'POST', body: wrong(value) }] as const
      switch (whole(0, 6)) {
        case 0:
          if (random() < 0.7) return [...post('/people', { id: newId(), name: `P ${random()}` })]
          return [
            ...post('/people/changes', {
              ...{ id: newId(), personId: by, by, at: new Date().toISOString() },
              ...pick([
                { kind: 'renamed', name: `P ${random()}` },
                { kind: 'merged', into: pick([by, newId()]) },
                { kind: 'parted' },
              ]),
            }),
          ]
        case 1: {
          const body = wrong(valid(random() < 0.5 ? ShopSettings : PersonSettings))
          return [random() < 0.5 ? '/api/shop' : `/api/people/${by}`, { method: 'PUT', body }]
        }
        case 2: {
          const subject: Subject = { type: 'vehicle', id: newId() }
          const entries = [made(by, subject, 'installation', fromArchetype('long-line'))]
          return [...post('/vehicles', { id: subject.id, name: 'Fuzz', model: '__proto__', entries })]
        }
        case 3:
          return [...post(`/jobs/${subjects[0]!.id}/cues`, valid(CueSchema as unknown as TSchema))]
        default: {
          const { subject, body } = anyEntry()
          return [...post(`/${subject.type}s/${subject.id}/entries`, body)]
        }
      }
    })
    expect(bad.join('\n')).toBe('')
    const kinds = new Set(
      entrySchemas.map((one) => (one.properties as { kind: { const: Kind } }).kind.const),
    )
    expect(kinds.size).toBeGreaterThan(15)
    // After all of that it still reads what it took in.
    for (const { type, id } of subjects)
      expect((await ask(`${workshop.servers[1].address}/api/${type}s/${id}`)).status).toBe(200)
    expect((await ask(`${workshop.servers[0].address}/api/jobs`)).status).toBe(200)
    expect((await ask(`${workshop.servers[0].address}/api/shop`)).text).not.toContain('polluted')
  })
})
