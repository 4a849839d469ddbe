import { fold, type Payloads } from '../core/journal'
import { jobPlan } from '../core/proof'
import { withJoint, type Installation } from '../core/installation'
import { measured, reading, tape, withAir } from './figures'
import type { DemoJob, Line } from './scenario'

/** Both cylinders on the bench, the feed clamped, a bore still to be judged. In Fit. */
export function smokehouseVan(): DemoJob {
  const nut = { thread: 'M10x1', gender: 'male', seat: 'bubbleFlare', tube: 4.75 } as const
  const port = { thread: 'M10x1', gender: 'female', seat: 'bubbleFlare' } as const
  const pickup = measured('small-car', {
    'pedal.ratio': 5.6,
    'pedal.travel': 150,
    'master.bore': 19.05,
    'slave.bore': 20.64,
    'master.pushrodClearance': 0.4,
  })
  const installation: Installation = withJoint(
    withJoint(pickup, 'slavePort', { a: nut, b: port }),
    'masterOutlet',
    { a: { ...port }, b: nut },
  )
  const shows = tape(withAir(installation, 900))
  const plan: Payloads['workPlan'] = {
    packages: [{ id: 'rebuildMaster' }, { id: 'rebuildSlave' }],
    people: 1,
    facts: { panel: true },
    seed: 5,
  }
  const before: Line[] = [
    [0, 'Jory Pell', 'goal', { jobKind: 'fault', wanted: 'Kippers to the ferry, every morning' }],
    [1, 'Jory Pell', 'complaint', { complaint: 'losesFluid' }],
    [6, 'Jory Pell', 'measurement', reading('freeTravel', shows.free, 'asFound')],
    [8, 'Jory Pell', 'measurement', reading('padHeight', 150, 'asFound')],
    [
      12,
      'Jory Pell',
      'decision',
      {
        ...{ scope: 'pair', way: 'rebuild', first: 'part', repairs: ['master', 'slave'] },
        reasons: [{ fault: 'slaveLeak', chance: 0.7 }],
        ...{ minutes: 210, money: 46, comebackRisk: 0.2 },
      },
    ],
    [14, 'Jory Pell', 'workPlan', plan],
    [18, 'Jory Pell', 'asFound', { item: 'threadsOnRod', value: 7, unit: 'threads' }],
    [19, 'Jory Pell', 'asFound', { item: 'rodLength', value: 142, unit: 'mm' }],
    [24, 'Jory Pell', 'removed', { item: 'fastener', place: '6 screws, belly panel', bag: 'bag 1' }],
  ]
  const steps = jobPlan(fold([]), plan, installation, {}, 1).steps
  const stripped = steps.findIndex(({ id }) => id.endsWith('.strip'))
  const worked = steps.slice(0, stripped + 1).map((step, i): Line => [
    26 + 6 * i,
    i % 4 === 3 ? 'Tam Brackley' : 'Jory Pell',
    'step',
    {
      step: step.id,
      act: 'done',
      ...(i % 3 === 0 && { minutes: Math.round(step.minutes[1] * 1.3) }),
    },
  ])
  const end = 30 + 6 * worked.length
  const cylinder = steps[stripped]!.package === 'rebuildMaster' ? 'master' : 'slave'
  const out: Line[] = (
    [
      ['Dust boot', 'none', 'renew'],
      ['Pushrod', 'none', 'reuse'],
      ['Circlip', 'none', 'reuse'],
      ['Piston', 'none', 'reuse'],
      [cylinder === 'slave' ? 'Slave cup' : 'Primary cup', 'closed', 'renew'],
      ['Spring', 'none', 'reuse'],
    ] as const
  ).map(([piece, facing, verdict], i): Line => [
    end + i,
    'Jory Pell',
    'rebuildPiece',
    { cylinder, order: i + 1, piece, facing, verdict },
  ])
  return {
    vehicle: { name: 'Smokehouse van', plate: 'FID 71', model: 'Skerry pickup', installation },
    title: 'Both cylinders weep, kits are here',
    daysAgo: 1,
    lines: [
      ...before,
      ...worked,
      ...out,
      [
        end + 8,
        'Jory Pell',
        'modelNote',
        {
          model: 'Skerry pickup',
          place: 'line',
          words: 'the slave’s union is 11 mm and hides behind the heat shield: crowfoot from above',
        },
      ],
    ],
  }
}
