/// <reference lib="webworker" />
import { cleanupOutdatedCaches, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'

/**
 * Keeps the application's own files in the browser, so that any page opens and reloads while the server is away. Data it leaves
 * alone: what this browser knows of that is kept by the page itself (sync/kept.ts).
 */
declare const self: ServiceWorkerGlobalScope
/** Put in by the build: every file of the client, and what tells this build from others. */
declare const FILES: PrecacheEntry[]
declare const BUILD: string

const PAGES = `mellow-page-${BUILD}`
/** ms; a server that takes longer for a page of a few kB is not there. */
const PATIENCE = 6000

cleanupOutdatedCaches()
precacheAndRoute(FILES)

self.addEventListener('install', (event) => {
  // The page that goes with exactly these files.
  event.waitUntil(caches.open(PAGES).then((cache) => cache.add('/')))
})
self.addEventListener('activate', (event) => {
  const old = caches
    .keys()
    .then((names) =>
      Promise.all(
        names
          .filter((name) => name.startsWith('mellow-page-') && name !== PAGES)
          .map((name) => caches.delete(name)),
      ),
    )
  // The page that is open is served from now on too.
  event.waitUntil(Promise.all([old, self.clients.claim()]))
})

async function page({ request }: { request: Request }): Promise<Response> {
  try {
    return await fetch(request, { signal: AbortSignal.timeout(PATIENCE) })
  } catch {
    const kept = await caches.match('/', { cacheName: PAGES })
    return kept ?? Response.error()
  }
}
registerRoute(new NavigationRoute(page, { denylist: [/^\/api\//, /^\/schemas\//] }))
