import { describe, expect, it } from 'vitest'
import { bubbleRise, filmFactor, horizontalDrift, verticalDrift, viscosity } from './physics'
import { pocketVolume } from './pocket'

const mm = (metres: number) => 1000 * metres
const MU = viscosity(20)

describe('closures of a bleed', () => {
  it('give the viscosity at and between their points', () => {
    expect(viscosity(20)).toBeCloseTo(0.012, 9)
    expect(viscosity(-40)).toBeCloseTo(1.4, 6)
    expect(viscosity(40)).toBeCloseTo(0.00638, 5)
    expect(viscosity(0)).toBeCloseTo(0.0296, 4)
  })
  it.each([
    [3.2, 0],
    [3.35, 0.05],
    [4, 2.28],
    [4.9, 15.04],
    [6, 37.72],
  ])('a slug rises in %d mm by %d mm/s', (bore, speed) =>
    expect(mm(verticalDrift(bore / 1000, MU))).toBeCloseTo(speed, 2),
  )
  it('a slug drifts level in a wide line alone, and small bubbles rise when tapped', () => {
    expect(mm(horizontalDrift(0.006))).toBeCloseTo(20.84, 2)
    expect(mm(bubbleRise(0.0008, 0.00335, MU))).toBeCloseTo(14.49, 2)
    expect(mm(bubbleRise(0.0008, 0.0049, MU))).toBeCloseTo(17.51, 2)
  })
  it.each([
    [0.01, 1.061],
    [0.1, 1.256],
    [0.3, 1.463],
  ])('gas outruns a flow of %d m/s by %d', (speed, factor) =>
    expect(filmFactor(speed, MU)).toBeCloseTo(factor, 3),
  )
  it.each([
    [30, 0, 0.116],
    [60, 0, 0.785],
    [90, 0, 2.008],
    [120, 0, 3.23],
    [180, 0, 4.015],
    [60, 15, 0.47],
    [0, -15, 0.162],
  ])('a pocket at %d° off top, its end raised %d°, holds %d ml', (off, raise, volume) =>
    expect(pocketVolume({ radius: 10.32, length: 12, off, raise })).toBeCloseTo(volume, 3),
  )
  it('a pocket of an annulus', () =>
    expect(pocketVolume({ radius: 30, inner: 22, length: 4, off: 25 })).toBeCloseTo(0.192, 3))
})
