import type { Page } from '@playwright/test'
import { monotonicFactory } from 'ulid'
import type { Page as List, Person, Shop } from '../../contract'
import { freeTravel, solveCircuit } from '../../core/circuit'
import {
  knowledgeOf,
  priorsFrom,
  report,
  type ComplaintId,
  type Knowledge,
  type Policy,
  type Priors,
  type Report,
} from '../../core/diagnosis'
import { fromArchetype, withMeasured, type Installation } from '../../core/installation'
import { evidenceOf, fold, type JobKind, type Kind, type Payloads } from '../../core/journal'
import { openStops, questionOf } from '../../core/proof'
import { entriesOf, expect, get, measure, url } from './app'

/** Jobs opened for a test, what the core makes of them, and how one is proven. */
const ulid = monotonicFactory()
const post = async (path: string, body: unknown) => {
  const answer = await fetch(url(`/api${path}`), {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
  expect(answer.status).toBe(201)
}

/** A job on a new vehicle of a kind, as the bench opens one; gives its id and the vehicle’s installation. */
export async function open(
  archetype: string,
  complaints: ComplaintId[],
  jobKind: JobKind = 'fault',
): Promise<{ id: string; installation: Installation }> {
  const [person] = (await get<List<Person>>('/people')).items
  const vehicleId = ulid()
  const id = ulid()
  const installation = withMeasured(fromArchetype(archetype), 'master.pushrodClearance', 0.4)
  const entry = (subject: { type: 'job' | 'vehicle'; id: string }, kind: string, payload: unknown) => ({
    id: ulid(),
    subject,
    kind,
    at: new Date().toISOString(),
    by: person!.id,
    payload,
  })
  await post('/vehicles', {
    id: vehicleId,
    name: `Trial ${id.slice(-5)}`,
    entries: [entry({ type: 'vehicle', id: vehicleId }, 'installation', installation)],
  })
  const job = { type: 'job', id } as const
  await post('/jobs', {
    id,
    vehicleId,
    title: 'Find what it is',
    entries: [
      entry(job, 'goal', { jobKind, wanted: '' }),
      ...complaints.map((complaint) => entry(job, 'complaint', { complaint })),
    ],
  })
  return { id, installation }
}

/** What another device files on a job. */
export async function filedElsewhere<K extends Kind>(
  job: string,
  kind: K,
  payload: Payloads[K],
): Promise<void> {
  const [person] = (await get<List<Person>>('/people')).items
  const subject = { type: 'job', id: job }
  const at = new Date().toISOString()
  await post(`/jobs/${job}/entries`, {
    id: ulid(),
    subject,
    kind,
    at,
    by: person!.id,
    payload,
  })
}

/** Made ready once for what is asked of again and again. */
let ready: { key: string; knowledge: Knowledge } | undefined
function knowledgeFor(installation: Installation, priors: Priors): Knowledge {
  const key = JSON.stringify([installation, priors])
  if (ready?.key !== key) ready = { key, knowledge: knowledgeOf(installation, priors) }
  return ready.knowledge
}

/** What the core makes of the entries that the server has, by the shop’s way or another. */
export async function reckoned(
  id: string,
  installation: Installation,
  policy?: Policy,
): Promise<Report> {
  const state = fold(await entriesOf(id))
  const { record } = await get<Shop>('/shop')
  const stops = openStops(state, installation.circuit.master.portClosure)
  const knowledge = knowledgeFor(installation, priorsFrom(record, '').priors)
  const usual = questionOf(evidenceOf(state), state, stops)
  return report(knowledge, { ...usual, school: policy ?? usual.school })
}

/** One tap on a finding’s row. */
export const answer = (page: Page, finding: string, words: string) =>
  page
    .getByRole('group', { name: finding, exact: true })
    .getByRole('button', { name: words, exact: true })
    .click()

const LOOKS = [
  'Unions after ten hard strokes',
  'Level on its mark',
  'Starts only with the pedal down',
  'Unsynchronised gear goes in quietly',
  'Holds on a load test',
]
/** A look by its label, with its answers. */
export const lookAt = (page: Page, label: string) =>
  page.locator('[role="group"]').filter({ has: page.getByRole('button', { name: label }) })

/** Measures and looks again in Prove, all of it good on this circuit. */
export async function proveGood(page: Page, { circuit }: Installation): Promise<void> {
  const { engagement } = solveCircuit(circuit)
  await measure(page, 'Free travel at the pad', String(Math.round(freeTravel(circuit)) + 1))
  await measure(page, 'Take-up height', String(Math.round(circuit.pedal.travel - engagement!)))
  await measure(page, 'Sink under a held foot', '0.5')
  await measure(page, 'Pushrod clearance', '0.4')
  // The good answer stands last.
  for (const label of LOOKS) await lookAt(page, label).locator('button[aria-pressed]').last().click()
}
