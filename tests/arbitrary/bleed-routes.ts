import type { BleedPath } from '../../core/bleed'

/** Over a crest of 120 mm and down half a metre to a far slave, in one bore. */
export const overCrest = (bore: number): BleedPath => ({
  points: [
    [0, 0, 0],
    [0, 328.8, 120],
    [0, 1328.8, 120],
    [-624.5, 1328.8, -380],
    [-874.5, 1328.8, -380],
  ],
  bores: [bore, bore, bore, bore],
})
/** Falling 450 mm all the way over 1.2 m. */
export const falling = (bore: number): BleedPath => ({
  points: [
    [0, 0, 0],
    [Math.sqrt(1200 ** 2 - 450 ** 2), 0, -450],
  ],
  bores: [bore],
})
