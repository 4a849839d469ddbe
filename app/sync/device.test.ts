import { describe, expect, it } from 'vitest'
import { TabIdentity, type TabDoors } from './device'

/** One browser: its locks, and the channel that its tabs share. */
function browser(withLocks: boolean) {
  const held = new Map<string, symbol>()
  const tabs: ((event: { data: unknown }) => void)[] = []
  let ids = 0
  const open = (session: Map<string, string>) => {
    const mark = Symbol('tab')
    const locks = {
      request: (name: string, _: unknown, work: (lock: object | null) => unknown) => {
        const free = !held.has(name)
        if (free) held.set(name, mark)
        void work(free ? {} : null)
        return Promise.resolve()
      },
      query: () => Promise.resolve({ held: [...held.keys()].map((name) => ({ name })) }),
    }
    let alive = true
    const doors = {
      ...(withLocks && { locks }),
      channel: {
        postMessage: (data: unknown) => {
          for (const hear of [...tabs]) hear({ data })
        },
        addEventListener: (_: string, hear: (event: { data: unknown }) => void) =>
          tabs.push((event) => {
            if (alive) hear(event)
          }),
      },
      storage: {
        getItem: (key: string) => session.get(key) ?? null,
        setItem: (key: string, value: string) => void session.set(key, value),
      },
      newId: () => `device ${++ids}`,
      wait: () => Promise.resolve(),
    } as unknown as TabDoors
    const identity = new TabIdentity(doors)
    return {
      identity,
      close: () => {
        alive = false
        for (const [name, own] of held) if (own === mark) held.delete(name)
      },
    }
  }
  return { open }
}

describe.each([true, false])('tabs of one browser, with locks: %s', (withLocks) => {
  it('a page that is opened again keeps its name; a duplicated one gets its own', async () => {
    const { open } = browser(withLocks)
    const session = new Map<string, string>()
    const first = open(session)
    const name = await first.identity.settle()
    // The browser copies what a tab remembers when it is duplicated.
    const copy = open(new Map(session))
    expect(await copy.identity.settle()).not.toBe(name)
    expect(first.identity.id).toBe(name)
    first.close()
    const again = open(session)
    expect(await again.identity.settle()).toBe(name)
  })
  it('tells whether the tab of a name is open', async () => {
    const { open } = browser(withLocks)
    const first = open(new Map())
    const second = open(new Map())
    const [a] = [await first.identity.settle(), await second.identity.settle()]
    expect(await second.identity.isAlive(a)).toBe(true)
    first.close()
    expect(await second.identity.isAlive(a)).toBe(false)
  })
})
