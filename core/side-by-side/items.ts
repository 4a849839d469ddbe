import type { Compared } from './rows'

/** Things about a part that stay, move across or are thrown away. */
export const FIT_ITEMS = [
  'reservoir',
  'feedHose',
  'clevis',
  'clevisPin',
  'mountNuts',
  'mountBolts',
  'rod',
  'switch',
  'lineSeal',
  'bleedScrew',
  'restrictor',
  'lineClips',
  'bracket',
  'boot',
  'oldWashers',
  'oldClip',
  'oldCotter',
  'oldGasket',
  'oldPart',
  'line',
] as const
export type FitItem = (typeof FIT_ITEMS)[number]
export const FIT_ITEM_WORDS: Record<FitItem, string> = {
  reservoir: 'reservoir',
  feedHose: 'feed hose',
  clevis: 'clevis',
  clevisPin: 'clevis pin',
  mountNuts: 'mounting nuts',
  mountBolts: 'mounting bolts',
  rod: 'rod',
  switch: 'switch or sensor',
  lineSeal: 'seal at the line’s end',
  bleedScrew: 'bleed screw and cap',
  restrictor: 'restrictor',
  lineClips: 'clips of the line',
  bracket: 'bracket',
  boot: 'boot',
  oldWashers: 'old sealing washers',
  oldClip: 'old retaining clip',
  oldCotter: 'old cotter pin',
  oldGasket: 'old gasket at the bulkhead',
  oldPart: 'old part, once the new one is proved',
  line: 'line',
}

export type FitList = 'keep' | 'move' | 'bin'
export interface ItemRule {
  item: FitItem
  list: FitList
  on: readonly Compared[]
  why: string
}

/** Where each goes unless the rows say otherwise; judgement, by what new parts usually bring. */
export const USUAL_LISTS: readonly ItemRule[] = [
  { item: 'reservoir', list: 'keep', on: ['master'], why: 'Seldom comes with a master.' },
  { item: 'feedHose', list: 'keep', on: ['master'], why: 'Kept if it is neither hard nor cracked.' },
  { item: 'clevis', list: 'move', on: ['master'], why: 'New rods often come without.' },
  {
    item: 'clevisPin',
    list: 'move',
    on: ['master'],
    why: 'Kept unless it is worn or of another size.',
  },
  {
    item: 'mountNuts',
    list: 'move',
    on: ['master'],
    why: 'Not in the box; self-locking ones are renewed.',
  },
  { item: 'oldCotter', list: 'bin', on: ['master'], why: 'Bent once, never again.' },
  { item: 'oldGasket', list: 'bin', on: ['master'], why: 'Tears as the master comes off.' },
  { item: 'mountBolts', list: 'move', on: ['slave', 'concentric'], why: 'Not in the box.' },
  { item: 'boot', list: 'keep', on: [], why: 'Comes with the slave.' },
  {
    item: 'lineSeal',
    list: 'bin',
    on: ['master', 'slave', 'concentric'],
    why: 'Renewed at every opening.',
  },
  { item: 'oldWashers', list: 'bin', on: ['slave', 'hose', 'pipe'], why: 'Crushed once.' },
  { item: 'oldClip', list: 'bin', on: ['hose', 'concentric'], why: 'Springs lose their set.' },
  { item: 'line', list: 'keep', on: ['master', 'slave', 'concentric'], why: 'Where its ends fit.' },
  { item: 'lineClips', list: 'move', on: ['hose', 'pipe'], why: 'The new line’s way is held by them.' },
  { item: 'bracket', list: 'move', on: ['hose', 'pipe'], why: 'Not on the new line.' },
  {
    item: 'oldPart',
    list: 'bin',
    on: ['master', 'slave', 'concentric', 'hose', 'pipe'],
    why: 'Kept until then, to compare.',
  },
]
