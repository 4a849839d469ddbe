import { beforeEach, describe, expect, it, vi } from 'vitest'

const forgetAll = vi.fn(() => Promise.resolve())
vi.mock('./kept', async () => {
  const { ref } = await import('vue')
  return { keptAnswers: { forgetAll }, shownAsOf: ref<number | null>(null) }
})

const kept = new Map<string, string>()
/** A page as it is opened, in a browser that keeps what it knew. */
async function openPage() {
  vi.resetModules()
  const putBack = await import('./put-back')
  const { shownAsOf } = await import('./kept')
  return { ...putBack, shownAsOf }
}
beforeEach(() => {
  kept.clear()
  forgetAll.mockClear()
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
  })
})
const THEN = '2026-11-20T08:00:00.000Z'
const NOW = '2026-11-23T17:30:00.000Z'

describe('a shop that is put back from a backup', () => {
  it('is said on a page that was open meanwhile, and what the browser kept of the other goes', async () => {
    const page = await openPage()
    page.heardOfShop('never')
    page.heardOfShop(null)
    page.heardOfShop(undefined)
    page.heardOfShop('never')
    expect([page.isPutBack.value, forgetAll.mock.calls.length]).toEqual([false, 0])
    page.heardOfShop(THEN)
    expect([page.isPutBack.value, forgetAll.mock.calls.length]).toEqual([true, 1])
    page.heardOfShop(THEN)
    expect([page.isPutBack.value, forgetAll.mock.calls.length]).toEqual([true, 1])
  })
  it('is not said on a page that was opened after it, but what was kept goes', async () => {
    const before = await openPage()
    before.heardOfShop(THEN)
    expect(before.isPutBack.value).toBe(false)
    const after = await openPage()
    after.heardOfShop(NOW)
    expect([after.isPutBack.value, forgetAll.mock.calls.length]).toEqual([false, 1])
    const again = await openPage()
    again.heardOfShop(NOW)
    expect([again.isPutBack.value, forgetAll.mock.calls.length]).toEqual([false, 1])
  })
  it('is said on a page that was opened without the server, out of what the browser kept', async () => {
    const before = await openPage()
    before.heardOfShop(THEN)
    const away = await openPage()
    away.shownAsOf.value = 1
    away.shownAsOf.value = null
    away.heardOfShop(NOW)
    expect(away.isPutBack.value).toBe(true)
  })
})
