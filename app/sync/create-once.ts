import { api, ApiError } from './api'
const tried = new Set<string>()

/**
 * Makes a vehicle or a job. An answer may be lost after the server has stored it: a second try asks first whether
 * it is there, so that nothing is made twice.
 */
export async function createOnce(path: '/vehicles' | '/jobs', id: string, body: object): Promise<void> {
  if (tried.has(id)) {
    try {
      await api(`${path}/${id}`)
      return
    } catch (error) {
      if (!(error instanceof ApiError) || error.problem.status !== 404) throw error
    }
  }
  tried.add(id)
  await api(path, body)
}
