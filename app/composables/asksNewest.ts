import { ref } from 'vue'

/**
 * Asks one question at a time of something that cannot be stopped: of those that come meanwhile only the newest is asked next,
 * and what is answered to an older one is not told.
 */
export function asksNewest<Q, A>(ask: (question: Q) => Promise<A>, tell: (answer: A) => void) {
  const waiting = ref(false)
  const problem = ref('')
  let next: { question: Q } | null = null

  async function askNext(question: Q): Promise<void> {
    next = { question }
    problem.value = ''
    if (waiting.value) return
    waiting.value = true
    while (next !== null) {
      const { question: now }: { question: Q } = next
      next = null
      try {
        const answer = await ask(now)
        if (next === null) tell(answer)
      } catch (error) {
        if (next === null) problem.value = error instanceof Error ? error.message : String(error)
      }
    }
    waiting.value = false
  }
  return { waiting, problem, ask: askNext }
}
