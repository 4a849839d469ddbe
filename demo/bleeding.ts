import type { Payloads } from '../core/journal'
import { measured, reading, tape, withAir } from './figures'
import type { DemoJob, Line } from './scenario'

const pumped = (cameOut: Payloads['bleedCycle']['cameOut'], bottleMl: number) => ({
  method: 'pumpHold' as const,
  strokes: 4,
  cameOut,
  bottle: 1000 * bottleMl,
})

/** A wide line over the bulkhead: two people have pumped for an hour, and the pedal hardly moves. In Bleed. */
export function ferryShuttle(): DemoJob {
  const installation = measured('long-line', {
    'pedal.ratio': 6,
    'pedal.travel': 155,
    'master.bore': 15.87,
    'slave.bore': 20.64,
    'lines.0.length': 1450,
    'lines.0.outerDiameter': 8,
    'lines.0.innerDiameter': 6,
    'master.pushrodClearance': 0.4,
  })
  const by = 'Tam Brackley'
  const free = (air: number) => tape(withAir(installation, air)).free
  const cycles: Line[] = (['foam', 'few', 'few', 'few', 'few', 'few'] as const).map((came, i) => [
    30 + 4 * i,
    by,
    'bleedCycle',
    pumped(came, i === 0 ? 4 : 2),
  ])
  return {
    vehicle: { name: 'Ferry shuttle', plate: 'FID 63', model: 'Curlew 22', installation },
    title: 'An hour at the pedal, and it stays soft',
    daysAgo: 1,
    lines: [
      [0, by, 'goal', { jobKind: 'afterOtherWork', wanted: 'Meets the evening boat' }],
      [1, by, 'complaint', { complaint: 'soft' }],
      [12, by, 'measurement', reading('freeTravel', free(3000), 'asFound')],
      [
        20,
        by,
        'bleedSetup',
        {
          people: 2,
          kit: ['hose', 'vacuumPump', 'wedge'],
          vacuum: 60,
        } satisfies Payloads['bleedSetup'],
      ],
      ...cycles,
      [55, by, 'measurement', reading('freeTravel', free(2500), 'working')],
      [56, by, 'topUp', { volume: 20_000 }],
      [60, by, 'bleedCycle', pumped('few', 2)],
      [64, by, 'bleedCycle', pumped('few', 2)],
      [68, by, 'pedalSays', { says: 'toFloor' }],
    ],
  }
}
