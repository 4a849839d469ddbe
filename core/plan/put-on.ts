/** What is put on the vehicle for the work and must come off again, with the state of the plan that it stands for. */
export const PUT_ON = {
  clamp: { words: 'clamp', state: 'feedClamped' },
  capSheet: { words: 'sheet under the cap', state: 'capSheeted' },
  plug: { words: 'plug or cap', state: 'plugged:line' },
  tag: { words: 'pedal tag', state: 'pedalTagged' },
  straps: { words: 'straps', state: 'strapsOn' },
  tabs: { words: 'tabs', state: 'strapsOn' },
  prop: { words: 'pedal prop', state: 'propOn' },
  loopHose: { words: 'loop hose', state: 'loopOn' },
  cover: { words: 'cover', state: 'paintCovered' },
  bleedHose: { words: 'bleed hose', state: null },
  bleedCap: { words: 'adapter cap', state: null },
  slaveClamp: { words: 'clamp on the slave', state: null },
  tilt: { words: 'tilt', state: null },
  other: { words: 'something put on', state: null },
} as const
export type PutOnItem = keyof typeof PUT_ON
export const PUT_ON_ITEMS = Object.keys(PUT_ON) as PutOnItem[]

/** What is taken off or unplugged for the work and must go back. */
export const REMOVED = {
  connector: 'connector',
  cap: 'cap',
  boot: 'boot',
  bracket: 'bracket',
  panel: 'panel',
  fastener: 'fasteners',
  clip: 'clips',
  sensor: 'sensor',
  spring: 'spring',
  other: 'something taken off',
} as const
export type RemovedItem = keyof typeof REMOVED
export const REMOVED_ITEMS = Object.keys(REMOVED) as RemovedItem[]
