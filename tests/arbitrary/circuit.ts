import fc from 'fast-check'
import type { Circuit, Line } from '../../core/circuit'

/** Circuits for property tests only: everyday ones, and anything at all that the bounds let in. */
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })

const hose = (most: number) =>
  fc.record({
    kind: fc.constantFrom('rubber' as const, 'braided' as const, 'nylon' as const),
    length: number(1, 20000),
    innerDiameter: number(0.5, 30),
    expansion: number(0, most),
  })

const steel = number(0.5, 30).chain((innerDiameter) =>
  fc.record({
    kind: fc.constant('steel' as const),
    length: number(1, 20000),
    innerDiameter: fc.constant(innerDiameter),
    outerDiameter: number(Math.max(1, innerDiameter + 0.01), 40),
  }),
)

const loadPoints = (mostTravel: number, mostLoad: number) =>
  fc.uniqueArray(fc.integer({ min: 0, max: 1000 }), { minLength: 2, maxLength: 9 }).chain((marks) => {
    const travels = [...marks].sort((a, b) => a - b).map((mark) => (mark / 1000) * mostTravel)
    return fc.tuple(...travels.map((x) => number(0, mostLoad).map((y): [number, number] => [x, y])))
  })

/** Any circuit that the schema lets in. */
export const anyCircuit: fc.Arbitrary<Circuit> = fc
  .record({
    pedal: fc.record({ ratio: number(1, 20), travel: number(10, 500), returnForce: number(0, 500) }),
    stroke: number(1, 150),
    master: fc.record({
      bore: number(5, 60),
      pushrodClearance: number(-20, 30),
      springPreload: number(0, 1000),
      springRate: number(0, 100),
      sealFriction: number(0, 500),
    }),
    closureShare: number(0, 0.9),
    lines: fc.array(fc.oneof(hose(20000), steel) as fc.Arbitrary<Line>, { maxLength: 4 }),
    slave: fc.oneof(
      fc.record({
        type: fc.constant('external' as const),
        bore: number(5, 80),
        stroke: number(1, 150),
        springPreload: number(0, 2000),
        sealFriction: number(0, 1000),
      }),
      number(5, 190).chain((inner) =>
        fc.record({
          type: fc.constant('concentric' as const),
          inner: fc.constant(inner),
          outer: number(Math.max(10, inner + 1), 200),
          stroke: number(1, 150),
          springPreload: number(0, 2000),
          sealFriction: number(0, 1000),
        }),
      ),
    ),
    linkage: fc.record({
      forkRatio: number(0.2, 10),
      slop: number(0, 30),
      bearingClearance: number(0, 30),
    }),
    releaseLoad: loadPoints(100, 50_000),
    releaseTravel: number(0.1, 60),
    clampShare: number(0, 1),
    bulkModulus: number(100, 5000),
    air: fc.oneof(fc.constant(0), number(0, 1_000_000)),
  })
  .map(
    ({
      stroke,
      master,
      closureShare,
      releaseLoad,
      releaseTravel,
      clampShare,
      bulkModulus,
      ...rest
    }) => ({
      ...rest,
      master: { ...master, stroke, portClosure: Math.min(20, stroke * closureShare) },
      cover: { releaseLoad, releaseTravel, fullClampTravel: releaseTravel * clampShare },
      fluid: { bulkModulus },
    }),
  )

/** Circuits such as vehicles have, from stiff and dry of air to soft with a cover that falls steeply past its peak. */
export const everydayCircuit: fc.Arbitrary<Circuit> = fc
  .record({
    ratio: number(4.5, 7),
    travel: number(120, 190),
    bore: fc.constantFrom(15.87, 17.46, 19.05, 20.64),
    stroke: number(24, 36),
    clearance: number(0.1, 1.2),
    portClosure: number(0.8, 1.8),
    hoseLength: number(200, 700),
    expansion: number(30, 450),
    steelLength: number(400, 3000),
    slaveBore: fc.constantFrom(19.05, 20.64, 22.2, 23.81),
    spring: number(0, 90),
    friction: number(6, 24),
    forkRatio: number(1.3, 2.1),
    slop: number(0, 1.5),
    bearingClearance: number(0, 1),
    peak: number(1200, 2600),
    fall: number(0.2, 1),
    air: number(0, 6000),
  })
  .map((v) => ({
    pedal: { ratio: v.ratio, travel: v.travel, returnForce: 6 },
    master: {
      bore: v.bore,
      stroke: v.stroke,
      pushrodClearance: v.clearance,
      portClosure: v.portClosure,
      springPreload: 25,
      springRate: 0.8,
      sealFriction: 10,
    },
    lines: [
      { kind: 'steel', length: v.steelLength, innerDiameter: 3.35, outerDiameter: 4.75 },
      { kind: 'rubber', length: v.hoseLength, innerDiameter: 3.2, expansion: v.expansion },
    ],
    slave: {
      type: 'external',
      bore: v.slaveBore,
      stroke: 40,
      springPreload: v.spring,
      sealFriction: v.friction,
    },
    linkage: { forkRatio: v.forkRatio, slop: v.slop, bearingClearance: v.bearingClearance },
    cover: {
      releaseLoad: [
        [0, 0],
        [1, 0.5 * v.peak],
        [2.2, 0.85 * v.peak],
        [3.6, v.peak],
        [5, v.peak * (1 - 0.5 * (1 - v.fall))],
        [7, v.peak * v.fall],
        [10, v.peak * v.fall * 0.95],
      ],
      releaseTravel: 6.2,
      fullClampTravel: 2.6,
    },
    fluid: { bulkModulus: 1900 },
    air: v.air,
  }))
