import { beforeEach, describe, expect, it, vi } from 'vitest'
import { computed, ref, shallowRef } from 'vue'
import { fromArchetype, withMeasured } from '../../core/installation'
import type { Entry, Kind, Payloads } from '../../core/journal'
import { JOB, PERSON, entry, reading, ulidOf } from '../../tests/arbitrary/entry'
import { figuresOf } from './figures-of'
import { openJob } from './useJob'
import { withStores } from '../../tests/harness/stores'

const VEHICLE = ulidOf(12)
const van = fromArchetype('long-line')
const ofJob = shallowRef<Entry[]>([])
const ofVehicle = shallowRef<Entry[]>([])
const asked: string[] = []
/** What the server has of a subject: the vehicle may come later, or not at all. */
const shown = { job: shallowRef<unknown>(null), vehicle: shallowRef<unknown>(null) }
let refuses = ''

vi.mock('./useOpened', () => ({
  useOpened: (type: 'job' | 'vehicle') => ({
    value: shown[type],
    fetchingOlder: ref(false),
    look: () => Promise.resolve(),
    load: (id: string) => {
      asked.push(`${type} ${id}`)
      if (refuses === type) return Promise.reject(new Error(`no such ${type}`))
      const found = type === 'job' ? { id, vehicleId: VEHICLE } : { id }
      shown[type].value = found
      return Promise.resolve(found)
    },
  }),
}))
vi.mock('./useFollowing', () => ({ useFollowing: () => {} }))
vi.mock('./usePresence', () => ({ usePresence: () => ({ hear: () => {} }) }))

const inVehicle = (n: number, kind: Kind, payload: Payloads[Kind]): Entry =>
  entry(n, kind as 'note', payload as { words: string }, {
    subject: { type: 'vehicle', id: VEHICLE },
  })
const filed: string[] = []

beforeEach(() => {
  ofJob.value = []
  ofVehicle.value = [inVehicle(1, 'installation', van)]
  shown.job.value = shown.vehicle.value = null
  asked.length = filed.length = 0
  refuses = ''
  withStores({
    person: { id: PERSON, units: 'metric', current: { id: PERSON }, load: () => Promise.resolve() },
    journal: {
      restored: Promise.resolve(),
      entriesOf: ({ type }: { type: string }) =>
        computed(() => (type === 'job' ? ofJob.value : ofVehicle.value)),
      file: (_of: unknown, _by: string, kind: Kind, payload: unknown) => {
        filed.push(kind)
        return Promise.resolve({ id: ulidOf(3000 + filed.length), kind, payload })
      },
    },
  })
})

const opened = async () => {
  const job = openJob(JOB)
  await vi.waitFor(() => expect(job.job.value ?? job.error.value).not.toBeNull())
  return { job, figures: figuresOf(job) }
}

describe('an open job', () => {
  it('is shown once its vehicle is there too, and asks for each once', async () => {
    const { job } = await opened()
    expect(asked).toEqual([`job ${JOB}`, `vehicle ${VEHICLE}`])
    expect(job.vehicle.value).toEqual({ id: VEHICLE })
  })

  it('says why it could not be opened, and opens when asked again', async () => {
    refuses = 'vehicle'
    const { job } = await opened()
    expect([job.job.value, job.error.value]).toEqual([null, 'no such vehicle'])
    refuses = ''
    await job.load()
    expect([job.error.value, job.job.value !== null]).toEqual([null, true])
  })

  it('has the phase of the stage that is looked at', async () => {
    const { job } = await opened()
    expect(job.phase.value).toBe('asFound')
    job.stage.value = 'bleed'
    expect(job.phase.value).toBe('working')
    job.stage.value = 'prove'
    expect(job.phase.value).toBe('after')
  })
})

describe('the figures of an open job', () => {
  it('are those of its vehicle’s circuit under what the job has measured', async () => {
    const { figures } = await opened()
    expect(figures.kept.value!.circuit).toEqual(van.circuit)
    ofJob.value = [entry(1, 'parameter', { field: 'master.bore', value: 17.5 })]
    expect(figures.kept.value!.circuit).toEqual(withMeasured(van, 'master.bore', 17.5).circuit)
    expect(figures.ofVehicle.value!.circuit.master.bore).toBe(van.circuit.master.bore)
  })

  it('hold a reading in its own phase alone, and are left alone by what changes none', async () => {
    const { figures } = await opened()
    ofJob.value = [entry(1, 'measurement', reading('freeTravel', 51))]
    const before = figures.figures.asFound.value!
    expect(before.airFrom).toBe('freeTravel')
    expect(figures.figures.after.value!.air).toBeNull()
    ofJob.value = [...ofJob.value, entry(2, 'note', { words: 'wet' })]
    expect(figures.figures.asFound.value).toBe(before)
    expect(figures.proof.value!.verdict.outcome).toBe('notYet')
  })

  it('a point that is moved is drawn, and changes no figure unless a length goes with it', async () => {
    const { figures } = await opened()
    const before = figures.figures.asFound.value!
    figures.routing.move(2, { height: 80 })
    expect(figures.installation.value!.route[2]!.height).toBe(80)
    expect(figures.figures.asFound.value).toBe(before)
    // The fifth point of this line is a union.
    figures.routing.move(5, { along: van.route[5]!.along - 50 })
    expect(figures.figures.asFound.value!.solution.budget.lineSwell).not.toBe(
      before.solution.budget.lineSwell,
    )
    await figures.routing.keep()
    expect(filed).toEqual(['installation'])
  })

  it('a stop is judged by the circuit as the job has it', async () => {
    const { figures } = await opened()
    ofJob.value = [entry(1, 'measurement', reading('rodClearance', -0.5))]
    expect(figures.stops.value.map(({ stop }) => stop)).toEqual(['rodClearance'])
    ofJob.value = [...ofJob.value, entry(2, 'measurement', reading('rodClearance', 0.3, 'working'))]
    expect(figures.stops.value).toEqual([])
  })
})
