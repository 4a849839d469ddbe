import { describe, expect, it } from 'vitest'
import type { Run } from '~~/core/run'
import { Turns } from './turns'

/** A run of so many pieces, each of which takes 1 ms of a clock that only it moves; the thread is given back by hand. */
function bench() {
  let clock = 0
  const gates: (() => void)[] = []
  const log: string[] = []
  const giveBack = () => new Promise<void>((resolve) => gates.push(resolve))
  const turns = new Turns(giveBack, () => clock)
  const run = (name: string, total: number) => (): Run<string> => {
    log.push(`${name} begins`)
    let done = 0
    return {
      total,
      step(count) {
        const now = Math.min(count, total - done)
        clock += now
        return (done += now)
      },
      result: () => `${name} of ${done}`,
    }
  }
  const ask = (asker: string, name: string, total: number) =>
    turns.ask(asker, run(name, total), (done, all) => log.push(`${name} ${done}/${all}`))
  /** Lets the thread have so many slices. */
  const slices = async (count: number) => {
    for (let i = 0; i < count; i++) {
      gates.shift()?.()
      await new Promise<void>((resolve) => queueMicrotask(resolve))
    }
  }
  return { turns, ask, slices, log }
}

describe('runs that share a thread', () => {
  it('are told how far they are after each slice, and end with their result', async () => {
    const { ask, slices, log } = bench()
    const answer = ask('a', 'band', 45)
    await slices(6)
    expect(await answer).toEqual({ ended: true, result: 'band of 45' })
    expect(log).toEqual(['band begins', 'band 20/45', 'band 40/45', 'band 45/45'])
  })

  it('tell what is known so far where it is worth a look, and not more often than one can look', async () => {
    let clock = 0
    const seen: (string | undefined)[] = []
    let done = 0
    const own = new Turns(
      () => Promise.resolve(),
      () => (clock += 100),
    )
    const run: Run<string> = {
      total: 60,
      tellsFrom: 20,
      step: (count) => (done += Math.min(count, 60 - done)),
      result: () => `of ${done}`,
    }
    await own.ask(
      'a',
      () => run,
      (_, __, soFar) => seen.push(soFar),
    )
    expect(seen[0]).toBeUndefined()
    expect(seen).toContain('of 20')
    expect(seen.filter((one) => one !== undefined).length).toBeLessThan(seen.length)
  })

  it('stop between two slices, and do no more', async () => {
    const { turns, ask, slices, log } = bench()
    const answer = ask('a', 'band', 1000)
    await slices(3)
    turns.stop('a')
    expect(await answer).toEqual({ ended: false })
    await slices(5)
    expect(log).toEqual(['band begins', 'band 20/1000', 'band 40/1000'])
  })

  it('give way to the asker’s next question; one replaced at once never begins', async () => {
    const { ask, slices, log } = bench()
    const first = ask('a', 'first', 1000)
    const second = ask('a', 'second', 1000)
    expect(await first).toEqual({ ended: false })
    await slices(2)
    const third = ask('a', 'third', 30)
    expect(await second).toEqual({ ended: false })
    await slices(6)
    expect(await third).toEqual({ ended: true, result: 'third of 30' })
    expect(log.filter((line) => line.includes('first'))).toEqual([])
  })

  it('of two askers the newest goes first, and the other is not lost', async () => {
    const { ask, slices, log } = bench()
    const old = ask('a', 'old', 60)
    await slices(2)
    const young = ask('b', 'young', 40)
    await slices(5)
    expect(await young).toEqual({ ended: true, result: 'young of 40' })
    await slices(6)
    expect(await old).toEqual({ ended: true, result: 'old of 60' })
    expect(log.indexOf('young 40/40')).toBeLessThan(log.indexOf('old 60/60'))
  })

  it('that fail say so to their asker, and the thread goes on', async () => {
    const { turns, ask, slices } = bench()
    const failing = turns.ask(
      'a',
      () => {
        throw new Error('no such circuit')
      },
      () => {},
    )
    const sound = ask('b', 'sound', 10)
    const failed = expect(failing).rejects.toThrow('no such circuit')
    await slices(8)
    await failed
    expect(await sound).toEqual({ ended: true, result: 'sound of 10' })
  })
})
