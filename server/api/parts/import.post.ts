import { Readable } from 'node:stream'
import { setResponseHeader } from 'h3'
import { ImportPlan, MOST_LIST_BYTES, type ImportPlanBody, type ImportTold } from '../../../contract'
import { spool } from '../../http/spool'
import { problemOf } from '../../http/problem'
import { route } from '../../http/route'
import { importParts } from '../../services/shelf/import-parts'
import { Refusal } from '../../services/refusal'
import { checker } from '../../services/validate'

const check = checker(ImportPlan)

/** A list is read in: its plan in the query, its bytes as the body; how far it is comes back line by line. */
export default route(async ({ database, event, query }) => {
  const plan = check(planIn(query)) as ImportPlanBody
  const file = await spool(event, MOST_LIST_BYTES)
  async function* told(): AsyncGenerator<string> {
    const line = (one: ImportTold) => `${JSON.stringify(one)}\n`
    try {
      for await (const one of importParts(database, file, plan)) yield line(one)
    } catch (error) {
      yield line({ stage: 'failed', detail: problemOf(error).detail })
    } finally {
      await file.remove()
    }
  }
  const lines = Readable.from(told())
  // Whoever goes away takes it back: nothing is kept.
  event.node.res.once('close', () => lines.destroy())
  setResponseHeader(event, 'content-type', 'application/x-ndjson')
  return lines
})

function planIn(query: unknown): unknown {
  const { plan } = query as { plan?: unknown }
  try {
    return JSON.parse(String(plan)) as unknown
  } catch {
    throw new Refusal('invalid', 'Refused: /plan is not readable as JSON', [
      { path: '/plan', message: 'is not readable as JSON' },
    ])
  }
}
