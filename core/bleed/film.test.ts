import { describe, expect, it } from 'vitest'
import { overCrest } from '../../tests/arbitrary/bleed-routes'
import { whole } from '../run'
import { bleedRun, filmRun, usualConstants, USUAL_MASTER, USUAL_SLAVE, type RankAsked } from '.'
import { askedOf } from './rank'

const asked: RankAsked = {
  laid: { line: overCrest(6), master: USUAL_MASTER, slave: USUAL_SLAVE, shared: false },
  start: { line: 1.5, slave: 0.8, master: 0.7 },
  target: { value: 0.3, from: 'given', reachable: true },
  people: 2,
  kit: ['hose'],
  set: {},
  noseUp: 0,
  draws: 1,
  seed: 1,
}
const film = (method: 'openPush' | 'pumpHold' | 'vacuum', cycles: number) =>
  whole(filmRun(asked, [{ method, cycles }]))

describe('a run that is watched', () => {
  it.each(['openPush', 'pumpHold', 'vacuum'] as const)(
    '%s ends as the run nobody watched',
    (method) => {
      const last = film(method, 4).frames.at(-1)!
      const { cycles } = bleedRun({ ...askedOf(asked, usualConstants(), 80), method, cycles: 4 })
      const told = cycles.at(-1)!
      // Waits are gone through in short pieces, so that a little drifts otherwise.
      expect(last.air.total).toBeCloseTo(told.total, 1)
      expect(last.air.slave).toBeCloseTo(told.slave, 1)
      expect(last.liquidOut).toBeCloseTo(told.liquidOut, 0)
    },
  )
  it('goes forward in time, cycle by cycle, and shows shares of gas only', () => {
    const { frames, line } = film('openPush', 3)
    expect(line.height).toHaveLength(80)
    frames.slice(1).forEach((frame, i) => {
      expect(frame.at).toBeGreaterThanOrEqual(frames[i]!.at)
      expect(frame.cycle).toBeGreaterThanOrEqual(frames[i]!.cycle)
      expect(Math.max(...frame.line, frame.slave, frame.master)).toBeLessThanOrEqual(1)
      expect(Math.min(...frame.line, frame.slave, frame.master)).toBeGreaterThanOrEqual(0)
    })
    expect(frames.at(-1)!.at).toBeCloseTo(15, 0)
    expect(frames.length).toBeGreaterThan(60)
  })
  it('shows why pumping only shuffles air over a wide crest: it goes out and comes back', () => {
    const { frames, line } = film('pumpHold', 2)
    // The middle of the gas in the line, mm along.
    const middle = (gas: Float32Array) => {
      let [sum, at] = [0, 0]
      gas.forEach((share, i) => {
        sum += share
        at += share * line.along[i]!
      })
      return at / sum
    }
    const way = frames.map((frame) => middle(frame.line))
    const [start, farthest, end] = [way[0]!, Math.max(...way), way.at(-1)!]
    expect(farthest - start).toBeGreaterThan(80)
    expect(end - start).toBeLessThan(0.6 * (farthest - start))
  })
})
