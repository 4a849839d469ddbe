import { computed, ref } from 'vue'
import { ApiError } from '~/sync/api'

const TYPED = 'What you typed is still here.'

/** Something that is done on the server: whether it is under way, and why it was not done; what was typed stays. */
export function useCarried() {
  const busy = ref(false)
  const problem = ref('')
  /** False where nobody answered: it may have been done all the same. */
  const sure = ref(true)
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
      sure.value = !(failure instanceof ApiError && failure.status === 0)
      const why = (failure instanceof Error ? failure.message : String(failure)).replace(/\.$/, '')
      problem.value = sure.value
        ? `${why}. Nothing was changed. ${stands}`
        : `${why}, so this was most likely not done: look again once it is back.${stands === TYPED ? ` ${TYPED}` : ''}`
      return false
    } finally {
      busy.value = false
    }
  }
  return { busy: computed(() => busy.value), problem, sure: computed(() => sure.value), carry }
}
