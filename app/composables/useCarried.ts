import { computed, ref } from 'vue'

/** Something that is done on the server: whether it is under way, and why it was not done; what was typed stays. */
export function useCarried() {
  const busy = ref(false)
  const problem = ref('')
  /** @returns whether it was done */
  async function carry(work: () => Promise<unknown>): Promise<boolean> {
    busy.value = true
    problem.value = ''
    try {
      await work()
      return true
    } catch (failure) {
      const words = failure instanceof Error ? failure.message : String(failure)
      problem.value = `${words.replace(/\.$/, '')}. Nothing was changed; what you typed is still here.`
      return false
    } finally {
      busy.value = false
    }
  }
  return { busy: computed(() => busy.value), problem, carry }
}
