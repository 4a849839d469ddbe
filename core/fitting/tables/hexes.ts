/** A hex as it is found on a union, a hose or a screw, and the wrenches that go on it. */
export interface HexInUse {
  /** Across the flats, mm. */
  flats: number
  name: string
  on: string
  fits: string
  /** Another wrench that goes on without harm; null where none does. */
  alsoGoesOn: string | null
  /** Wrenches that seem to go on, and round it. */
  mustNot: string
  reason: string
}

/** Across the flats in mm; old imperial ones are named by their bolt (BSW head, BSF one size up). */
export const HEXES: readonly HexInUse[] = [
  {
    flats: 8,
    name: '8 mm',
    on: 'small bleed screws',
    fits: '8 mm ring, six points',
    alsoGoesOn: '5/16 in (7.94 mm), if it goes on at all',
    mustNot: '11/32 in (8.73 mm)',
    reason: 'A screw that rounds off stays shut: six points only.',
  },
  {
    flats: 9,
    name: '9 mm',
    on: 'bleed screws',
    fits: '9 mm ring, six points',
    alsoGoesOn: null,
    mustNot: '3/8 in (9.53 mm)',
    reason: 'Half a millimetre of play rounds it at the first pull.',
  },
  {
    flats: 10,
    name: '10 mm',
    on: 'nuts on 4.75 mm pipe, bleed screws',
    fits: '10 mm flare-nut wrench or crowfoot',
    alsoGoesOn: null,
    mustNot: '13/32 in (10.32 mm), 3/8 in is too small',
    reason: 'A pipe nut is thin-walled: it needs five flats held.',
  },
  {
    flats: 11,
    name: '11 mm',
    on: 'nuts on 4.75 mm pipe, bleed screws',
    fits: '11 mm flare-nut wrench or crowfoot',
    alsoGoesOn: '7/16 in (11.11 mm), with a trace of play',
    mustNot: '12 mm',
    reason: '7/16 in is 0.11 mm wider: it holds a good nut, not a rusty one.',
  },
  {
    flats: 11.11,
    name: '7/16 in',
    on: 'nuts on 3/16 in pipe',
    fits: '7/16 in flare-nut wrench',
    alsoGoesOn: null,
    mustNot: '11 mm (jams and cracks it), 12 mm',
    reason: 'An 11 mm wrench is 0.11 mm too small: forced on, it spreads.',
  },
  {
    flats: 12.7,
    name: '1/2 in',
    on: 'nuts on 1/4 in pipe, hose ends',
    fits: '1/2 in flare-nut wrench',
    alsoGoesOn: '13 mm, with 0.3 mm of play, on a hose hex only',
    mustNot: '13 mm on a pipe nut',
    reason: '0.3 mm rounds thin nuts and is taken by a thick hose end.',
  },
  {
    flats: 13,
    name: '13 mm',
    on: 'hose ends, slave bolts',
    fits: '13 mm',
    alsoGoesOn: null,
    mustNot: '1/2 in (too small), 17/32 in (13.49 mm)',
    reason: 'The bolt beside it is often 13 mm too: look which one is turned.',
  },
  {
    flats: 14,
    name: '14 mm',
    on: 'hose ends, nuts on 6 mm pipe',
    fits: '14 mm flare-nut wrench',
    alsoGoesOn: '9/16 in (14.29 mm), on a hose hex only',
    mustNot: '9/16 in on a pipe nut',
    reason: '0.29 mm of play.',
  },
  {
    flats: 17,
    name: '17 mm',
    on: 'hose ends, banjo bolts',
    fits: '17 mm',
    alsoGoesOn: null,
    mustNot: '11/16 in (17.46 mm)',
    reason: 'Banjo bolts take little: a slipping wrench ends in the knuckles.',
  },
  {
    flats: 11.3,
    name: '3/16 W, 1/4 BSF',
    on: 'old imperial unions',
    fits: '3/16 Whitworth (1/4 BSF) wrench, 11.3 mm',
    alsoGoesOn: null,
    mustNot: '11 mm and 7/16 in (too small), 12 mm',
    reason: 'The old imperial series is named by the bolt, not across its flats.',
  },
  {
    flats: 13.3,
    name: '1/4 W, 5/16 BSF',
    on: 'old imperial unions',
    fits: '1/4 Whitworth (5/16 BSF) wrench, 13.3 mm',
    alsoGoesOn: null,
    mustNot: '13 mm (too small), 17/32 in (13.49 mm) on a thin nut',
    reason: 'A 13 mm wrench hammered on spreads and slips.',
  },
  {
    flats: 15.2,
    name: '5/16 W, 3/8 BSF',
    on: 'old imperial unions on 1/4 in pipe',
    fits: '5/16 Whitworth (3/8 BSF) wrench, 15.2 mm',
    alsoGoesOn: null,
    mustNot: '15 mm (too small), 5/8 in (15.88 mm)',
    reason: 'Neither a metric nor an inch wrench holds it.',
  },
]

/** Kinds of wrench, and what each needs round the nut. */
export const WRENCHES: readonly { id: string; label: string; needs: string }[] = [
  {
    id: 'flareNut',
    label: 'Flare-nut wrench',
    needs: 'Goes over the pipe through its slot: 60° of swing and its own head’s width beside the nut.',
  },
  {
    id: 'crowfoot',
    label: 'Crowfoot',
    needs:
      'On an extension, where no hand gets in: straight access along the pipe, and a torque that is set for its offset.',
  },
  {
    id: 'second',
    label: 'Second wrench on the hose’s hex',
    needs: 'Always, where a hose and a pipe meet: the hose must not turn.',
  },
]

/** mm by which a measured hex may differ from its row: a rule under a vehicle. */
const NEAR = 0.35
/** Hexes that a measured one may be, the nearest first. */
export const hexesNear = (flats: number): HexInUse[] =>
  HEXES.filter((one) => Math.abs(one.flats - flats) <= NEAR).sort(
    (a, b) => Math.abs(a.flats - flats) - Math.abs(b.flats - flats),
  )
