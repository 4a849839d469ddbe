import { useDocumentVisibility, useEventListener, useEventSource } from '@vueuse/core'
import { computed, onScopeDispose, ref, watch } from 'vue'
import type { Cue } from '~~/contract'
import type { Entry } from '~~/core/journal'
import { heardOfShop } from './put-back'
import { setInterval } from '#imports'

/** ms: the server beats every 15 s; a stream that is still for longer than two beats is taken as gone. */
const STILL = 40_000
/** ms after which a stream that broke off is opened again. A browser's own way waits seconds before the first word came. */
const AGAIN = 500
/** ms after which a tab that nobody looks at gives its stream back: a browser opens only a handful to one server. */
const HIDDEN = 30_000

interface Hears {
  /** Where the stream goes on: sequences known of the job and of its vehicle, `3.12`. */
  after: () => string
  entry: (entry: Entry) => void
  cue: (cue: Cue) => void
  /** It has been opened, again or for the first time. */
  opened: () => void
}

/**
 * A subject as it goes on at the server, for as long as the page looks at it.
 * @param path of the subject; undefined until it is known
 * @returns whether entries come by themselves just now
 */
export function useLive(path: () => string | undefined, hears: Hears) {
  const seenAt = ref(Date.now())
  const { eventSource, status, open, close } = useEventSource(
    () => {
      const at = path()
      return at === undefined ? undefined : `/api${at}/live?after=${hears.after()}`
    },
    [],
    { immediate: false, autoConnect: false },
  )
  let again: ReturnType<typeof setTimeout> | undefined
  const seen = <T>(take: (data: T) => void) => {
    return (event: Event) => {
      seenAt.value = Date.now()
      take(JSON.parse((event as MessageEvent<string>).data) as T)
    }
  }
  watch(
    eventSource,
    (source) => {
      source?.addEventListener('entry', seen(hears.entry))
      source?.addEventListener('cue', seen(hears.cue))
      source?.addEventListener(
        'beat',
        seen(({ restoredAt }: { restoredAt?: string }) => heardOfShop(restoredAt)),
      )
      source?.addEventListener('open', hears.opened)
      source?.addEventListener('error', () => {
        if (source !== eventSource.value) return
        leave()
        again = setTimeout(reopen, AGAIN)
      })
    },
    { flush: 'sync' },
  )
  watch(path, (at) => (at === undefined ? leave() : reopen()), { immediate: true })

  const still = setInterval(() => {
    if (status.value === 'OPEN' && Date.now() - seenAt.value > STILL) reopen()
  }, AGAIN * 10)
  let hidden: ReturnType<typeof setTimeout> | undefined
  const visibility = useDocumentVisibility()
  watch(visibility, (now) => {
    clearTimeout(hidden)
    if (now === 'hidden') hidden = setTimeout(leave, HIDDEN)
    else if (status.value === 'CLOSED') reopen()
  })
  useEventListener('online', reopen)
  function reopen(): void {
    clearTimeout(again)
    seenAt.value = Date.now()
    if (path() !== undefined) open()
  }
  function leave(): void {
    clearTimeout(again)
    close()
  }
  onScopeDispose(() => {
    clearInterval(still)
    clearTimeout(hidden)
    clearTimeout(again)
  })
  return { live: computed(() => status.value === 'OPEN') }
}
