/** The next draw, evenly in [0, 1). */
export type Draw = () => number

/**
 * Even draws from a seed, the same ones for the same seed.
 * Source: the 32-bit "small fast counting" generator sfc32 of PractRand (C. Doty-Humphrey), period about 2^127.
 * @param seed any whole number; only its low 32 bits count.
 */
export function evenDraws(seed: number): Draw {
  let a = 0x9e3779b9
  let b = 0x243f6a88
  let c = seed | 0
  let counter = 1
  const next = (): number => {
    const sum = (((a + b) | 0) + counter) | 0
    counter = (counter + 1) | 0
    a = b ^ (b >>> 9)
    b = (c + (c << 3)) | 0
    c = ((c << 21) | (c >>> 11)) + sum
    c |= 0
    return (sum >>> 0) / 4_294_967_296
  }
  // A seed near another must not begin like it.
  for (let i = 0; i < 12; i++) next()
  return next
}
