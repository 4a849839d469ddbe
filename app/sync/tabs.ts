import type { Entry } from '~~/core/journal'

/** What the tabs of one browser tell each other. */
export type TabNews =
  | { news: 'queue' }
  | { news: 'confirmed'; entry: Entry }
  /** How the sending goes, by the tab that does it. */
  | { news: 'state'; away: boolean; detail: string }

interface Hears {
  queue: () => void
  confirmed: (entry: Entry) => void
  state: (state: { away: boolean; detail: string }) => void
}

/**
 * The other tabs of this browser: what changed in the queue that they share, and that only one of them sends at a time. Over
 * plain http beyond loopback there are no locks: then two may send one entry, which its id makes harmless.
 */
export function betweenTabs(hears: Hears): {
  tell: (news: TabNews) => void
  alone: (work: () => Promise<void>) => Promise<void>
} {
  const channel = import.meta.client ? new BroadcastChannel('mellow-anchor') : null
  channel?.addEventListener('message', ({ data }: MessageEvent<TabNews>) => {
    if (data.news === 'confirmed') hears.confirmed(data.entry)
    else if (data.news === 'state') hears.state(data)
    else hears.queue()
  })
  const locks = import.meta.client ? navigator.locks : undefined
  return {
    tell: (news) => channel?.postMessage(JSON.parse(JSON.stringify(news))),
    alone: (work) => (locks ? locks.request('mellow-send', work) : work()),
  }
}

/** False where the browser keeps back what only loopback and https have: locks, a screen that stays on, offline pages. */
export const hasSecureContext = (): boolean => !import.meta.client || isSecureContext
