import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, ref } from 'vue'
import { SETTLES, useSettled } from './useSettled'

describe('what has just been put under a finger', () => {
  beforeEach(() => vi.useFakeTimers())
  afterEach(() => vi.useRealTimers())

  it('is settled a moment after the last change, and from the start', () => {
    const look = ref('boot')
    const scope = effectScope()
    const settled = scope.run(() => useSettled(() => look.value))!
    expect(settled.value).toBe(true)
    look.value = 'outlet'
    expect(settled.value).toBe(false)
    vi.advanceTimersByTime(SETTLES - 1)
    look.value = 'level'
    vi.advanceTimersByTime(SETTLES - 1)
    expect(settled.value).toBe(false)
    vi.advanceTimersByTime(1)
    expect(settled.value).toBe(true)
    look.value = 'level'
    expect(settled.value).toBe(true)
    scope.stop()
    expect(vi.getTimerCount()).toBe(0)
  })
})
