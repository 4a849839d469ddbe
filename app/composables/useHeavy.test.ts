import { effectScope } from 'vue'
import { afterEach, describe, expect, it, vi } from 'vitest'

type Told = (done: number, total: number) => void
const asked: { told: Told; answer: (result: unknown) => void }[] = []
vi.mock('comlink', () => ({
  proxy: (told: Told) => told,
  wrap: () => ({
    ask: (_asker: string, _name: string, _question: unknown, told: Told) =>
      new Promise((resolve) => {
        asked.push({ told, answer: (result) => resolve({ ended: true, result }) })
      }),
    stop: () => {},
  }),
}))
vi.stubGlobal('Worker', class {})
const { useHeavy } = await import('./useHeavy')

describe('a heavy run', () => {
  const scope = effectScope()
  afterEach(() => {
    asked.length = 0
  })
  const run = () => scope.run(() => useHeavy('size'))!
  const question = { circuit: {}, choices: [], lines: [], limits: {} } as never

  it('is over with its answer: how far it was may still be told afterwards', async () => {
    const heavy = run()
    const done = heavy.start(question)
    const [first] = asked as [(typeof asked)[0]]
    first.told(5, 10)
    expect(heavy.progress.value).toBe(0.5)
    first.answer('found')
    await done
    first.told(10, 10)
    expect([heavy.result.value, heavy.progress.value]).toEqual(['found', null])
  })

  it('gives way to the next question, whose answer alone holds', async () => {
    const heavy = run()
    const one = heavy.start(question)
    const two = heavy.start(question)
    const [first, second] = asked as [(typeof asked)[0], (typeof asked)[0]]
    second.answer('second')
    await two
    first.told(1, 10)
    first.answer('first')
    await one
    expect([heavy.result.value, heavy.progress.value]).toEqual(['second', null])
  })
})
