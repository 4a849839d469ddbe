import { useDocumentVisibility, useEventListener, useEventSource } from '@vueuse/core'
import { computed, onScopeDispose, ref, watch } from 'vue'
import type { Cue } from '~~/contract'
import type { Entry } from '~~/core/journal'

/** ms: the server beats every 15 s; a stream that is still for longer than two beats is taken as gone. */
const STILL = 40_000
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
    { immediate: false, autoConnect: false, autoReconnect: { delay: AGAIN } },
  )
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
        seen(() => {}),
      )
      source?.addEventListener('open', hears.opened)
    },
    { flush: 'sync' },
  )
  watch(path, (at) => (at === undefined ? close() : open()), { immediate: true })

  const still = setInterval(() => {
    if (status.value === 'OPEN' && Date.now() - seenAt.value > STILL) reopen()
  }, AGAIN * 10)
  let hidden: ReturnType<typeof setTimeout> | undefined
  const visibility = useDocumentVisibility()
  watch(visibility, (now) => {
    clearTimeout(hidden)
    if (now === 'hidden') hidden = setTimeout(close, HIDDEN)
    else if (status.value === 'CLOSED') reopen()
  })
  useEventListener('online', reopen)
  function reopen(): void {
    seenAt.value = Date.now()
    if (path() !== undefined) open()
  }
  onScopeDispose(() => {
    clearInterval(still)
    clearTimeout(hidden)
  })
  return { live: computed(() => status.value === 'OPEN') }
}
