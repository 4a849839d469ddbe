import { OPENED_BY, type RepairId, type Way } from '../diagnosis'
import { join, type Seal } from '../fitting'
import { jointAt, jointPlaces, type Installation, type JointPlace } from '../installation'
import type { PartKind } from '../shelf'
import { casualtiesOf, casualtyById } from '../side-by-side'
import type { OperationId } from '../work'
import { bleedKit } from './bleed-kit'
import { SMALL_PARTS } from './small-parts'

export const NEED_GROUPS = ['part', 'seal', 'casualty', 'fluid', 'bleedKit', 'consumable'] as const
export type NeedGroup = (typeof NEED_GROUPS)[number]
export const NEED_GROUP_WORDS: Record<NeedGroup, string> = {
  part: 'Parts',
  seal: 'Seals and washers',
  casualty: 'Likely to break',
  fluid: 'Fluid and grease',
  bleedKit: 'To bleed this vehicle',
  consumable: 'Used up',
}

/** What is looked for on the shelf; lengths in mm, volume in mm³. */
export interface NeedSpec {
  bore?: number
  outer?: number
  inner?: number
  thread?: string
  /** At least so much. */
  volume?: number
  /** Words that its name or number must hold. */
  name?: string
}

/** Something that the job takes, with why. */
export interface Need {
  /** What it is for: the same job asks for it once. */
  id: string
  group: NeedGroup
  kind: PartKind
  words: string
  quantity: number
  why: string
  spec: NeedSpec
  /** The piece of work whose price it makes. */
  operation?: OperationId
  /** Of that piece of work, in place of a whole cylinder. */
  rebuild?: true
}

export interface NeedsInput {
  installation: Installation
  repairs: readonly RepairId[]
  way: Way
  /** Casualties that a comparison named, by their ids or in words. */
  casualties: readonly string[]
  /** Fluid that the work takes, mm³, and what it is to be. */
  fluid: { volume: number; kind: string } | null
}

/** With the feed, whose clamp is renewed where the master comes off. */
const FEEDS: ReadonlySet<RepairId> = new Set(['master', 'everythingRubber'])
const opened = (repairs: readonly RepairId[], installation: Installation): JointPlace[] => {
  const there = new Set(jointPlaces(installation))
  const all = repairs.flatMap((one) => [
    ...(OPENED_BY[one] ?? []),
    ...(FEEDS.has(one) ? (['feed'] as const) : []),
  ])
  return [...new Set(all)].filter((at) => there.has(at))
}
const SEAL_KIND: Record<Seal, PartKind> = {
  copperWasher: 'washer',
  aluminiumWasher: 'washer',
  oRing: 'oRing',
  lineSeal: 'lineSeal',
  rollPin: 'rollPin',
  clip: 'clip',
  hoseClamp: 'clamp',
}
const SEAL_NAME: Record<Seal, string> = {
  copperWasher: 'copper washer',
  aluminiumWasher: 'aluminium washer',
  oRing: 'O-ring',
  lineSeal: 'seal for the line’s end',
  rollPin: 'roll pin',
  clip: 'retaining clip',
  hoseClamp: 'hose clamp',
}

/** All that the job takes, from what was decided, what is planned and what was compared. */
export function needsOf(input: NeedsInput): Need[] {
  const { installation, repairs, way, casualties, fluid } = input
  const needs: Need[] = []
  const add = (need: Need) => {
    const before = needs.find(({ id }) => id === need.id)
    if (before) before.quantity += need.quantity
    else needs.push(need)
  }
  for (const repair of repairs) for (const need of partsFor(repair, way, installation)) add(need)
  for (const need of sealsFor(repairs, installation)) add(need)
  const named = casualties.map(casualtyById)
  const likely = casualtiesOf(repairs, installation)
  for (const one of [...likely, ...named.filter((one) => one && !likely.includes(one))])
    if (one)
      add({
        id: `casualty.${one.id}`,
        group: 'casualty',
        kind: one.kind,
        words: one.label,
        quantity: 1,
        why: one.onPurpose ? `Cut on purpose. ${one.reason}` : one.reason,
        spec: {},
      })
  for (const words of casualties.filter((one) => !casualtyById(one)))
    add({
      id: `casualty.${words}`,
      group: 'casualty',
      kind: 'other',
      words,
      quantity: 1,
      why: 'Named when old and new were compared.',
      spec: { name: words },
    })
  for (const need of smallPartsFor(repairs)) add(need)
  if (fluid && fluid.volume > 0)
    add({
      id: 'fluid',
      group: 'fluid',
      kind: 'fluid',
      words: fluid.kind,
      quantity: 1,
      why: 'By the volume of this circuit and what the work flushes through it.',
      spec: { volume: fluid.volume, name: fluid.kind },
    })
  for (const need of kitFor(repairs, installation, fluid?.volume ?? 0)) add(need)
  return needs
}

function partsFor(repair: RepairId, way: Way, { circuit }: Installation): Need[] {
  const part = (
    id: string,
    kind: PartKind,
    words: string,
    spec: NeedSpec,
    why: string,
    operation: OperationId = repair,
  ): Need => ({ id, group: 'part', kind, words, quantity: 1, why, spec, operation })
  const { slave, master } = circuit
  const cylinder = (which: 'master' | 'slave', bore: number): Need =>
    way === 'rebuild'
      ? {
          ...part(
            `${which}.kit`,
            'sealKit',
            `seal kit for the ${which}`,
            { bore },
            'Rebuilt: seals, boot and clip; the bore is looked at first.',
            which,
          ),
          rebuild: true,
        }
      : part(
          which,
          which === 'master' ? 'masterCylinder' : 'slaveCylinder',
          `${which} cylinder`,
          { bore },
          'Renewed as decided.',
          which,
        )
  const ring = (): Need =>
    slave.type === 'concentric'
      ? part(
          'concentric',
          'concentricSlave',
          'concentric slave',
          { outer: slave.outer, inner: slave.inner },
          'Renewed whole; the gearbox is out for it.',
          'concentric',
        )
      : cylinder('slave', slave.bore)
  const hose = part('hose', 'hose', 'hose', {}, 'All its rubber is as old.', 'hose')
  switch (repair) {
    case 'master':
      return [cylinder('master', master.bore)]
    case 'slave':
    case 'concentric':
      return [ring()]
    case 'hose':
      return [hose]
    case 'pipe':
      return [
        part('pipe', 'pipe', 'pipe with its nuts', {}, 'Made to the old one, or bought by the metre.'),
      ]
    case 'feed':
      return [part('feed', 'feed', 'feed hose', {}, 'Renewed as decided.')]
    case 'everythingRubber':
      return [
        cylinder('master', master.bore),
        ring(),
        hose,
        part('feed', 'feed', 'feed hose', {}, 'Wrong fluid has been in it.', 'feed'),
      ]
    case 'clutch':
      return [part('clutch', 'clutch', 'disc, cover and bearing', {}, 'Renewed together.')]
    case 'fork':
      return [part('fork', 'linkage', 'fork and pivot', {}, 'Renewed as decided.')]
    case 'pin':
      return [part('pin', 'pin', 'clevis pin with its clip', {}, 'Renewed as decided.')]
    default:
      return []
  }
}

/** Seals of every joint that is opened; where an end is not read off, that is said. */
function sealsFor(repairs: readonly RepairId[], installation: Installation): Need[] {
  const needs: Need[] = []
  for (const at of opened(repairs, installation)) {
    const { a, b } = jointAt(installation, at)
    if (!a || !b) continue
    for (const seal of join(a, b).needs) {
      const thread = a.thread ?? b.thread
      needs.push({
        id: `seal.${seal}.${thread ?? at}`,
        group: 'seal',
        kind: SEAL_KIND[seal],
        words: `${SEAL_NAME[seal]}${thread ? ` for ${thread}` : ''}`,
        quantity: 1,
        why: 'Renewed at every opening.',
        spec: { name: SEAL_NAME[seal].split(' ')[0]!, ...(thread && { thread }) },
      })
    }
  }
  return needs
}

/** Joints that are opened and of which an end is not known: what seals them cannot be told. */
export const unknownEnds = (repairs: readonly RepairId[], installation: Installation): JointPlace[] =>
  opened(repairs, installation).filter((at) => {
    const { a, b } = jointAt(installation, at)
    return !a || !b
  })

function smallPartsFor(repairs: readonly RepairId[]): Need[] {
  return SMALL_PARTS.filter(({ during }) => repairs.some((one) => during.includes(one))).map(
    ({ id, kind, words, group, name, reason }) => ({
      id: `small.${id}`,
      group,
      kind,
      words,
      quantity: 1,
      why: reason,
      spec: name ? { name } : {},
    }),
  )
}

function kitFor(repairs: readonly RepairId[], installation: Installation, passed: number): Need[] {
  if (repairs.length === 0) return []
  const { a, b } = jointAt(installation, 'bleeder')
  const kit = bleedKit({
    thread: a?.thread ?? b?.thread ?? null,
    screw: installation.slave.bleeder.kind === 'screw',
    passed,
  })
  if (!kit) return []
  const hose = kit.hose === null ? 'bore by the nipple' : `${kit.hose} mm inside`
  return [
    {
      id: 'kit.hose',
      group: 'bleedKit',
      kind: 'bleedKit',
      words: `clear bleed hose, ${hose}, ${(kit.length / 1000).toFixed(1)} m`,
      quantity: 1,
      why: kit.why,
      spec: { name: 'hose', ...(kit.hose !== null && { inner: kit.hose }) },
    },
    {
      id: 'kit.bottle',
      group: 'bleedKit',
      kind: 'bleedKit',
      words: `catch bottle, ${Math.round(kit.bottle / 1000)} ml or more`,
      quantity: 1,
      why: 'Half of what passes through, at least 250 ml; it is emptied once.',
      spec: { name: 'bottle', volume: kit.bottle },
    },
    {
      id: 'kit.cap',
      group: 'bleedKit',
      kind: 'dustCap',
      words: `dust cap for the bleed screw${kit.hex === null ? '' : `, ${kit.hex} mm hex`}`,
      quantity: 1,
      why: 'Keeps the nipple’s hole from rusting shut.',
      spec: {},
    },
  ]
}
