import { describe, expect, it } from 'vitest'
import { filmRun, USUAL_MASTER, USUAL_SLAVE, type RankAsked } from '~~/core/bleed'
import { whole } from '~~/core/run'
import { captionOf, layoutOf, momentAt } from './inside-draw'

const asked: RankAsked = {
  laid: {
    line: {
      points: [
        [0, 0, 0],
        [0, 400, 150],
        [0, 1200, -300],
      ],
      bores: [6, 6],
    },
    master: USUAL_MASTER,
    slave: USUAL_SLAVE,
    shared: false,
  },
  start: { line: 1.5, slave: 0.8, master: 0.7 },
  target: { value: 0.3, from: 'given', reachable: true },
  people: 2,
  kit: [],
  set: {},
  noseUp: 0,
  draws: 1,
  seed: 1,
}
const film = whole(filmRun(asked, [{ method: 'pumpHold', cycles: 2 }]))

describe('the inside view', () => {
  it('lays the line out to scale in height, between both cylinders', () => {
    const { at, master, slave } = layoutOf(film.line, { width: 900, height: 250 })
    expect(at[0]!.x).toBeGreaterThan(master.x)
    expect(at.at(-1)!.x).toBeLessThan(slave.x)
    const scale = (i: number, j: number) =>
      (at[i]!.y - at[j]!.y) / (film.line.height[j]! - film.line.height[i]!)
    expect(scale(0, 20)).toBeCloseTo(scale(30, 79), 6)
    for (const { y } of at) expect(y > 0 && y < 250).toBe(true)
  })
  it('goes in a straight line from one frame to the next, and says what is going on', () => {
    const [a, b] = [film.frames[3]!, film.frames[4]!]
    const { moment } = momentAt(film, (a.at + b.at) / 2)
    expect(moment.x).toBeCloseTo((a.x + b.x) / 2, 9)
    expect(moment.line[40]).toBeCloseTo((a.line[40]! + b.line[40]!) / 2, 5)
    expect(momentAt(film, -1).k).toBe(0)
    expect(momentAt(film, 1e9).frame).toBe(film.frames.at(-1))
    const said = new Set(film.frames.map((_, k) => captionOf(film, k)))
    expect([...said]).toEqual(
      expect.arrayContaining([
        'Pedal down, screw shut: air goes forward',
        'Pedal up, screw shut: the air comes home',
        'Pedal held: the air is pressed small, and does not move on',
      ]),
    )
  })
})
