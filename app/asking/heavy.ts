import { proxy, wrap, type Remote } from 'comlink'
import type { Heavy, HeavyName, HeavyQuestion, HeavyResult } from '~/workers/heavy'
import { useAsked, type AskedOptions, type Asker, type Ended } from './useAsked'

/** Two threads: what is long does not hold up what follows it. */
export type Lane = 'main' | 'beside'
interface HeavyWorker {
  remote: Remote<Heavy>
  broke: Promise<never>
}
/** A lane's worker, started when first asked and begun anew where it broke. */
const lanes: Partial<Record<Lane, HeavyWorker>> = {}
function heavyWorker(lane: Lane): HeavyWorker {
  const known = lanes[lane]
  if (known) return known
  const worker = new Worker(new URL('../workers/heavy.ts', import.meta.url), { type: 'module' })
  const broke = new Promise<never>((_, reject) => {
    worker.onerror = (event) => {
      worker.terminate()
      delete lanes[lane]
      reject(new Error(event.message || 'the computation failed'))
    }
  })
  broke.catch(() => {})
  return (lanes[lane] = { remote: wrap<Heavy>(worker), broke })
}
/** Starts a lane's thread before anything is asked, so that the first answer comes sooner. */
export const warm = (lane: Lane): void => void heavyWorker(lane)

let askers = 0
/** One who asks for heavy work, one question at a time: a newer one takes the place of the one before. */
export function heavyAsker<N extends HeavyName>(name: N, lane: Lane = 'main'): Asker<HeavyResult<N>> {
  const asker = `${name} ${++askers}`
  return {
    ask: (text, tell) => {
      const { remote, broke } = heavyWorker(lane)
      const asked = remote.ask(asker, name, text, proxy(tell) as never) as Promise<
        Ended<HeavyResult<N>>
      >
      return Promise.race([asked, broke])
    },
    stop: () => void lanes[lane]?.remote.stop(asker),
  }
}

/** Heavy work that is asked for whenever its question is another one. */
export const useHeavy = <N extends HeavyName>(
  name: N,
  question: () => HeavyQuestion<N> | null,
  { lane, ...options }: AskedOptions<HeavyQuestion<N>> & { lane?: Lane } = {},
) => useAsked<HeavyQuestion<N>, HeavyResult<N>>(question, heavyAsker(name, lane), options)
