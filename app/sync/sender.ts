import type { Entry } from '~~/core/journal'
import type { EntryQueue, Queued } from './queue'

/** What came back for an entry that was sent. */
export type Answer =
  | { came: 'confirmed'; entry: Entry }
  /** No answer, or none that helps now: everything waits. */
  | { came: 'away'; detail: string }
  /** This subject's entries wait; others go on. */
  | { came: 'held'; detail: string }
  /** Wrong in itself: it will never be taken as it is. */
  | { came: 'refused'; detail: string }
  /** The server failed on it. */
  | { came: 'failed'; detail: string }

/** Statuses that say that the entry itself is wrong; every other 4xx may pass. */
const WRONG = new Set([400, 409, 413, 415, 422])
const DATABASE_AWAY = 503

/** What an HTTP answer means for an entry. */
export function answerOf(sent: Entry, status: number, body: unknown, detail: string): Answer {
  if (status >= 200 && status < 300) {
    const entry = body as Entry | null
    // A network's own log-in page, or anything else between, answers 200 as well.
    return entry?.id === sent.id && Number.isInteger(entry.sequence)
      ? { came: 'confirmed', entry }
      : { came: 'away', detail: 'Something other than the server answers.' }
  }
  if (WRONG.has(status)) return { came: 'refused', detail }
  if (status === 0 || status === DATABASE_AWAY || status < 400) return { came: 'away', detail }
  return status >= 500 ? { came: 'failed', detail } : { came: 'held', detail }
}

const SOON = 1500
const LATEST = 20_000
/** Failures of the server on one entry after which it is set aside. */
const MOST_FAILURES = 3

interface Parts {
  queue: EntryQueue
  post: (entry: Entry) => Promise<Answer>
  /** Runs a round while no other tab of this browser does. */
  alone: (round: () => Promise<void>) => Promise<void>
  /** After each entry that left the queue or was set aside, and at the end of a round. */
  changed: () => Promise<void>
  confirmed: (entry: Entry) => void
  state: (state: { away: boolean; detail: string }) => void
}

/**
 * Sends what waits, one by one: entries of one subject in their order; one that must wait holds up its own subject only.
 * An answer that was lost is asked for again: the id makes that harmless.
 */
export class Sender {
  private pause = SOON
  private timer: ReturnType<typeof setTimeout> | undefined
  private sending: Promise<void> | undefined
  private again = false

  constructor(private readonly parts: Parts) {}

  /** Sends now; called while it sends, it looks once more when it is through. */
  send(): Promise<void> {
    this.again ||= this.sending !== undefined
    this.sending ??= this.rounds().finally(() => (this.sending = undefined))
    return this.sending
  }

  private async rounds(): Promise<void> {
    clearTimeout(this.timer)
    do {
      this.again = false
      let waits = false
      await this.parts.alone(async () => {
        waits = await this.round()
      })
      // Asked for again meanwhile, it is tried once more at once.
      if (waits && !this.again) {
        this.timer = setTimeout(() => void this.send(), this.pause)
        this.pause = Math.min(2 * this.pause, LATEST)
        return
      }
      if (!waits) this.pause = SOON
    } while (this.again)
  }

  /** True where something still waits that was tried. */
  private async round(): Promise<boolean> {
    const held = new Set<string>()
    const { queue, state, changed } = this.parts
    for (let list = await queue.all(); ; list = await queue.all()) {
      const next = list.filter(({ aside, entry }) => !aside && !held.has(entry.subject.id))
      if (next.length === 0) break
      for (const queued of next) {
        if (held.has(queued.entry.subject.id)) continue
        const answer = await this.parts.post(queued.entry)
        if (answer.came === 'away') {
          state({ away: true, detail: answer.detail })
          await changed()
          return true
        }
        if (!(await this.settle(queued, answer))) {
          held.add(queued.entry.subject.id)
          state({ away: false, detail: 'detail' in answer ? answer.detail : '' })
        }
        await changed()
      }
    }
    if (held.size === 0) state({ away: false, detail: '' })
    await changed()
    return held.size > 0
  }

  /** True where the entry is out of the way: confirmed, or set aside with its reason. */
  private async settle(
    { entry, tries }: Queued,
    answer: Exclude<Answer, { came: 'away' }>,
  ): Promise<boolean> {
    const { queue, confirmed } = this.parts
    switch (answer.came) {
      case 'confirmed':
        confirmed(answer.entry)
        await queue.remove(entry.id)
        return true
      case 'refused':
        await queue.change(entry.id, { aside: { detail: answer.detail, again: false } })
        return true
      case 'failed': {
        const failures = tries + 1
        if (failures < MOST_FAILURES) {
          await queue.change(entry.id, { tries: failures })
          return false
        }
        await queue.change(entry.id, { tries: 0, aside: { detail: answer.detail, again: true } })
        return true
      }
      case 'held':
        return false
    }
  }
}
