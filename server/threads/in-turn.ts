import { Refusal } from '../services/refusal'

/**
 * One of a kind of heavy work after the other: what comes meanwhile waits, and where too many wait it is told to come again.
 *
 * @param most that may wait
 * @param words why it is refused, as the person reads it
 * @returns what runs work in its turn, and what gives a turn with how it is ended
 * @throws Refusal 503 where too many wait
 */
export function inTurn(most: number, words: string) {
  let last: Promise<unknown> = Promise.resolve()
  let waiting = 0

  /** Resolves once it is one's turn, with what ends it. */
  async function turn(): Promise<() => void> {
    if (waiting >= most) throw new Refusal('busy', words)
    const before = last
    let end = () => {}
    last = new Promise<void>((resolve) => (end = resolve))
    waiting++
    await before
    waiting--
    return end
  }

  async function run<T>(work: () => Promise<T>): Promise<T> {
    const end = await turn()
    try {
      return await work()
    } finally {
      end()
    }
  }
  return { turn, run }
}
