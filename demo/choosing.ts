import type { Installation } from '../core/installation'
import { measured, reading } from './figures'
import type { DemoJob } from './scenario'

/** Jobs of the scenario that stand in Choose. */

/** A lighter pedal is wanted, with a disc that is still new. In Choose. */
export function portersCar(): DemoJob {
  const installation = measured('small-car', {
    'pedal.ratio': 5.4,
    'pedal.travel': 145,
    'master.bore': 15.87,
    'slave.bore': 20.64,
    'master.pushrodClearance': 0.4,
  })
  return {
    vehicle: { name: 'Ferry porter’s car', plate: 'FID 18', model: 'Petrel saloon', installation },
    title: 'Lighter pedal wanted, disc fitted last week',
    daysAgo: 8,
    lines: [
      [
        0,
        'Tam Brackley',
        'goal',
        { jobKind: 'upgrade', wanted: 'A knee that does not ache on the ramp' },
      ],
      [4, 'Tam Brackley', 'measurement', reading('mileage', 61_840, 'asFound')],
      [6, 'Tam Brackley', 'fluidInside', { kind: 'dot4', wanted: 'dot4' }],
      [7, 'Tam Brackley', 'measurement', reading('fluidAge', 20, 'asFound')],
    ],
  }
}

/** The customer brought a hose: inch nut, and a metric port. In Choose. */
export function launchTractor(): DemoJob {
  const nut = {
    thread: '3/8-24',
    gender: 'male',
    seat: 'doubleFlare',
    tube: 4.75,
    nut: { length: 10, lead: 4 },
    material: 'steel',
  } as const
  const port = {
    thread: 'M10x1',
    gender: 'female',
    seat: 'bubbleFlare',
    tube: 4.75,
    depth: 13,
    material: 'castIron',
  } as const
  const installation: Installation = {
    ...measured('tractor', {}),
    joints: [
      {
        at: 'slavePort',
        a: { ...nut, thread: 'M10x1', seat: 'bubbleFlare' },
        b: port,
        access: 'from below, crowfoot',
      },
    ],
    mounts: { master: 'bolts', slave: 'bolts' },
    heat: [{ along: 600, distance: 70, sleeved: false }],
  }
  return {
    vehicle: { name: 'Launch tractor', plate: 'FID 52', model: 'Gannet 40', installation },
    title: 'Hose brought by the owner, to be fitted',
    daysAgo: 7,
    lines: [
      [0, 'Jory Pell', 'goal', { jobKind: 'partsBrought', wanted: 'At the slip for the spring tides' }],
      [
        9,
        'Jory Pell',
        'joint',
        {
          at: 'slavePort',
          a: nut,
          b: port,
          verdict: 'refused',
          reasons: [{ code: 'lookAlike', figure: 4.7 }, { code: 'seat' }],
        },
      ],
    ],
  }
}
