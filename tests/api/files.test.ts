import sharp from 'sharp'
import { beforeAll, describe, expect, it } from 'vitest'
import type { ModelNoteTold, ModelPhoto, Problem, StoredFile } from '../../contract'
import { fromArchetype } from '../../core/installation'
import type { Entry, Payloads, Subject } from '../../core/journal'
import { photograph } from '../arbitrary/photograph'
import { runningSuite } from '../harness/running'
import { aJob, anEntry, aPerson, call, newId, refused } from './client'

const { address } = runningSuite('api')
let by: string
let job: { vehicleId: string; jobId: string; subject: Subject }
beforeAll(async () => {
  by = await aPerson()
  job = await aJob(by)
})
let shade = 0
/** One that was not sent before. */
const another = (width?: number, height?: number) =>
  photograph(width, height, { r: 10, g: 20, b: (shade += 3) })
async function send(content: Buffer): Promise<{ status: number; body: StoredFile & Problem }> {
  const body = new Uint8Array(content)
  const response = await fetch(`${address}/api/files`, { method: 'POST', body })
  return { status: response.status, body: (await response.json()) as StoredFile & Problem }
}
const fetched = (id: string, query = '') => fetch(`${address}/api/files/${id}${query}`)
const post = (payload: Payloads['photo'], more: Partial<Entry> = {}) =>
  call<Entry>('POST', `/jobs/${job.jobId}/entries`, anEntry(job.subject, by, 'photo', payload, more))

describe('a photograph', () => {
  it('is kept upright, resized, without the place where it was taken, and once', async () => {
    const sent = await another(4000, 3000)
    expect((await sharp(sent).metadata()).exif!.toString('latin1')).toContain('Camera')
    const { status, body } = await send(sent)
    expect(status).toBe(201)
    expect(body).toMatchObject({ type: 'image/jpeg', width: 1536, height: 2048 })
    const again = await send(sent)
    expect([again.status, again.body]).toEqual([200, body])
    const response = await fetched(body.id)
    expect(response.headers.get('content-type')).toBe('image/jpeg')
    expect(response.headers.get('cache-control')).toContain('immutable')
    const kept = Buffer.from(await response.arrayBuffer())
    expect(kept.length).toBe(body.bytes)
    const { exif, width, height } = await sharp(kept).metadata()
    expect([exif, width, height]).toEqual([undefined, 1536, 2048])
    const small = await sharp(
      Buffer.from(await (await fetched(body.id, '?size=small')).arrayBuffer()),
    ).metadata()
    expect([small.width, small.height]).toEqual([240, 320])
  })

  it('sent by two tablets at once is one', async () => {
    const sent = await another()
    const answers = await Promise.all(Array.from({ length: 4 }, () => send(sent)))
    expect(new Set(answers.map(({ body }) => body.id)).size).toBe(1)
    expect(answers.filter(({ status }) => status === 201)).toHaveLength(1)
  })

  it('that is none is refused with a sentence, whatever it is called and however large', async () => {
    const other = Buffer.alloc(12 * 1024 * 1024, 'MZ not a picture ')
    const script = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>')
    const torn = (await another(1500, 1500)).subarray(0, 3000)
    for (const content of [other, script, torn, Buffer.alloc(0)]) {
      const { status, body } = await send(content)
      expect(status).toBe(415)
      expect(body.detail).toMatch(/no photograph that can be read.*Nothing was kept/)
    }
  })

  it('of more than 12 MiB is refused by its bound', async () => {
    const { status, body } = await send(Buffer.alloc(12 * 1024 * 1024 + 1, 255))
    expect(status).toBe(413)
    expect(body.detail).toBe('At most 12 MiB are taken here')
  })

  it('that was never sent is not there, and no entry can name it', async () => {
    const id = newId()
    expect((await fetched(id)).status).toBe(404)
    const problem = await refused(post({ file: id }))
    expect(problem).toMatchObject({ status: 422, errors: [{ path: '/payload/file' }] })
  })
})

describe('photographs of a model', () => {
  it('are those of parts that stand, from its jobs and vehicles alike', async () => {
    const model = `Fulmar ${newId()}`
    const vehicle = { type: 'vehicle', id: newId() } as const
    await call('POST', '/vehicles', {
      id: vehicle.id,
      name: 'Post van',
      model,
      entries: [anEntry(vehicle, by, 'installation', fromArchetype('small-car'))],
    })
    const own = { type: 'job', id: newId() } as const
    await call('POST', '/jobs', {
      id: own.id,
      vehicleId: vehicle.id,
      title: 'Soft',
      entries: [anEntry(own, by, 'goal', { jobKind: 'fault', wanted: '' })],
    })
    const files = await Promise.all([1, 2, 3].map(async () => (await send(await another())).body.id))
    const file = async (subject: Subject, payload: Payloads['photo'], at: string) => {
      const entry = anEntry(subject, by, 'photo', payload, { at })
      const { status } = await call('POST', `/${subject.type}s/${subject.id}/entries`, entry)
      expect(status).toBe(201)
      return entry.id
    }
    await file(
      own,
      { file: files[0]!, place: 'slave', words: 'behind the shield' },
      '2026-11-20T08:00:00.000Z',
    )
    await file(vehicle, { file: files[1]!, place: 'master' }, '2026-11-21T08:00:00.000Z')
    await file(own, { file: files[2]!, of: newId() }, '2026-11-22T08:00:00.000Z')
    const gone = await file(
      vehicle,
      { file: files[2]!, place: 'reservoir' },
      '2026-11-22T08:00:00.000Z',
    )
    const ask = async () =>
      (await call<ModelPhoto[]>('GET', `/models/photos?model=${encodeURIComponent(model)}`)).body
    expect((await ask()).map(({ place }) => place)).toEqual(['reservoir', 'master', 'slave'])
    const back = anEntry(vehicle, by, 'withdrawal', {}, { withdraws: gone })
    await call('POST', `/vehicles/${vehicle.id}/entries`, back)
    expect(await ask()).toEqual([
      {
        file: files[1],
        place: 'master',
        words: null,
        vehicleName: 'Post van',
        at: '2026-11-21T08:00:00.000Z',
      },
      {
        file: files[0],
        place: 'slave',
        words: 'behind the shield',
        vehicleName: 'Post van',
        at: '2026-11-20T08:00:00.000Z',
      },
    ])
    expect((await call<ModelPhoto[]>('GET', '/models/photos?model=Nobody')).body).toEqual([])
  })
})

describe('a note about a model', () => {
  it('stands for every vehicle of it until it is taken back, and its photograph must have come', async () => {
    const model = `Fulmar ${newId()}`
    const vehicle = { type: 'vehicle', id: newId() } as const
    await call('POST', '/vehicles', {
      id: vehicle.id,
      name: 'Post van',
      model,
      entries: [anEntry(vehicle, by, 'installation', fromArchetype('small-car'))],
    })
    const one = anEntry(vehicle, by, 'modelNote', {
      model,
      place: 'reservoir',
      words: 'behind the airbox',
      photo: newId(),
    })
    const entryOf = (entry: Entry) => call<Problem>('POST', `/vehicles/${vehicle.id}/entries`, entry)
    const unsent = await entryOf(one)
    expect(unsent.status).toBe(422)
    expect(unsent.body.errors![0]!.path).toBe('/payload/photo')
    const photo = (await send(await another())).body.id
    const kept = anEntry(vehicle, by, 'modelNote', { ...one.payload, photo } as Payloads['modelNote'])
    expect((await entryOf(kept)).status).toBe(201)
    const ask = async () =>
      (await call<ModelNoteTold[]>('GET', `/models/notes?model=${encodeURIComponent(model)}`)).body
    expect(await ask()).toMatchObject([
      { id: kept.id, place: 'reservoir', words: 'behind the airbox', photo, vehicleName: 'Post van' },
    ])
    await entryOf(anEntry(vehicle, by, 'withdrawal', {}, { withdraws: kept.id }))
    expect(await ask()).toEqual([])
  })
})
