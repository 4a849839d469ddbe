import { COMMON_RANGES, type Archetype } from './archetype'

/** Tractor: large bores, long travel, short line straight down to the housing. */
export const tractor: Archetype = {
  id: 'tractor',
  name: 'Tractor',
  looksLike: 'Long pedal with a large pad, short stout line down to a slave on the housing.',
  installation: {
    circuit: {
      pedal: { ratio: 5.2, travel: 190, returnForce: 18 },
      master: {
        bore: 22.2,
        stroke: 40,
        pushrodClearance: 0.7,
        portClosure: 1.5,
        springPreload: 35,
        springRate: 0.8,
        sealFriction: 16,
      },
      lines: [
        { kind: 'steel', length: 600, innerDiameter: 4.93, outerDiameter: 6.35 },
        { kind: 'rubber', length: 500, innerDiameter: 4.8, expansion: 360 },
      ],
      slave: { type: 'external', bore: 28.57, stroke: 34, springPreload: 70, sealFriction: 22 },
      linkage: { forkRatio: 1.75, slop: 0.6, bearingClearance: 0 },
      cover: {
        releaseLoad: [
          [0, 0],
          [2, 1600],
          [4, 2700],
          [6, 3200],
          [8, 3150],
          [10, 2950],
          [12, 2800],
        ],
        releaseTravel: 8.6,
        fullClampTravel: 4,
      },
      fluid: { bulkModulus: 1900 },
      air: 0,
    },
    route: [
      { along: 0, height: 0, forward: 0 },
      { along: 300, height: -180, forward: -120 },
      { along: 600, height: -330, forward: -300 },
      { along: 1100, height: -450, forward: -650 },
    ],
    reservoir: { sharedWithBrakes: false, area: 2800, usable: 110_000, height: 120 },
    master: { tilt: 0, outletAngle: 20, portAngle: 0 },
    slave: { bleeder: { kind: 'screw', angle: 10 }, linePort: 90, endRaise: 0 },
    rodThreadPitch: 1.5,
  },
  ranges: [
    ...COMMON_RANGES,
    { path: 'pedal.ratio', low: 4.6, high: 6, reason: 'Long pedals under a deck.' },
    { path: 'pedal.travel', low: 165, high: 215, reason: 'Pad to deck.' },
    { path: 'master.bore', low: 20.64, high: 25.4, reason: 'Three usual bores; the casting tells.' },
    { path: 'master.stroke', low: 34, high: 46, reason: 'Room for the pedal’s own travel.' },
    { path: 'slave.bore', low: 25.4, high: 31.75, reason: 'Three usual bores; the casting tells.' },
    { path: 'slave.stroke', low: 28, high: 42, reason: 'Stroke with room for wear.' },
    {
      path: 'slave.springPreload',
      low: 50,
      high: 100,
      reason: 'Holds a heavy bearing on the fingers.',
    },
    { path: 'lines.0.length', low: 350, high: 1200, reason: 'Deck to housing.' },
    { path: 'lines.1.length', low: 300, high: 800, reason: 'Bridges the cab’s rubber mounts.' },
    { path: 'linkage.forkRatio', low: 1.5, high: 2, reason: 'Forks of split housings.' },
    { path: 'linkage.slop', low: 0.2, high: 2, reason: 'Taken up by the slave’s spring.' },
    { path: 'cover.releaseTravel', low: 7.8, high: 9.8, reason: 'Single disc, 280 to 330 mm.' },
    { path: 'cover.fullClampTravel', low: 3.2, high: 4.8, reason: 'Single disc, 280 to 330 mm.' },
  ],
}
