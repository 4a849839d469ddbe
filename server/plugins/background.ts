import { defineNitroPlugin } from 'nitropack/runtime'
import { closeDatabase } from '../database/current'
import { stopListening } from '../http/listening'
import { dropSpool, sweepSpool } from '../http/spool-folder'
import { closeStreams } from '../live/hub'
import { keepJobsFresh } from '../live/keeping'
import { startSending, stopSending } from '../supplier/running'
import { closePool } from '../threads/pool'

/** ms that answers on their way have to be finished. */
const FINISHES_WITHIN = 5000

/**
 * Work behind the answers, and the end of it all: streams first, or they would keep the server from ending; the pool last.
 * The framework's own way to end fails on connections that are gone already, so it is not used.
 */
export default defineNitroPlugin(() => {
  process.env.NITRO_SHUTDOWN_DISABLED = 'yes'
  sweepSpool()
  const keeping = keepJobsFresh()
  startSending()
  let ending = false
  const end = async () => {
    if (ending) return
    ending = true
    keeping.stop()
    stopSending()
    closeStreams()
    try {
      await stopListening(FINISHES_WITHIN)
      await closePool()
      await closeDatabase()
      dropSpool()
    } finally {
      process.exit(0)
    }
  }
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => void end())
})
