import { computed } from 'vue'
import { useRoute, useRouter } from '#imports'

/** A part of the address's query as text, so that what a list shows can be linked to and comes back with Back. */
export function useQueryText(name: string) {
  const route = useRoute()
  const router = useRouter()
  return computed<string>({
    get: () => {
      const value = route.query[name]
      return typeof value === 'string' ? value : ''
    },
    set: (text) => void router.replace({ query: { ...route.query, [name]: text || undefined } }),
  })
}
