import type { Installation } from '../core/installation'
import { found, measured, reading, tape, withAir } from './figures'
import type { DemoJob } from './scenario'
import { pickupYears } from './years'

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

/** Its slave leaks; the new one was laid beside the old and waits for the ferry’s small parts. In Choose. */
export function lighthousePickup(): DemoJob {
  const installation: Installation = {
    ...measured('small-car', {
      'pedal.ratio': 5.6,
      'pedal.travel': 150,
      'master.bore': 15.87,
      'slave.bore': 20.64,
      'master.pushrodClearance': 0.4,
    }),
    mounts: { master: 'studs', slave: 'bolts' },
    joints: [
      {
        at: 'slavePort',
        a: { thread: 'M10x1', gender: 'male', seat: 'banjo' },
        b: { thread: 'M10x1', gender: 'female', seat: 'banjo' },
      },
    ],
  }
  const shows = tape(withAir(installation, 700))
  const empty = { brought: false, keep: [], move: [], bin: [], casualties: [] }
  return {
    vehicle: { name: 'Lighthouse pickup', plate: 'FID 63', model: 'Skerry pickup', installation },
    title: 'Slave boot wet again, new slave on the bench',
    daysAgo: 2,
    lines: [
      [0, 'Orla Venn', 'goal', { jobKind: 'fault', wanted: 'For the lamp oil on Friday' }],
      [1, 'Orla Venn', 'complaint', { complaint: 'losesFluid' }],
      [6, 'Orla Venn', 'finding', found('bootWet', 'present')],
      [9, 'Orla Venn', 'finding', found('bootWetAgain', 'present')],
      [12, 'Orla Venn', 'measurement', reading('freeTravel', shows.free, 'asFound')],
      [14, 'Orla Venn', 'fluidInside', { kind: 'dot4', wanted: 'dot4' }],
      [
        16,
        'Orla Venn',
        'decision',
        {
          ...{ scope: 'proven', way: 'replace', first: 'part', repairs: ['slave'] },
          reasons: [{ fault: 'slaveLeak', chance: 0.9 }],
          ...{ minutes: 90, money: 53, comebackRisk: 0.25 },
        },
      ],
      [
        40,
        'Jory Pell',
        'fitCheck',
        {
          ...empty,
          of: 'slave',
          words: 'Slave cylinder 20.64, dry',
          rows: [
            { what: 'mounting', old: 'bolts', new: 'bolts', judged: 'same' },
            { what: 'boltSpacing', old: 54, new: 54, unit: 'mm', judged: 'same' },
            { what: 'bore', old: 20.64, new: 20.64, unit: 'mm', judged: 'same' },
            { what: 'stroke', old: 24, new: 25, unit: 'mm', judged: 'same' },
            {
              what: 'rodSupplied',
              old: null,
              new: false,
              judged: 'change',
              change: 'no rod with it: the old one moves across',
            },
            {
              what: 'rodLength',
              old: 96,
              new: 89,
              unit: 'mm',
              judged: 'change',
              change: 'the old rod moves across',
            },
            { what: 'portThread', old: 'M10x1', new: 'M10x1', judged: 'same' },
            { what: 'portSeat', old: 'banjo', new: 'banjo', judged: 'same' },
            {
              what: 'portAngle',
              old: 0,
              new: 20,
              unit: '°',
              judged: 'change',
              change: 'the port points 20° elsewhere: re-form the pipe, or turn the hose',
            },
            {
              what: 'bleedScrew',
              old: 'fitted',
              new: 'inLinePort',
              judged: 'change',
              change: 'the bleed screw changes places with the line',
            },
          ],
        },
      ],
    ],
    earlier: pickupYears(installation),
  }
}
