import { COMMON_RANGES, type Archetype } from './archetype'

/** Old adjustable linkage: a return spring at the fork, bearing play that is set, all of it paid at the pad. */
export const adjustableVintage: Archetype = {
  id: 'adjustable-vintage',
  name: 'Old and adjustable, return spring at the fork',
  looksLike: 'A spring pulls the fork back, the slave’s rod has a locknut, and play can be felt.',
  installation: {
    circuit: {
      pedal: { ratio: 5.2, travel: 165, returnForce: 14 },
      master: {
        bore: 19.05,
        stroke: 35,
        pushrodClearance: 0.6,
        portClosure: 1.4,
        springPreload: 22,
        springRate: 0.7,
        sealFriction: 10,
      },
      lines: [
        { kind: 'steel', length: 900, innerDiameter: 4.93, outerDiameter: 6.35 },
        { kind: 'rubber', length: 320, innerDiameter: 4.8, expansion: 360 },
      ],
      slave: { type: 'external', bore: 23.81, stroke: 28, springPreload: 0, sealFriction: 14 },
      linkage: { forkRatio: 1.5, slop: 0.6, bearingClearance: 0.5 },
      cover: {
        releaseLoad: [
          [0, 0],
          [1.7, 950],
          [3.4, 1550],
          [4.9, 1750],
          [6.9, 1620],
          [9, 1480],
          [11, 1400],
        ],
        releaseTravel: 7,
        fullClampTravel: 3.2,
      },
      fluid: { bulkModulus: 1900 },
      air: 0,
    },
    route: [
      { along: 0, height: 0, forward: 0 },
      { along: 250, height: -90, forward: 60 },
      { along: 900, height: -260, forward: -380 },
      { along: 1220, height: -330, forward: -560 },
    ],
    reservoir: { sharedWithBrakes: false, area: 2000, usable: 55_000, height: 90 },
    master: { tilt: 0, outletAngle: 20, portAngle: 0 },
    slave: { bleeder: { kind: 'screw', angle: 30 }, linePort: 110, endRaise: 0 },
    rodThreadPitch: 1,
  },
  ranges: [
    ...COMMON_RANGES,
    { path: 'pedal.ratio', low: 4.6, high: 6, reason: 'Floor and hanging pedals of old cars.' },
    { path: 'pedal.travel', low: 140, high: 180, reason: 'Pad to toe board.' },
    { path: 'master.bore', low: 17.46, high: 19.05, reason: 'Old inch bores; the casting tells.' },
    { path: 'master.stroke', low: 30, high: 38, reason: 'Room for the pedal’s own travel.' },
    { path: 'slave.bore', low: 22.2, high: 25.4, reason: 'Old inch bores; the casting tells.' },
    { path: 'slave.stroke', low: 24, high: 36, reason: 'Stroke with room for adjustment.' },
    { path: 'lines.0.length', low: 600, high: 1400, reason: 'Bulkhead to bell housing.' },
    { path: 'lines.1.length', low: 250, high: 450, reason: 'Bridges engine movement.' },
    { path: 'linkage.forkRatio', low: 1.4, high: 1.7, reason: 'Forks of the time.' },
    {
      path: 'linkage.slop',
      low: 0.2,
      high: 2,
      reason: 'Worn clevis, pin and cup cost pedal here in full.',
    },
    {
      path: 'linkage.bearingClearance',
      low: 0.2,
      high: 1.2,
      reason: 'Play is set, and drifts with wear.',
    },
    { path: 'cover.releaseTravel', low: 6.4, high: 8, reason: 'Single disc, 200 to 240 mm.' },
    { path: 'cover.fullClampTravel', low: 2.6, high: 3.8, reason: 'Single disc, 200 to 240 mm.' },
  ],
}
