import { PART_KINDS, PART_KIND_WORDS, type PartKind } from './part'

/** What lists call these kinds, beside their names here; plurals are read as well. */
const ALSO: Readonly<Record<string, PartKind>> = {
  master: 'masterCylinder',
  clutchmaster: 'masterCylinder',
  clutchmastercylinder: 'masterCylinder',
  slave: 'slaveCylinder',
  clutchslave: 'slaveCylinder',
  clutchslavecylinder: 'slaveCylinder',
  concentric: 'concentricSlave',
  csc: 'concentricSlave',
  concentricslavecylinder: 'concentricSlave',
  set: 'cylinderSet',
  prefilledset: 'cylinderSet',
  kit: 'sealKit',
  repairkit: 'sealKit',
  rebuildkit: 'sealKit',
  line: 'pipe',
  steelline: 'pipe',
  tube: 'pipe',
  flexiblehose: 'hose',
  braidedhose: 'hose',
  fitting: 'adapter',
  union: 'adapter',
  tubenut: 'nut',
  flarenut: 'nut',
  copperwasher: 'washer',
  aluminiumwasher: 'washer',
  sealingwasher: 'washer',
  seal: 'lineSeal',
  springpin: 'rollPin',
  hoseclamp: 'clamp',
  clevispin: 'pin',
  cotterpin: 'pin',
  splitpin: 'pin',
  dustboot: 'boot',
  feedhose: 'feed',
  bleeder: 'bleedScrew',
  bleednipple: 'bleedScrew',
  nipple: 'bleedScrew',
  bleedhose: 'bleedKit',
  brakefluid: 'fluid',
  disc: 'clutch',
  cover: 'clutch',
  bearing: 'clutch',
  fork: 'linkage',
  rags: 'consumable',
}

const bare = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]+/g, '')
const byName = new Map<string, PartKind>()
for (const [name, kind] of Object.entries(ALSO)) byName.set(name, kind)
for (const kind of PART_KINDS) {
  byName.set(bare(kind), kind)
  byName.set(bare(PART_KIND_WORDS[kind]), kind)
}

/** The kind that a list's word means; undefined where none is meant. */
export function kindNamed(word: string): PartKind | undefined {
  const name = bare(word)
  return (
    byName.get(name) ?? byName.get(name.replace(/(?:es|s)$/, '')) ?? byName.get(name.replace(/s$/, ''))
  )
}
