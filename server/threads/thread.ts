import type { ProblemCode } from '../http/codes'
import { parentPort } from 'node:worker_threads'
import type { FieldProblem } from '../../contract'
import { Refusal } from '../services/refusal'
import { WORK, type WorkName } from './questions'

/** A thread of the pool: one question after the other, each with its answer or why there is none. */
export interface Asked {
  id: number
  name: WorkName
  question: unknown
}
/** A refusal as it crosses over: an error of a class of its own would not. */
interface Refused {
  status: number
  code: ProblemCode
  message: string
  errors?: FieldProblem[]
}
export type Answered =
  { id: number; answer: unknown } | { id: number; refused: Refused } | { id: number; failed: string }

async function told({ id, name, question }: Asked): Promise<Answered> {
  try {
    return { id, answer: await WORK[name](question as never) }
  } catch (error) {
    if (error instanceof Refusal) {
      const { status, code, message, errors } = error
      return { id, refused: { status, code, message, ...(errors && { errors }) } }
    }
    return { id, failed: error instanceof Error ? (error.stack ?? error.message) : String(error) }
  }
}

parentPort?.on('message', (asked: Asked) => {
  void told(asked).then((answer) => parentPort!.postMessage(answer))
})
