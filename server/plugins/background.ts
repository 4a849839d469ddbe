import { closeDatabase } from '../database/current'
import { closeStreams } from '../live/hub'
import { keepJobsFresh } from '../live/keeping'
import { startSending, stopSending } from '../supplier/running'
import { closePool } from '../threads/pool'

/** Work behind the answers, and its end: streams first, or they would keep the server from ending; the pool last. */
export default defineNitroPlugin((nitro) => {
  const keeping = keepJobsFresh()
  startSending()
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.prependListener(signal, closeStreams)
  nitro.hooks.hook('close', async () => {
    keeping.stop()
    stopSending()
    closeStreams()
    await closePool()
    await closeDatabase()
  })
})
