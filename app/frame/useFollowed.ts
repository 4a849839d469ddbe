import { ref, watch, type Ref } from 'vue'

/** A field that follows what is kept elsewhere until somebody types into it: what was typed is never overwritten by what arrives. */
export function useFollowed(kept: () => string | undefined): Ref<string> {
  const field = ref('')
  let given = ''
  watch(
    kept,
    (now) => {
      if (now === undefined) return
      if (field.value === given) field.value = now
      given = now
    },
    { immediate: true, flush: 'sync' },
  )
  return field
}
