import { expect, it } from 'vitest'
import type { Database } from '../../database/database'
import { counted } from './crowd'
import { sharedRounds } from './rounds'

const database = {} as Database
/** Rounds that end when they are told to, over so many things. */
function rounds(left: number) {
  const begun: ((done: number) => void)[] = []
  const shared = sharedRounds(
    () => new Promise<number>((resolve) => begun.push(resolve)),
    (_, most) => Promise.resolve(Math.min(left, most)),
  )
  return { begun, ...shared }
}
const settled = () => new Promise((resolve) => setImmediate(resolve))

it('sixteen who ask while a round runs share the next one, which begins after they have asked', async () => {
  const { begun, round } = rounds(1)
  const first = round(database)
  const others = Array.from({ length: 16 }, () => round(database))
  expect(begun).toHaveLength(1)
  begun[0]!(1)
  expect(await first).toBe(1)
  await settled()
  expect(begun).toHaveLength(2)
  begun[1]!(3)
  expect(await Promise.all(others)).toEqual(Array(16).fill(3))
  void round(database)
  expect(begun).toHaveLength(3)
})

it('a round that fails is told to those who waited for it, and the next begins all the same', async () => {
  let times = 0
  const { round } = sharedRounds(
    () => (++times === 1 ? Promise.reject(new Error('away')) : Promise.resolve(2)),
    () => Promise.resolve(1),
  )
  const [first, second] = [round(database), round(database)]
  await expect(first).rejects.toThrow('away')
  expect(await second).toBe(2)
})

it.each([
  [0, 0],
  [1, 1],
  [8, 1],
  [9, 0],
  [5000, 0],
])('with %i left to do, whoever shows a list begins %i rounds for it', async (left, expected) => {
  const { begun, caughtUp } = rounds(left)
  const shown = caughtUp(database)
  await settled()
  expect(begun).toHaveLength(expected)
  begun[0]?.(left)
  await shown
})

it('where many ask at once nobody waits for a round', async () => {
  const { begun, caughtUp } = rounds(1)
  let go = () => {}
  const held = new Promise<void>((resolve) => (go = resolve))
  const others = Array.from({ length: 13 }, () => counted(() => held))
  await caughtUp(database)
  expect(begun).toHaveLength(0)
  go()
  await Promise.all(others)
  const shown = caughtUp(database)
  await settled()
  expect(begun).toHaveLength(1)
  begun[0]!(1)
  await shown
})
