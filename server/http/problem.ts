import { BaseError, ConnectionError, ConnectionAcquireTimeoutError } from 'sequelize'
import type { Problem } from '../../contract'
import { SettingsError } from '../database/settings'
import { Refusal } from '../services/refusal'

/** Any error as problem details. What is not the sender's fault is told without its insides. */
export function problemOf(error: unknown): Problem {
  if (error instanceof Refusal) return problem(error.status, error.code, error.message, error.errors)
  if (
    error instanceof ConnectionError ||
    error instanceof ConnectionAcquireTimeoutError ||
    error instanceof SettingsError ||
    isLostConnection(error)
  )
    return problem(
      503,
      'database-away',
      'The database does not answer. What you entered stays on this device and is sent when it is back.',
    )
  return problem(500, 'failed', 'The server failed on this request. Nothing was stored.')
}

function problem(status: number, code: string, detail: string, errors?: Problem['errors']): Problem {
  const title = code.replaceAll('-', ' ')
  return { type: `urn:mellow-anchor:${code}`, title, status, detail, ...(errors && { errors }) }
}

/** A statement cut off in flight comes as a database error whose cause is the socket's. */
function isLostConnection(error: unknown): boolean {
  if (!(error instanceof BaseError)) return false
  const cause = (error as { original?: { code?: string; fatal?: boolean } }).original
  return (
    cause?.fatal === true || /ECONN|ER_SOCKET|ER_CONNECTION|ER_SERVER_SHUTDOWN/.test(cause?.code ?? '')
  )
}
