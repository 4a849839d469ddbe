import type { Seat } from '../end'

/** How a joint is made and how one sees that it is made: general practice, the maker's figure decides. */
export interface Tightening {
  first: string
  then: string
  proof: string
  caution?: string
}

export const TIGHTENING: Record<Seat, Tightening> = {
  doubleFlare: {
    first: 'Nut in by the fingers, all the way, with the pipe moved about until it runs freely.',
    then: 'Then a sixth of a turn with a flare-nut wrench; loosen and do it once more so that the flare beds.',
    proof: 'The pipe does not turn in its tightened nut; dry after ten hard strokes.',
    caution:
      'Where it needs a wrench before the last two turns, it is crossed or the wrong thread: out again.',
  },
  bubbleFlare: {
    first: 'Nut in by the fingers, all the way.',
    then: 'Then a sixth of a turn with a flare-nut wrench; once, a bubble flare is spoilt by doing it again.',
    proof: 'The pipe does not turn in its tightened nut; dry after ten hard strokes.',
    caution:
      'Where it needs a wrench before the last two turns, it is crossed or the wrong thread: out again.',
  },
  flare37: {
    first: 'Nut on by the fingers until the cones touch.',
    then: 'Then a third of a turn, marked across nut and body with a pen.',
    proof: 'The mark has moved by two flats; dry after ten hard strokes.',
  },
  banjo: {
    first: 'New washers both sides, bolt in by the fingers.',
    then: 'Tightened to the maker’s figure while the hose is held at its angle.',
    proof: 'Both washers are marked all round when it is opened again; it does not turn by hand.',
  },
  washerFace: {
    first: 'New washer, by the fingers until it is held.',
    then: 'A quarter of a turn, or the maker’s figure.',
    proof: 'The washer is marked all round when it is opened again.',
  },
  oRing: {
    first: 'New O-ring, wetted with the fluid that is filled, by the fingers to the stop.',
    then: 'Just against the stop: the ring seals, not the force.',
    proof: 'Nothing of the ring is to be seen, and nothing nicked.',
  },
  sealAndClip: {
    first: 'New seal on the end, wetted, pushed in square.',
    then: 'Clip pressed into its groove until it is heard.',
    proof: 'Pull on it: it does not come back by a hair.',
  },
  sealAndRollPin: {
    first: 'New seal on the end, wetted, pushed in square.',
    then: 'Pin driven in flush, over an open support with the hand out of the line.',
    proof: 'Pull on it: it does not come back, and the pin stands out on neither side.',
  },
  quickConnector: {
    first: 'Both halves clean, pushed together square.',
    then: 'Until it clicks.',
    proof: 'Pull on it; its ring stands where it stood before.',
  },
  hoseBarb: {
    first: 'Hose right up to its shoulder, clamp behind the barb’s crest.',
    then: 'Clamp tight enough that the hose does not turn by hand, and no tighter.',
    proof: 'No wet ring behind the clamp next morning.',
  },
}
