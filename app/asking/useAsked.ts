import { computed, onScopeDispose, ref, shallowRef, watch, type ShallowRef } from 'vue'
import type { Ended, HowFar } from '~/workers/turns'

export type { Ended, HowFar }

/** Who is asked: a worker, or the server. A question comes as text, written once. */
export interface Asker<A> {
  ask: (text: string, tell: HowFar<A>) => Promise<Ended<A>>
  stop: () => void
}

export interface AskedOptions<Q> {
  /** A question as it is sent, and told from another. */
  write?: (question: Q) => string
  /** ms without anything new until it is asked. */
  wait?: () => number
  /** ms between two askings, while it changes and changes. */
  every?: number
  /** The last answer stays while there is nothing to ask. */
  keeps?: boolean
  /** Asked when somebody says so, and anew where the question changes meanwhile; not by itself. */
  byHand?: boolean
}

export interface Answered<Q, A> {
  question: Q
  text: string
  answer: A
}

/**
 * A question that is asked whenever it is another one: the newest wins, what was asked before and is not answered yet is given up, and
 * what is answered late to an older one is not told.
 * @param ask the question as it is now; null where there is none
 */
export function useAsked<Q, A>(
  ask: () => Q | null,
  asker: Asker<A>,
  { write = JSON.stringify, wait = () => 0, every = 0, keeps, byHand }: AskedOptions<Q> = {},
) {
  const question = computed(ask)
  /** Written once: it is both what is sent and what tells one question from another. */
  const text = computed(() => (question.value === null ? null : write(question.value)))
  const answered: ShallowRef<Answered<Q, A> | null> = shallowRef(null)
  /** 0 to 1 while it is asked; null where it is not. */
  const progress = ref<number | null>(null)
  const problem = ref('')
  const took = ref(0)
  /** Somebody stopped it: no answer comes until it is asked again. */
  const stopped = ref(false)
  let run = 0
  let began = -Infinity
  let timer: ReturnType<typeof setTimeout> | undefined

  function giveUp(): void {
    clearTimeout(timer)
    if (progress.value === null) return
    run += 1
    progress.value = null
    asker.stop()
  }
  function stop(): void {
    stopped.value = true
    giveUp()
  }

  async function now(): Promise<void> {
    clearTimeout(timer)
    const [mine, asked] = [question.value, text.value]
    if (mine === null || asked === null) return
    const own = ++run
    began = performance.now()
    progress.value = 0
    problem.value = ''
    stopped.value = false
    // How far it is comes by a way of its own, and may come after the answer.
    let over = false
    const tell = (answer: A) => (answered.value = { question: mine, text: asked, answer })
    try {
      const answer = await asker.ask(asked, (done, total, soFar) => {
        if (own !== run || over) return
        progress.value = done / total
        if (soFar !== undefined) tell(soFar)
      })
      if (own !== run) return
      if (answer.ended) {
        tell(answer.result)
        took.value = performance.now() - began
      }
    } catch (error) {
      if (own !== run) return
      problem.value = error instanceof Error ? error.message : String(error)
    }
    over = true
    progress.value = null
  }

  watch(
    text,
    (asked) => {
      if (asked === null) {
        giveUp()
        if (!keeps) answered.value = null
      } else if (!byHand || progress.value !== null) {
        clearTimeout(timer)
        const soon = Math.max(wait(), began + every - performance.now())
        if (soon > 0) timer = setTimeout(() => void now(), soon)
        else void now()
      }
    },
    { immediate: true },
  )
  onScopeDispose(giveUp)

  return {
    answered,
    answer: computed(() => answered.value?.answer ?? null),
    /** The answer is to the question as it is now. */
    isFresh: computed(() => text.value !== null && answered.value?.text === text.value),
    progress,
    problem,
    took,
    stopped,
    /** Asks now, again where it was asked before. */
    ask: now,
    stop,
  }
}
export type Asked<Q, A> = ReturnType<typeof useAsked<Q, A>>
