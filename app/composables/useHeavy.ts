import { proxy, wrap, type Remote } from 'comlink'
import { onScopeDispose, ref, shallowRef } from 'vue'
import type { Heavy } from '~/workers/heavy'

type Told = (done: number, draws: number) => void
type Work<T> = (heavy: Remote<Heavy>, told: Told) => Promise<T>

/** One heavy run at a time: its progress, its answer, how long it took, and a way to stop it. */
export function useHeavy<T>() {
  const progress = ref<number | null>(null)
  const result = shallowRef<T | null>(null)
  const took = ref(0)
  const problem = ref('')
  let worker: Worker | undefined
  let run = 0

  function stop(): void {
    run += 1
    worker?.terminate()
    worker = undefined
    progress.value = null
  }

  async function start(work: Work<T>): Promise<void> {
    stop()
    const mine = run
    progress.value = 0
    problem.value = ''
    const began = performance.now()
    worker = new Worker(new URL('../workers/heavy.ts', import.meta.url), { type: 'module' })
    const failed = new Promise<never>((_, reject) => {
      worker!.onerror = (event) => reject(new Error(event.message || 'the computation failed'))
    })
    const told = proxy((done: number, draws: number) => {
      if (mine === run) progress.value = done / draws
    })
    try {
      const answer = await Promise.race([work(wrap<Heavy>(worker), told), failed])
      if (mine !== run) return
      result.value = answer
      took.value = performance.now() - began
      stop()
    } catch (error) {
      if (mine !== run) return
      stop()
      problem.value = error instanceof Error ? error.message : String(error)
    }
  }
  onScopeDispose(stop)
  return { progress, result, took, problem, start, stop }
}

/** A plain copy: what is reactive cannot be sent to a worker. */
export const plainly = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
