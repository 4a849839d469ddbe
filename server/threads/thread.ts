import { parentPort } from 'node:worker_threads'
import { WORK, type WorkName } from './questions'

/** A thread of the pool: one question after the other, each with its answer or why there is none. */
export interface Asked {
  id: number
  name: WorkName
  question: unknown
}
export type Answered = { id: number; answer: unknown } | { id: number; failed: string }

parentPort?.on('message', ({ id, name, question }: Asked) => {
  const told = (): Answered => {
    try {
      return { id, answer: WORK[name](question as never) }
    } catch (error) {
      return { id, failed: error instanceof Error ? (error.stack ?? error.message) : String(error) }
    }
  }
  parentPort!.postMessage(told())
})
