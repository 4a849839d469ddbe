import { effectScope, nextTick, ref, type EffectScope } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useAsked, type AskedOptions, type Asker, type Ended, type HowFar } from './useAsked'

interface Question {
  bore: number
  why?: string
}
/** Somebody who answers when he is let, and says what he was asked. */
function desk() {
  const asked: string[] = []
  const open: {
    tell: HowFar<string>
    end: (ended: Ended<string>) => void
    fail: (why: Error) => void
  }[] = []
  let stops = 0
  const asker: Asker<string> = {
    ask: (text, tell) => {
      asked.push(text)
      return new Promise((resolve, reject) => open.push({ tell, end: resolve, fail: reject }))
    },
    stop: () => (stops += 1),
  }
  const settle = async () => {
    await Promise.resolve()
    await nextTick()
  }
  return {
    asker,
    asked,
    tell: (at: number, ...told: Parameters<HowFar<string>>) => open[at]!.tell(...told),
    answer: async (at: number, result: string) => {
      open[at]!.end({ ended: true, result })
      await settle()
    },
    fail: async (at: number, why: string) => {
      open[at]!.fail(new Error(why))
      await settle()
    },
    stops: () => stops,
  }
}

describe('a question that is asked', () => {
  let scope: EffectScope
  beforeEach(() => {
    scope = effectScope()
    vi.useFakeTimers()
  })
  afterEach(() => {
    scope.stop()
    vi.useRealTimers()
  })
  function begin(start: Question | null, options: AskedOptions<Question> = {}) {
    const question = ref<Question | null>(start)
    const made = desk()
    const one = scope.run(() => useAsked(() => question.value, made.asker, options))!
    return { question, one, ...made }
  }

  it('is asked at once, tells how far it is and what is known so far, and ends with its answer', async () => {
    const { one, asked, tell, answer } = begin({ bore: 19 })
    expect([asked, one.progress.value]).toEqual([['{"bore":19}'], 0])
    tell(0, 5, 10)
    expect([one.progress.value, one.answer.value]).toEqual([0.5, null])
    tell(0, 6, 10, 'about')
    expect(one.answer.value).toBe('about')
    await answer(0, 'exactly')
    // How far it was may still be told afterwards.
    tell(0, 10, 10, 'late')
    expect([one.answer.value, one.progress.value, one.isFresh.value]).toEqual(['exactly', null, true])
  })

  it('the same again in other hands is no other question', async () => {
    const { question, asked } = begin({ bore: 19 })
    question.value = { bore: 19 }
    await nextTick()
    expect(asked).toHaveLength(1)
  })

  it('gives way to the next one, whose answer alone holds, whichever comes last', async () => {
    const { question, one, asked, answer, tell, fail } = begin({ bore: 19 })
    question.value = { bore: 20 }
    await nextTick()
    expect([asked.length, one.isFresh.value]).toEqual([2, false])
    await answer(1, 'second')
    tell(0, 1, 10)
    await fail(0, 'the first broke')
    expect([one.answer.value, one.progress.value, one.problem.value]).toEqual(['second', null, ''])
    expect(one.answered.value!.question).toEqual({ bore: 20 })
  })

  it('that is none any more is stopped, and its answer goes, unless it is kept', async () => {
    const gone = begin({ bore: 19 })
    const kept = begin({ bore: 19 }, { keeps: true })
    for (const { question, answer } of [gone, kept]) {
      await answer(0, 'an answer')
      question.value = { bore: 20 }
      await nextTick()
      question.value = null
      await nextTick()
    }
    expect([gone.stops(), gone.one.answer.value, gone.one.progress.value]).toEqual([1, null, null])
    expect([kept.stops(), kept.one.answer.value]).toEqual([1, 'an answer'])
    await gone.answer(1, 'too late')
    expect(gone.one.answer.value).toBeNull()
  })

  it('waits until nothing new has come for a while, and not where somebody looks', async () => {
    let looked = false
    const { question, asked } = begin({ bore: 19 }, { wait: () => (looked ? 0 : 2000) })
    vi.advanceTimersByTime(1500)
    question.value = { bore: 20 }
    await nextTick()
    vi.advanceTimersByTime(1500)
    expect(asked).toEqual([])
    vi.advanceTimersByTime(500)
    expect(asked).toEqual(['{"bore":20}'])
    looked = true
    question.value = { bore: 21 }
    await nextTick()
    expect(asked).toHaveLength(2)
  })

  it('that changes and changes is asked every so often, and at last as it stands', async () => {
    const { question, asked } = begin({ bore: 1 }, { every: 350 })
    for (let bore = 2; bore <= 8; bore++) {
      question.value = { bore }
      await nextTick()
      vi.advanceTimersByTime(100)
    }
    vi.advanceTimersByTime(350)
    expect(asked.at(-1)).toBe('{"bore":8}')
    expect(asked.length).toBeGreaterThan(1)
    expect(asked.length).toBeLessThan(5)
  })

  it('says what went wrong until it is asked again, by hand or by another question', async () => {
    const { one, asked, fail, answer } = begin({ bore: 19 })
    await fail(0, 'the thread broke')
    expect([one.problem.value, one.progress.value]).toEqual(['the thread broke', null])
    void one.ask()
    expect([one.problem.value, asked.length]).toEqual(['', 2])
    await answer(1, 'at last')
    expect(one.answer.value).toBe('at last')
  })

  it('stopped by somebody, it says so until it is asked again; what was on its way is not told', async () => {
    const { question, one, answer, stops } = begin({ bore: 19 })
    one.stop()
    expect([one.stopped.value, one.progress.value, stops()]).toEqual([true, null, 1])
    await answer(0, 'all the same')
    expect(one.answer.value).toBeNull()
    question.value = { bore: 20 }
    await nextTick()
    expect(one.stopped.value).toBe(false)
  })

  it('by hand, it is asked when somebody says so, and anew where it changes meanwhile', async () => {
    const { question, one, asked, answer } = begin({ bore: 19 }, { byHand: true })
    expect(asked).toEqual([])
    void one.ask()
    question.value = { bore: 20 }
    await nextTick()
    expect(asked).toEqual(['{"bore":19}', '{"bore":20}'])
    await answer(1, 'done')
    question.value = { bore: 21 }
    await nextTick()
    expect([asked.length, one.isFresh.value, one.answer.value]).toEqual([2, false, 'done'])
  })

  it('is written as its asker reads it, once', () => {
    let written = 0
    const write = ({ bore }: Question) => {
      written += 1
      return `bore ${bore}`
    }
    const { asked } = begin({ bore: 19, why: 'left out' }, { write })
    expect([asked, written]).toEqual([['bore 19'], 1])
  })

  it('is given up with the page that asked it', () => {
    const { one, stops } = begin({ bore: 19 })
    scope.stop()
    expect([stops(), one.progress.value]).toEqual([1, null])
  })
})
