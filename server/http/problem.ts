import type { Problem } from '../../contract'
import { troubleOf } from '../database/errors'
import { Refusal } from '../services/refusal'

/**
 * Any error as problem details. What is not the sender's fault is told without its insides, and nothing is promised of what
 * the sender does with it: only its page knows whether it waits there to be sent again.
 */
export function problemOf(error: unknown): Problem {
  if (error instanceof Refusal)
    return {
      ...problem(error.status, error.code, error.message, error.errors),
      ...(error.namesakes && { namesakes: error.namesakes }),
    }
  switch (troubleOf(error)) {
    case 'busy':
    case 'deadlock':
      return problem(503, 'busy', 'Somebody else holds this just now. It is tried again by itself.')
    case 'taken':
      return problem(409, 'taken', 'Something else has this id or name')
    case 'full':
      return problem(
        503,
        'database-full',
        'The server cannot write: its disk is full, or its database is locked.',
      )
    case 'away':
      return problem(503, 'database-away', 'The database does not answer.')
    case null:
      return problem(500, 'failed', 'The server failed on this request. Nothing was stored.')
  }
}

function problem(status: number, code: string, detail: string, errors?: Problem['errors']): Problem {
  const title = code.replaceAll('-', ' ')
  return { type: `urn:mellow-anchor:${code}`, title, status, detail, ...(errors && { errors }) }
}
