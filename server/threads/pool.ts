import { availableParallelism } from 'node:os'
import { dirname, join } from 'node:path'
import { Worker } from 'node:worker_threads'
import { Refusal } from '../services/refusal'
import type { Answer, Question, WorkName } from './questions'
import type { Asked, Answered } from './thread'

/** One core is left to the server's own thread. */
const MOST_THREADS = Math.max(1, availableParallelism() - 1)
/** Questions that may wait; more are told to come again. */
const MOST_WAITING = 200
/** ms that one question may take; a thread that takes longer is ended, for it will not be told to stop. */
const PATIENCE = 30_000

interface Waiting extends Asked {
  done: (answer: unknown) => void
  fail: (error: Error) => void
}
interface Thread {
  worker: Worker
  doing: Waiting | null
  timer: ReturnType<typeof setTimeout> | undefined
}

const threads: Thread[] = []
const waiting: Waiting[] = []
let last = 0

/** The build puts the thread's script beside the server's own. */
const script = (): string => join(dirname(process.argv[1] ?? '.'), 'thread.mjs')

/**
 * Asks a thread of the pool, so that no answer to anybody else waits for this one.
 * @throws Refusal 503 where too many wait, or it takes too long
 */
export function ask<N extends WorkName>(name: N, question: Question<N>): Promise<Answer<N>> {
  if (waiting.length >= MOST_WAITING)
    return Promise.reject(new Refusal('busy', 'So much is being worked out already; ask again.'))
  return new Promise((resolve, reject) => {
    const done = (answer: unknown) => resolve(answer as Answer<N>)
    waiting.push({ id: ++last, name, question, done, fail: reject })
    handOut()
  })
}

/** Ends the threads, so that the server can end. */
export async function closePool(): Promise<void> {
  await Promise.all(threads.splice(0).map(({ worker }) => worker.terminate()))
}

function handOut(): void {
  let free = threads.find(({ doing }) => doing === null)
  if (!free && threads.length < MOST_THREADS) free = begin()
  const next = free ? waiting.shift() : undefined
  if (!free || !next) return
  free.doing = next
  free.timer = setTimeout(() => {
    next.fail(new Refusal('busy', `It was not worked out within ${PATIENCE / 1000} s.`))
    drop(free)
  }, PATIENCE)
  const { id, name, question } = next
  free.worker.postMessage({ id, name, question } satisfies Asked)
  handOut()
}

function begin(): Thread {
  const thread: Thread = { worker: new Worker(script()), doing: null, timer: undefined }
  threads.push(thread)
  thread.worker.unref()
  thread.worker.on('message', (told: Answered) => {
    clearTimeout(thread.timer)
    const { doing } = thread
    thread.doing = null
    if ('refused' in told) {
      const { status, code, message, errors } = told.refused
      doing?.fail(new Refusal(code, message, errors, undefined, status))
    } else if ('failed' in told) doing?.fail(new Error(told.failed))
    else doing?.done(told.answer)
    handOut()
  })
  thread.worker.on('error', (error) => {
    thread.doing?.fail(error)
    drop(thread)
  })
  return thread
}

/** A thread that is no good any more; another takes its place. */
function drop(thread: Thread): void {
  clearTimeout(thread.timer)
  thread.doing = null
  const at = threads.indexOf(thread)
  if (at >= 0) threads.splice(at, 1)
  void thread.worker.terminate()
  handOut()
}
