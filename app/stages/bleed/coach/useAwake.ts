import { useDocumentVisibility } from '@vueuse/core'
import { onScopeDispose, ref, watch } from 'vue'
import { setInterval } from '#imports'

/** ms between two pictures of the film that keeps a screen awake. */
const PICTURE = 1000

/**
 * Keeps the screen awake: by the browser's own lock, and where that is refused or missing by a small muted film that runs
 * without end, which has to be started by a touch.
 */
export function useAwake() {
  const by = ref<'lock' | 'film' | null>(null)
  const visible = useDocumentVisibility()
  let lock: WakeLockSentinel | null = null
  let film: HTMLVideoElement | null = null
  let painting: ReturnType<typeof setInterval> | undefined
  let wanted = false

  async function keep(): Promise<void> {
    wanted = true
    if (film || (lock && !lock.released)) return
    try {
      lock = await navigator.wakeLock.request('screen')
      by.value = 'lock'
    } catch {
      await runFilm().catch(() => {})
    }
  }
  async function runFilm(): Promise<void> {
    const canvas = document.createElement('canvas')
    canvas.width = canvas.height = 16
    const paint = canvas.getContext('2d')!
    let shade = 0
    const picture = () => {
      shade = 1 - shade
      paint.fillStyle = shade ? '#000' : '#010101'
      paint.fillRect(0, 0, 16, 16)
    }
    picture()
    painting = setInterval(picture, PICTURE)
    film = document.createElement('video')
    film.muted = film.loop = film.playsInline = true
    film.srcObject = canvas.captureStream()
    film.setAttribute('aria-hidden', 'true')
    film.dataset.awake = ''
    film.style.cssText = 'position:fixed;width:1px;height:1px;opacity:0.01;pointer-events:none'
    document.body.append(film)
    await film.play()
    by.value = 'film'
  }
  function letSleep(): void {
    wanted = false
    void lock?.release().catch(() => {})
    clearInterval(painting)
    film?.remove()
    lock = film = null
    by.value = null
  }
  // A browser takes its lock back when the page is put away.
  watch(visible, (now) => {
    if (now === 'visible' && wanted) void keep()
  })
  onScopeDispose(letSleep)
  return { by, keep, letSleep }
}
