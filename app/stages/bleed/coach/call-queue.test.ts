import { describe, expect, it } from 'vitest'
import { CallQueue, type Outputs } from './call-queue'

/** Outputs without a sound: each word lasts until it is let end. */
function silent() {
  const heard: string[] = []
  let end: (() => void) | null = null
  const outputs: Outputs = {
    speak: (words, volume) => {
      heard.push(`${words} ${volume}`)
      return new Promise((resolve) => (end = resolve))
    },
    tone: (tone) => heard.push(`*${tone}`),
  }
  return {
    heard,
    outputs,
    /** The word that is being said ends. */
    ended: async () => {
      const now = end
      end = null
      now?.()
      await Promise.resolve().then(() => {})
      await new Promise((resolve) => setImmediate(resolve))
    },
  }
}

describe('calls that are heard', () => {
  it('says a call with its tone, and of those that wait only the newest', async () => {
    const { heard, outputs, ended } = silent()
    const queue = new CallQueue(outputs)
    queue.say('Open', 'mine')
    queue.say('Push', 'other')
    queue.say('Close', 'mine')
    expect(heard).toEqual(['*mine', 'Open 0.7'])
    await ended()
    expect(heard.slice(2)).toEqual(['*mine', 'Close 0.7'])
    await ended()
    expect(heard).toHaveLength(4)
  })
  it('drops no warning, and says it before the next call', async () => {
    const { heard, outputs, ended } = silent()
    const queue = new CallQueue(outputs)
    queue.say('Open', 'mine')
    queue.say('3 strokes left', 'warning')
    queue.say('Push', 'other')
    queue.say('2 strokes left', 'warning')
    await ended()
    await ended()
    await ended()
    expect(heard.filter((one) => !one.startsWith('*'))).toEqual([
      'Open 0.7',
      '3 strokes left 0.7',
      '2 strokes left 0.7',
      'Push 0.7',
    ])
  })
  it('repeats the last call, louder each time, and goes on where nothing can speak', async () => {
    const { heard, outputs, ended } = silent()
    const queue = new CallQueue(outputs)
    queue.repeat()
    expect(heard).toEqual([])
    queue.say('Lift', 'other')
    await ended()
    queue.repeat()
    await ended()
    expect(queue.louder()).toBe(2)
    await ended()
    expect(queue.louder()).toBe(0)
    expect(heard.filter((one) => !one.startsWith('*'))).toEqual([
      'Lift 0.7',
      'Lift 0.7',
      'Lift 1',
      'Lift 0.35',
    ])
    const mute = new CallQueue({ speak: () => Promise.reject(new Error('none')), tone: () => {} })
    mute.say('Open', 'mine')
    mute.say('Push', 'mine')
    await new Promise((resolve) => setImmediate(resolve))
    mute.hush()
    expect(mute.loudness).toBe(1)
  })
})
