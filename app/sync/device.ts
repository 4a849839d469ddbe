import { newId } from '~/lib/ids'

/** ms that a tab which is opened again waits for the one before it to let go of its name. */
const LETS_GO = 400
const LOOK = 50
/** ms within which another tab of this browser says that a name is its own. */
const ANSWERS = 150
const KEY = 'mellow-device'
const nameOf = (device: string) => `mellow-device-${device}`

/** What tells the tabs of one browser apart. */
export interface TabDoors {
  locks?: Pick<LockManager, 'request' | 'query'>
  channel: Pick<BroadcastChannel, 'postMessage' | 'addEventListener'>
  storage: Pick<Storage, 'getItem' | 'setItem'>
  newId: () => string
  wait: (ms: number) => Promise<void>
}
type Word = { ask: string; from: string } | { mine: string; to: string }

/**
 * One name for this tab. A page that is opened again keeps it; a tab that was duplicated carries a copy of it and gets one of its own, for
 * the other is alive. By locks where the browser has them, and by asking the other tabs where it has not (plain http beyond loopback).
 */
export class TabIdentity {
  private own = ''
  private readonly answers = new Map<string, () => void>()
  private readonly me = Math.random().toString(36).slice(2)

  constructor(private readonly doors: TabDoors) {
    doors.channel.addEventListener('message', (event) => {
      const word = (event as MessageEvent<Word>).data
      if ('ask' in word) {
        if (word.from !== this.me && word.ask === this.own)
          doors.channel.postMessage({ mine: word.ask, to: word.from })
      } else if (word.to === this.me) this.answers.get(word.mine)?.()
    })
  }
  get id(): string {
    return this.own
  }

  async settle(): Promise<string> {
    const { storage } = this.doors
    const kept = storage.getItem(KEY)
    if (kept && (await this.take(kept))) return this.own
    const made = this.doors.newId()
    await this.take(made)
    storage.setItem(KEY, made)
    return (this.own = made)
  }

  /** Whether a tab of this browser goes by that name now. */
  async isAlive(device: string): Promise<boolean> {
    if (device === this.own) return true
    const { locks } = this.doors
    if (!locks) return this.answered(device)
    const { held = [] } = await locks.query()
    return held.some(({ name }) => name === nameOf(device))
  }

  private async take(device: string): Promise<boolean> {
    for (let waited = 0; waited <= LETS_GO; waited += LOOK) {
      if (await this.holds(device)) {
        this.own = device
        return true
      }
      await this.doors.wait(LOOK)
    }
    return false
  }
  private holds(device: string): Promise<boolean> {
    const { locks } = this.doors
    if (!locks) return this.answered(device).then((taken) => !taken)
    return new Promise((resolve) => {
      void locks.request(nameOf(device), { ifAvailable: true }, (lock) => {
        resolve(lock !== null)
        // Held for as long as the tab lives.
        return lock === null ? undefined : new Promise<void>(() => {})
      })
    })
  }
  private async answered(device: string): Promise<boolean> {
    let taken = false
    this.answers.set(device, () => (taken = true))
    this.doors.channel.postMessage({ ask: device, from: this.me })
    await this.doors.wait(ANSWERS)
    this.answers.delete(device)
    return taken
  }
}

/** Of this tab; settled before the first page is drawn. */
export const tab: { identity: TabIdentity | null } = { identity: null }
export function settleTab(): Promise<string> {
  const identity = new TabIdentity({
    ...(navigator.locks && { locks: navigator.locks }),
    channel: new BroadcastChannel('mellow-devices'),
    storage: sessionStorage,
    newId,
    wait: (ms) => new Promise((resolve) => setTimeout(resolve, ms)),
  })
  tab.identity = identity
  return identity.settle()
}
