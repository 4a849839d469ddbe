import { defineNitroPlugin } from 'nitropack/runtime'
import { monitorEventLoopDelay } from 'node:perf_hooks'

/** ms between looks at the clock. */
const EVERY = 2

/** For the bench alone: how long the server's own thread was held up, said on SIGUSR2 and then counted anew. */
export default defineNitroPlugin(() => {
  if (process.env.MELLOW_MEASURE !== 'yes') return
  const delay = monitorEventLoopDelay({ resolution: EVERY })
  delay.enable()
  process.on('SIGUSR2', () => {
    // What is counted is the time between two looks, which is never less than was asked for.
    const ms = (nanoseconds: number) => nanoseconds / 1e6 - EVERY
    const found = {
      p50: ms(delay.percentile(50)),
      p999: ms(delay.percentile(99.9)),
      max: ms(delay.max),
    }
    process.stderr.write(`loop ${JSON.stringify(found)}\n`)
    delay.reset()
  })
})
