import type { Asker, Ended } from './useAsked'

/**
 * Asks one question at a time of something that cannot be stopped: of those that come meanwhile only the newest is asked next, and the
 * others are given up.
 */
export function newestOf<A>(ask: (text: string) => Promise<A>): Asker<A> {
  let under = false
  let next: { text: string; done: (ended: Promise<Ended<A>> | Ended<A>) => void } | null = null

  async function goOn(): Promise<void> {
    under = true
    while (next !== null) {
      const { text, done }: NonNullable<typeof next> = next
      next = null
      const answer = ask(text).then((result): Ended<A> => ({ ended: true, result }))
      done(answer)
      await answer.catch(() => {})
    }
    under = false
  }
  const giveUp = () => {
    next?.done({ ended: false })
    next = null
  }
  return {
    ask: (text) => {
      giveUp()
      return new Promise((resolve) => {
        next = { text, done: resolve }
        if (!under) void goOn()
      })
    },
    stop: giveUp,
  }
}
