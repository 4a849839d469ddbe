/** How loud: shares of what the device can do. */
export const LOUDNESS = [0.35, 0.7, 1] as const
export type Loudness = 0 | 1 | 2
/** A call to whoever listens, a call to the other, a warning. */
export type Tone = 'mine' | 'other' | 'warning'

/** What makes it heard. */
export interface Outputs {
  /** Ends when it has been said; at once where nothing can speak. */
  speak: (words: string, volume: number) => Promise<void>
  tone: (tone: Tone, volume: number) => void
}
interface Said {
  words: string
  tone: Tone
}

/**
 * Calls as they are made heard, one after the other. A call that is over is not said any more: the newest takes the place of
 * one that waits. A warning is never dropped, and goes first.
 */
export class CallQueue {
  loudness: Loudness = 1
  private last: Said | null = null
  private call: Said | null = null
  private warnings: Said[] = []
  private speaking = false

  constructor(private readonly outputs: Outputs) {}

  say(words: string, tone: Tone): void {
    const said = { words, tone }
    if (tone === 'warning') this.warnings.push(said)
    else {
      this.last = said
      this.call = said
    }
    void this.go()
  }
  /** The last call once more. */
  repeat(): void {
    if (!this.last) return
    this.call = this.last
    void this.go()
  }
  /** Louder by one step; from the loudest back to the quietest. */
  louder(): Loudness {
    this.loudness = ((this.loudness + 1) % LOUDNESS.length) as Loudness
    this.repeat()
    return this.loudness
  }
  hush(): void {
    this.call = null
    this.warnings = []
  }

  private async go(): Promise<void> {
    if (this.speaking) return
    this.speaking = true
    for (let next = this.next(); next; next = this.next()) {
      const volume = LOUDNESS[this.loudness]
      this.outputs.tone(next.tone, volume)
      await this.outputs.speak(next.words, volume).catch(() => {})
    }
    this.speaking = false
  }
  private next(): Said | null {
    const warning = this.warnings.shift()
    if (warning) return warning
    const { call } = this
    this.call = null
    return call
  }
}
