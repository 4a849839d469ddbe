import { computed, ref } from 'vue'
import { ApiError } from './useApi'

/** Something that is done on the server: whether it is under way, and why it was not done; what was typed stays. */
export function useCarried() {
  const busy = ref(false)
  const problem = ref('')
  /**
   * @param stands what is still there where it was not done, as a sentence
   * @returns whether it was done
   */
  async function carry(work: () => Promise<unknown>, stands = TYPED): Promise<boolean> {
    busy.value = true
    problem.value = ''
    try {
      await work()
      return true
    } catch (failure) {
      problem.value = undone(failure, stands)
      return false
    } finally {
      busy.value = false
    }
  }
  return { busy: computed(() => busy.value), problem, carry }
}

const TYPED = 'What you typed is still here.'

/** Why something was not done, and what that means: without an answer nobody knows. */
function undone(failure: unknown, stands: string): string {
  const words = (failure instanceof Error ? failure.message : String(failure)).replace(/\.$/, '')
  return failure instanceof ApiError && failure.status === 0
    ? `${words}, so this was most likely not done: look again once it is back. ${stands}`
    : `${words}. Nothing was changed. ${stands}`
}
