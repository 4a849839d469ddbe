import { describe, expect, it } from 'vitest'
import { changedAtPath, numberAtPath, atPath } from './path'

const node = { a: { b: [{ c: 1 }, { c: 2 }] }, d: 'words' }

describe('a dotted path', () => {
  it('leads to what stands there, or to nothing', () => {
    expect(atPath(node, 'a.b.1')).toEqual({ c: 2 })
    expect(numberAtPath(node, 'a.b.1.c')).toBe(2)
    expect([numberAtPath(node, 'd'), numberAtPath(node, 'a.x.c'), numberAtPath(node, 'e')]).toEqual([
      null,
      null,
      null,
    ])
  })

  it('is changed in a copy that shares what lies beside it', () => {
    const next = changedAtPath(node, 'a.b.1.c', (before) => Number(before) + 5)!
    expect(next).toEqual({ a: { b: [{ c: 1 }, { c: 7 }] }, d: 'words' })
    expect(node.a.b[1]!.c).toBe(2)
    expect(next.a.b[0]).toBe(node.a.b[0])
  })

  it('may end in what is missing, but not lead through it', () => {
    expect(changedAtPath(node, 'a.e', () => 3)).toEqual({ ...node, a: { ...node.a, e: 3 } })
    expect(changedAtPath(node, 'x.e', () => 3)).toBeNull()
    expect(changedAtPath(node, 'd.e.f', () => 3)).toBeNull()
  })
})
