import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ref, shallowRef } from 'vue'
import {
  fromArchetype,
  withMeasured,
  withRoute,
  type Installation,
  type RoutePoint,
} from '../../core/installation'
import type { Kind, Payloads } from '../../core/journal'
import { useRouting } from './useRouting'
import { withStores } from '../../tests/harness/stores'

/** A history of one installation: what is filed becomes what is kept, as the fold makes it. */
function history(start = fromArchetype('long-line')) {
  const base = shallowRef<Installation | null>(start)
  const filed: { kind: Kind; payload: Payloads[Kind] }[] = []
  const refuse = ref(false)
  const file = async <K extends Kind>(kind: K, payload: Payloads[K]): Promise<boolean> => {
    await Promise.resolve()
    if (refuse.value) return false
    filed.push({ kind, payload })
    if (kind === 'route') base.value = withRoute(base.value!, (payload as Payloads['route']).points)
    if (kind === 'installation') base.value = payload as Installation
    return true
  }
  return { base, filed, refuse, routing: useRouting(base, file) }
}

const person = { units: 'metric' }
beforeEach(() => {
  vi.useFakeTimers()
  person.units = 'metric'
  withStores({ person })
})
afterEach(() => vi.useRealTimers())

describe('routing by hand', () => {
  it('shows the draft at once and files it once, when the hand lets go', async () => {
    const { base, filed, routing } = history()
    routing.move(3, { height: 163 }, true)
    routing.move(3, { height: 171 }, true)
    expect(routing.shown.value!.route[3]!.height).toBe(170)
    expect(base.value!.route[3]!.height).toBe(150)
    await routing.keep()
    expect(filed.map(({ kind }) => kind)).toEqual(['route'])
    expect(base.value!.route[3]!.height).toBe(170)
    expect(routing.draft.value).toBeNull()
    await routing.keep()
    expect(filed).toHaveLength(1)
  })

  it('pulls level with a neighbour within two steps, unless told to let it be', () => {
    const { routing } = history()
    routing.move(3, { height: 157 }, true)
    expect(routing.shown.value!.route[3]!.height).toBe(148)
    routing.move(3, { height: 157 })
    expect(routing.shown.value!.route[3]!.height).toBe(157)
  })

  it('steps in eighths of an inch for who reads inches', () => {
    person.units = 'inch'
    const { routing } = history()
    routing.move(3, { height: 170 }, true)
    expect(routing.shown.value!.route[3]!.height / (25.4 / 8)).toBeCloseTo(54, 9)
  })

  it('goes no farther than the line beside it reaches', () => {
    const { routing } = history()
    routing.move(2, { height: 1500 })
    const [a, b, c] = routing.shown.value!.route.slice(1, 4) as [RoutePoint, RoutePoint, RoutePoint]
    for (const [from, to] of [
      [a, b],
      [b, c],
    ] as const)
      expect(Math.hypot(to.height - from.height, to.forward - from.forward)).toBeLessThanOrEqual(
        to.along - from.along + 1e-6,
      )
    expect(b.height).toBeGreaterThan(80)
  })

  it('letting go of it leaves what is kept', async () => {
    const { base, filed, routing } = history()
    routing.move(2, { height: 80 })
    routing.letGo()
    await routing.keep()
    expect(routing.shown.value).toBe(base.value)
    expect(filed).toEqual([])
  })

  it('a hand that goes on while the last move is filed keeps what it draws', async () => {
    const { base, filed, routing } = history()
    routing.move(2, { height: 85 })
    const filing = routing.keep()
    routing.move(2, { height: 75 })
    await filing
    expect(base.value!.route[2]!.height).toBe(85)
    expect(routing.draft.value).not.toBeNull()
    expect(routing.shown.value!.route[2]!.height).toBe(75)
    await routing.keep()
    expect(filed).toHaveLength(2)
    expect(base.value!.route[2]!.height).toBe(75)
  })

  it('what could not be filed does not stay on the screen', async () => {
    const { base, refuse, routing } = history()
    refuse.value = true
    routing.move(2, { height: 80 })
    await routing.keep()
    expect(routing.shown.value).toBe(base.value)
  })
})

describe('routing by keys', () => {
  it('counts keys that follow each other as one move', async () => {
    const { base, filed, routing } = history()
    for (let i = 0; i < 4; i++) {
      routing.nudge(2, 0, 5)
      await vi.advanceTimersByTimeAsync(300)
    }
    expect(filed).toEqual([])
    await vi.advanceTimersByTimeAsync(1000)
    expect(filed).toHaveLength(1)
    expect(base.value!.route[2]!.height).toBe(80)
    routing.nudge(2, 10, 0)
    await vi.advanceTimersByTimeAsync(1000)
    expect(filed).toHaveLength(2)
    expect(base.value!.route[2]!.along).toBe(220)
  })

  it('a union files the whole: two lines change their lengths with it', async () => {
    const { base, filed, routing } = history()
    routing.nudge(5, -50, 0)
    await vi.advanceTimersByTimeAsync(1000)
    expect(filed[0]!.kind).toBe('installation')
    expect(base.value!.circuit.lines.map(({ length }) => length)).toEqual([1400, 430])
    expect(base.value!.assumed).not.toContain('route')
  })

  it('a key on no point does nothing', async () => {
    const { filed, routing } = history()
    routing.nudge(99, 5, 5)
    await vi.advanceTimersByTimeAsync(1000)
    expect(filed).toEqual([])
  })
})

describe('points more and less', () => {
  it('a new one is chosen, lies on the way, and goes again', async () => {
    const { base, routing } = history()
    const before = base.value!.route
    await routing.addAfter(3)
    expect(base.value!.route).toHaveLength(before.length + 1)
    expect(routing.chosen.value).toBe(4)
    expect(base.value!.route[4]).toMatchObject({ along: 740, height: 149 })
    await routing.remove(4)
    expect(base.value!.route).toEqual(before)
    await routing.remove(0)
    expect(base.value!.route).toEqual(before)
  })

  it('after the last point it comes before it, and where there is no room none comes', async () => {
    const { base, filed, routing } = history()
    const last = base.value!.route.length - 1
    await routing.addAfter(last)
    expect(routing.chosen.value).toBe(last)
    await routing.add(base.value!.route[1]!.along + 1)
    expect(filed).toHaveLength(1)
  })

  it('nothing is done before there is an installation', async () => {
    const filed: unknown[] = []
    const routing = useRouting(shallowRef(null), (kind) => Promise.resolve(filed.push(kind) > 0))
    routing.move(0, { height: 3 })
    await routing.add(100)
    await routing.addAfter(0)
    await routing.remove(1)
    await routing.keep()
    expect(routing.shown.value).toBeNull()
    expect(filed).toEqual([])
  })

  it('follows what another tablet filed meanwhile', () => {
    const { base, routing } = history()
    base.value = withMeasured(base.value!, 'lines.1.length', 500)
    expect(routing.shown.value!.route.at(-1)!.along).toBe(1950)
  })
})
