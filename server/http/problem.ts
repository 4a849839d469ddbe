import type { Problem } from '../../contract'
import { troubleOf } from '../database/errors'
import { problemBody } from './codes'
import { Refusal } from '../services/refusal'

/**
 * Any error as problem details. What is not the sender's fault is told without its insides, and nothing is promised of what
 * the sender does with it: only its page knows whether it waits there to be sent again.
 */
export function problemOf(error: unknown): Problem {
  if (error instanceof Refusal) {
    const { code, message, errors, namesakes, status } = error
    const more = { ...(errors && { errors }), ...(namesakes && { namesakes }) }
    return problemBody(code, message, more, status)
  }
  switch (troubleOf(error)) {
    case 'busy':
    case 'deadlock':
      return problemBody('busy', 'Somebody else holds this just now. It is tried again by itself.')
    case 'taken':
      return problemBody('taken', 'Something else has this id or name')
    case 'full':
      return problemBody(
        'database-full',
        'The server cannot write: its disk is full, or its database is locked.',
      )
    case 'away':
      return problemBody('database-away', 'The database does not answer.')
    case null:
      return problemBody('failed', 'The server failed on this request. Nothing was stored.')
  }
}
