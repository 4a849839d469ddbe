import { describe, expect, it } from 'vitest'
import { newestOf } from './newest'

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
const nothing = () => {}

describe('asking the newest only', () => {
  it('leaves out what came and was overtaken while another was worked on', async () => {
    const { asked, ask, answer } = slow()
    const one = newestOf(ask)
    const first = one.ask('first', nothing)
    const second = one.ask('second', nothing)
    const third = one.ask('third', nothing)
    expect(await second).toEqual({ ended: false })
    expect(asked).toEqual(['first'])
    await answer('of the first')
    expect([asked, await first]).toEqual([['first', 'third'], { ended: true, result: 'of the first' }])
    await answer('of the third')
    expect(await third).toEqual({ ended: true, result: 'of the third' })
    const fourth = one.ask('fourth', nothing)
    await answer('of the fourth')
    expect(await fourth).toEqual({ ended: true, result: 'of the fourth' })
  })

  it('goes on after what went wrong, and tells it to the one who asked', async () => {
    const { asked, ask, answer } = slow()
    const one = newestOf(ask)
    const first = one.ask('first', nothing).catch((error: Error) => error.message)
    const second = one.ask('second', nothing)
    await answer(new Error('the first cannot be'))
    await answer('of the second')
    expect([await first, await second, asked]).toEqual([
      'the first cannot be',
      { ended: true, result: 'of the second' },
      ['first', 'second'],
    ])
  })

  it('stopped, what waits is given up; what is under way is let go on', async () => {
    const { asked, ask, answer } = slow()
    const one = newestOf(ask)
    const first = one.ask('first', nothing)
    const second = one.ask('second', nothing)
    one.stop()
    expect(await second).toEqual({ ended: false })
    await answer('of the first')
    expect([await first, asked]).toEqual([{ ended: true, result: 'of the first' }, ['first']])
  })
})
