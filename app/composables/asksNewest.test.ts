import { describe, expect, it } from 'vitest'
import { asksNewest } from './asksNewest'

/** Something slow that answers when it is let. */
function slow() {
  const asked: string[] = []
  const answers: ((as: string | Error) => void)[] = []
  const ask = (question: string) => {
    asked.push(question)
    return new Promise<string>((resolve, reject) =>
      answers.push((as) => (as instanceof Error ? reject(as) : resolve(as))),
    )
  }
  const answer = async (as: string | Error) => {
    answers.shift()!(as)
    await new Promise((resolve) => setTimeout(resolve))
  }
  return { asked, ask, answer }
}

describe('asking the newest only', () => {
  it('leaves out what came and was overtaken while another was worked on, and tells no old answer', async () => {
    const { asked, ask, answer } = slow()
    const told: string[] = []
    const one = asksNewest(ask, (text: string) => told.push(text))
    void one.ask('first')
    void one.ask('second')
    void one.ask('third')
    expect(one.waiting.value).toBe(true)
    await answer('of the first')
    expect([asked, told, one.waiting.value]).toEqual([['first', 'third'], [], true])
    await answer('of the third')
    expect([asked, told, one.waiting.value]).toEqual([['first', 'third'], ['of the third'], false])
    void one.ask('fourth')
    await answer('of the fourth')
    expect(told).toEqual(['of the third', 'of the fourth'])
  })

  it('says what went wrong with the newest, until it is asked again; what went wrong before is overtaken', async () => {
    const { ask, answer } = slow()
    const told: string[] = []
    const one = asksNewest(ask, (text: string) => told.push(text))
    void one.ask('first')
    void one.ask('second')
    await answer(new Error('the first cannot be'))
    expect(one.problem.value).toBe('')
    await answer(new Error('nor the second'))
    expect([one.problem.value, one.waiting.value]).toEqual(['nor the second', false])
    void one.ask('third')
    expect(one.problem.value).toBe('')
    await answer('of the third')
    expect(told).toEqual(['of the third'])
  })
})
