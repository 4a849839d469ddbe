import { monotonicFactory } from 'ulid'
import type { Problem } from '../../contract'
import { fromArchetype } from '../../core/installation'
import type { Entry, Kind, Payloads, Subject } from '../../core/journal'
import { runningSuite } from '../harness/running'

export const newId = monotonicFactory()

/** One call of the running server. */
export async function call<T = unknown>(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  path: string,
  body?: unknown,
  headers: Record<string, string> = {},
): Promise<{ status: number; body: T; headers: Headers }> {
  const { address } = runningSuite('api')
  const response = await fetch(`${address}/api${path}`, {
    method,
    headers: { ...(body !== undefined && { 'content-type': 'application/json' }), ...headers },
    body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
  })
  const text = await response.text()
  return { status: response.status, body: JSON.parse(text) as T, headers: response.headers }
}

/** A refusal must be problem details; gives them back. */
export async function refused(promise: ReturnType<typeof call>): Promise<Problem> {
  const { status, body, headers } = await promise
  const problem = body as Problem
  if (!headers.get('content-type')?.startsWith('application/problem+json') || problem.status !== status)
    throw new Error(`no problem details: ${status} ${JSON.stringify(body)}`)
  return problem
}

export async function aPerson(name = `Person ${newId()}`): Promise<string> {
  const id = newId()
  await call('POST', '/people', { id, name })
  return id
}

export function anEntry<K extends Kind>(
  subject: Subject,
  by: string,
  kind: K,
  payload: Payloads[K],
  more: Partial<Entry> = {},
): Entry {
  return { id: newId(), subject, kind, at: new Date().toISOString(), by, payload, ...more } as Entry
}

/** A vehicle and a job on it, with their ids. */
export async function aJob(
  by: string,
  model?: string,
): Promise<{ vehicleId: string; jobId: string; subject: Subject }> {
  const vehicleId = newId()
  const jobId = newId()
  const vehicle = { type: 'vehicle', id: vehicleId } as const
  const subject = { type: 'job', id: jobId } as const
  await call('POST', '/vehicles', {
    id: vehicleId,
    name: 'Test van',
    ...(model && { model }),
    entries: [anEntry(vehicle, by, 'installation', fromArchetype('long-line'))],
  })
  await call('POST', '/jobs', {
    id: jobId,
    vehicleId,
    title: 'Soft',
    entries: [anEntry(subject, by, 'goal', { jobKind: 'fault', wanted: '' })],
  })
  return { vehicleId, jobId, subject }
}
