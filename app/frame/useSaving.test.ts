import { describe, expect, it } from 'vitest'
import { useSaving } from './useSaving'

describe('what is saved at once', () => {
  it('says what went wrong, and no more of it once it goes well', async () => {
    const { problem, busy, save } = useSaving()
    await save(() => Promise.reject(new Error('The server is away')))
    expect(problem.value).toBe('Not saved: The server is away. What you typed stays here.')
    expect(busy.value).toBe(false)
    await save(() => Promise.resolve())
    expect(problem.value).toBe('')
  })
  it('is saved once, however often it is asked for meanwhile', async () => {
    const { busy, save } = useSaving()
    let times = 0
    let done = () => {}
    const slow = () =>
      new Promise<void>((resolve) => {
        times += 1
        done = resolve
      })
    const first = save(slow)
    expect(busy.value).toBe(true)
    await save(slow)
    expect(times).toBe(1)
    done()
    await first
    expect(busy.value).toBe(false)
  })
})

it('ends its sentence once, whether the reason does or not', async () => {
  const { save, problem } = useSaving()
  for (const why of ['The server does not answer.', 'The server does not answer']) {
    await save(() => Promise.reject(new Error(why)))
    expect(problem.value).toBe('Not saved: The server does not answer. What you typed stays here.')
  }
})
