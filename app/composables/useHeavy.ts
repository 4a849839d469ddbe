import { proxy, wrap, type Remote } from 'comlink'
import { onScopeDispose, ref, shallowRef } from 'vue'
import type { Heavy, HeavyName, HeavyQuestion, HeavyResult } from '~/workers/heavy'
import type { Ended } from '~/workers/turns'

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
let askers = 0

/** One heavy run at a time for each that asks: its progress, its answer, how long it took, and a way to stop it. */
export function useHeavy<N extends HeavyName>(name: N, lane: Lane = 'main') {
  const asker = `${name} ${++askers}`
  const progress = ref<number | null>(null)
  const result = shallowRef<HeavyResult<N> | null>(null)
  const took = ref(0)
  const problem = ref('')
  let run = 0

  function stop(): void {
    if (progress.value === null) return
    run += 1
    progress.value = null
    void lanes[lane]?.remote.stop(asker)
  }

  /** Asks; what was asked before and is not answered yet is given up. */
  async function start(question: HeavyQuestion<N>): Promise<void> {
    const mine = ++run
    progress.value = 0
    problem.value = ''
    const began = performance.now()
    const { remote, broke } = heavyWorker(lane)
    // How far it is comes by a way of its own, and may come after the answer.
    let answered = false
    const told = proxy((done: number, total: number, soFar?: HeavyResult<N>) => {
      if (mine !== run || answered) return
      progress.value = done / total
      if (soFar !== undefined) result.value = soFar
    })
    try {
      const asked = remote.ask(asker, name, plainly(question), told as never) as Promise<
        Ended<HeavyResult<N>>
      >
      const answer = await Promise.race([asked, broke])
      if (mine !== run || !answer.ended) return
      result.value = answer.result
      took.value = performance.now() - began
    } catch (error) {
      if (mine === run) problem.value = error instanceof Error ? error.message : String(error)
    }
    answered = true
    if (mine === run) progress.value = null
  }
  onScopeDispose(stop)
  /** Starts the thread before anything is asked, so that the first answer comes sooner. */
  const warm = (): void => void heavyWorker(lane)
  return { progress, result, took, problem, start, stop, warm }
}

/** A plain copy: what is reactive cannot be sent to a worker. */
export const plainly = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
