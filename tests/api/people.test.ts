import { describe, expect, it } from 'vitest'
import type { BenchJob, Page, PeopleChange, Person } from '../../contract'
import { runningSuite } from '../harness/running'
import { aJob, anEntry, aPerson, call, newId, refused } from './client'

const at = () => new Date().toISOString()
const change = (body: object) =>
  call<PeopleChange>('POST', '/people/changes', { id: newId(), at: at(), ...body })
const person = async (id: string) => {
  const { body } = await call<Page<Person>>('GET', '/people?limit=200')
  return body.items.find((one) => one.id === id)
}
const changes = async () =>
  (await call<Page<PeopleChange>>('GET', '/people/changes?limit=200')).body.items

describe('people', () => {
  it('get another name, which stands in what they filed before; it is kept with who and when, and goes back', async () => {
    const [by, whose] = [await aPerson(), await aPerson()]
    const was = (await person(whose))!.name
    const { jobId } = await aJob(whose)
    const to = `Renamed ${newId()}`
    const done = await change({ personId: whose, kind: 'renamed', name: ` ${to} `, by })
    expect(done.status).toBe(201)
    expect(done.body).toMatchObject({ from: was, to, by: (await person(by))!.name, stands: true })
    expect((await person(whose))!.name).toBe(to)
    const { body } = await call<Page<BenchJob>>('GET', '/jobs?limit=200')
    expect(body.items.find(({ id }) => id === jobId)!.lastBy).toBe(to)
    // A second one takes the place of the first: only that is undone.
    await change({ personId: whose, kind: 'renamed', name: was, by: whose })
    expect((await changes()).filter(({ personId }) => personId === whose)).toMatchObject([
      { from: to, to: was, stands: true },
      { from: was, to, stands: false },
    ])
  })

  it('the same change sent twice is one; another with its id, and a name in use, are refused', async () => {
    const [by, other] = [await aPerson(), await aPerson()]
    const body = { id: newId(), at: at(), personId: by, kind: 'renamed', name: `N ${newId()}`, by }
    expect((await call('POST', '/people/changes', body)).status).toBe(201)
    expect((await call('POST', '/people/changes', body)).status).toBe(200)
    expect((await changes()).filter(({ personId }) => personId === by)).toHaveLength(1)
    const taken = (await person(other))!.name
    const clash = await refused(call('POST', '/people/changes', { ...body, personId: other }))
    expect([clash.status, clash.type]).toEqual([409, 'urn:mellow-anchor:taken'])
    const named = await refused(
      change({ personId: by, kind: 'renamed', name: taken.toUpperCase(), by }),
    )
    expect([named.status, named.errors?.[0]?.path]).toEqual([409, '/name'])
    expect(named.detail).toContain('merge the two')
    for (const [wrong, path] of [
      [{ kind: 'renamed' }, '/name'],
      [{ kind: 'merged' }, '/into'],
      [{ kind: 'merged', into: by }, '/into'],
      [{ kind: 'renamed', name: 'x', by: newId() }, '/by'],
    ] as const) {
      const problem = await refused(change({ personId: by, by, ...wrong }))
      expect([problem.status, problem.errors?.[0]?.path]).toEqual([422, path])
    }
    expect((await refused(change({ personId: newId(), kind: 'parted', by }))).status).toBe(404)
  })

  it('two records of one person become one, in lists, names and what is asked by person; and are parted again', async () => {
    const [one, two, three] = [await aPerson(), await aPerson(), await aPerson()]
    const names = await Promise.all([one, two, three].map(async (id) => (await person(id))!.name))
    const { jobId } = await aJob(two)
    await change({ personId: two, kind: 'merged', into: one, by: three })
    expect(await person(two)).toBeUndefined()
    expect((await person(one))!.also).toEqual([two])
    // Into a third: both go along.
    await change({ personId: one, kind: 'merged', into: three, by: three })
    expect((await person(three))!.also.sort()).toEqual([one, two].sort())
    const ofThree = await call<Page<BenchJob>>('GET', `/jobs?person=${three}&limit=200`)
    expect(ofThree.body.items.map(({ id, lastBy }) => [id, lastBy])).toEqual([[jobId, names[2]]])
    // A tablet that has not heard of it yet files on in the old name.
    const subject = { type: 'job', id: jobId } as const
    const filed = await call(
      'POST',
      `/jobs/${jobId}/entries`,
      anEntry(subject, two, 'note', { words: 'a' }),
    )
    expect(filed.status).toBe(201)
    for (const [body, status] of [
      [{ personId: two, kind: 'merged', into: three }, 409],
      [{ personId: three, kind: 'merged', into: two }, 409],
      [{ personId: two, kind: 'renamed', name: 'x y' }, 409],
      [{ personId: three, kind: 'parted' }, 409],
    ] as const)
      expect((await refused(change({ ...body, by: three }))).status).toBe(status)
    await change({ personId: one, kind: 'parted', by: three })
    expect((await person(one))!.also).toEqual([two])
    expect((await person(three))!.also).toEqual([])
    // While it was one, somebody else took the name.
    await call('POST', '/people', { id: newId(), name: names[1] })
    const taken = await refused(change({ personId: two, kind: 'parted', by: three }))
    expect([taken.status, taken.errors?.[0]?.path]).toEqual([409, '/name'])
    await change({ personId: two, kind: 'parted', name: `${names[1]} 2`, by: three })
    expect([(await person(two))!.name, (await person(one))!.also]).toEqual([`${names[1]} 2`, []])
  })

  it('two who merge the same two the other way round at once: one of it holds', async () => {
    const [one, two] = [await aPerson(), await aPerson()]
    const done = await Promise.all([
      change({ personId: one, kind: 'merged', into: two, by: one }),
      change({ personId: two, kind: 'merged', into: one, by: two }),
    ])
    expect(done.map(({ status }) => status).sort()).toEqual([201, 409])
    expect([await person(one), await person(two)].filter(Boolean)).toHaveLength(1)
  })

  it('one that was parted and merged by itself stays there when the first merging is undone', async () => {
    const [x, a, b] = [await aPerson(), await aPerson(), await aPerson()]
    const also = async (id: string) => (await person(id))?.also
    await change({ personId: x, kind: 'merged', into: a, by: b })
    await change({ personId: a, kind: 'merged', into: b, by: b })
    await change({ personId: x, kind: 'parted', by: b })
    await change({ personId: x, kind: 'merged', into: b, by: b })
    await change({ personId: a, kind: 'parted', by: b })
    expect([await also(a), await also(b)]).toEqual([[], [x]])
    const told = (await changes()).find(({ personId, kind }) => personId === a && kind === 'parted')!
    expect(told.from).toBe((await person(a))!.name)
  })

  it('an id with another name or person to merge into is another change; a list is not searched in silence', async () => {
    const [one, two, three] = [await aPerson(), await aPerson(), await aPerson()]
    const merged = { id: newId(), at: at(), personId: one, kind: 'merged', into: two, by: two }
    const post = (body: object) => call('POST', '/people/changes', body)
    expect((await post(merged)).status).toBe(201)
    expect((await refused(post({ ...merged, into: three }))).status).toBe(409)
    expect((await post(merged)).status).toBe(200)
    const named = {
      id: newId(),
      at: at(),
      personId: two,
      kind: 'renamed',
      name: `N ${newId()}`,
      by: two,
    }
    expect((await post(named)).status).toBe(201)
    expect((await refused(post({ ...named, name: 'Another' }))).status).toBe(409)
    const asked = await refused(call('GET', '/people/changes?search=x'))
    expect([asked.status, asked.errors?.[0]?.path]).toEqual([422, '/search'])
  })

  it('what is printed and what goes out as a table bear the name of who stands for the record', async () => {
    const [one, two] = [await aPerson(), await aPerson()]
    const { vehicleId, subject } = await aJob(one)
    const reading = { reading: 'freeTravel', value: 40, phase: 'asFound' } as const
    await call('POST', `/jobs/${subject.id}/entries`, anEntry(subject, one, 'measurement', reading))
    await change({ personId: one, kind: 'merged', into: two, by: two })
    await change({ personId: two, kind: 'renamed', name: 'Anne Table', by: two })
    const { address } = runningSuite('api')
    const table = await (await fetch(`${address}/api/vehicles/${vehicleId}/measurements`)).text()
    expect(table.trimEnd().split('\r\n').at(-1)).toContain('Anne Table')
  })
})
