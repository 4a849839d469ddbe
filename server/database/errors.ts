import { BaseError, ConnectionAcquireTimeoutError, ConnectionError } from 'sequelize'
import { SettingsError } from './settings'

/** The database's own numbers for what it answers. */
const LOCK_WAIT_TOO_LONG = 1205
/** A deadlock; and what a cluster's node answers when another node's commit came first. */
const DEADLOCK = 1213
const DUPLICATE = 1062
/** A cluster's node that has not joined yet. */
const NODE_NOT_READY = 1047
/** No room on the disk, or a server that only reads: nothing can be written. */
const CANNOT_WRITE: readonly (number | undefined)[] = [1114, 1021, 1026, 1030, 1290, 1836]
/** A row that is named is not there. */
export const NO_SUCH_ROW = 1452

/**
 * What kind of trouble an error of the database is: somebody else holds the row; a deadlock, after which a transaction is begun
 * again; a key that is in use; the database full or away. Null for anything else.
 */
export type Trouble = 'busy' | 'deadlock' | 'taken' | 'full' | 'away'

export function troubleOf(error: unknown): Trouble | null {
  const number = numberOf(error)
  if (CANNOT_WRITE.includes(number)) return 'full'
  switch (number) {
    case LOCK_WAIT_TOO_LONG:
      return 'busy'
    case DEADLOCK:
      return 'deadlock'
    case DUPLICATE:
      return 'taken'
    case NODE_NOT_READY:
      return 'away'
    default:
      return isAway(error) ? 'away' : null
  }
}

const isAway = (error: unknown): boolean =>
  error instanceof ConnectionError ||
  error instanceof ConnectionAcquireTimeoutError ||
  error instanceof SettingsError ||
  isLostConnection(error)

/** The database's own error number, where it gave one. */
export function numberOf(error: unknown): number | undefined {
  return error instanceof BaseError
    ? (error as { original?: { errno?: number } }).original?.errno
    : undefined
}

/** A statement cut off in flight comes as a database error whose cause is the socket's. */
function isLostConnection(error: unknown): boolean {
  if (!(error instanceof BaseError)) return false
  const cause = (error as { original?: { code?: string; fatal?: boolean } }).original
  const code = cause?.code ?? ''
  return (
    cause?.fatal === true ||
    /ECONN|EPIPE|ER_SOCKET|ER_CONNECTION|ER_SERVER_SHUTDOWN|ER_CMD_CONNECTION/.test(code)
  )
}
