import { defineNuxtPlugin } from '#imports'
/** Has the application's own files kept by the browser, once the first page stands: then every page opens without the server. */
export default defineNuxtPlugin((nuxt) => {
  if (import.meta.dev || !('serviceWorker' in navigator)) return
  nuxt.hook('app:suspense:resolve', () => {
    // A browser that refuses (plain http from another machine, private window) works as before.
    navigator.serviceWorker.register('/service-worker.js').catch(() => {})
  })
})
