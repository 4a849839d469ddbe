/** What this process has just committed. Other processes' news come from the database. */
export type News = 'entries' | 'cue' | 'restored'
const listeners = new Set<(news: News) => void>()

/** Says that something was committed; called after the commit, never within it. */
export function committed(news: News): void {
  for (const listener of listeners) listener(news)
}

/** Hears of each commit until the function that comes back is called. */
export function onCommitted(listener: (news: News) => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}
