import { ref } from 'vue'

/** Something typed that is saved on the server at once: one at a time, and whatever goes wrong is said while it stays typed. */
export function useSaving() {
  const busy = ref(false)
  const problem = ref('')
  async function save(it: () => Promise<void>): Promise<void> {
    if (busy.value) return
    busy.value = true
    problem.value = ''
    try {
      await it()
    } catch (error) {
      const why = (error instanceof Error ? error.message : String(error)).replace(/\.$/, '')
      problem.value = `Not saved: ${why}. What you typed stays here.`
    } finally {
      busy.value = false
    }
  }
  return { busy, problem, save }
}
