import { InputError } from '../circuit'
import type { Installation } from './installation'

export const MASTER_MOUNTS = ['studs', 'bolts', 'bayonet'] as const
export type MasterMount = (typeof MASTER_MOUNTS)[number]
export const SLAVE_MOUNTS = ['bolts', 'studs', 'inHousing'] as const
export type SlaveMount = (typeof SLAVE_MOUNTS)[number]
export interface Mounts {
  master: MasterMount | null
  slave: SlaveMount | null
}

/** Which way the slave's rod looks, seen from the driver's seat. */
export const SLAVE_FACES = ['forward', 'back', 'left', 'right', 'up', 'down'] as const
export type SlaveFaces = (typeof SLAVE_FACES)[number]

/** mm; rise is how much higher its far end lies. */
export interface BleedLinePiece {
  length: number
  innerDiameter: number
  rise: number
}

export const SWITCH_DOES = ['start', 'cruise', 'other'] as const
export const SWITCH_AT = ['pedal', 'master'] as const
export interface PedalSwitch {
  does: (typeof SWITCH_DOES)[number]
  at: (typeof SWITCH_AT)[number]
  /** Threads showing, as it was found. */
  threads?: number
}

/** Something hot beside the line, mm; along from the master's outlet. */
export interface HeatSource {
  along: number
  distance: number
  sleeved: boolean
}

/** Most of each that an installation keeps. */
export const MOST_PIECES = 4
export const MOST_SWITCHES = 6
export const MOST_HEAT = 12

/** What is chosen from a list, where a figure would say nothing: its path, its list and how one tells. */
export interface ChoiceField {
  path: 'mounts.master' | 'mounts.slave' | 'slave.faces'
  label: string
  values: readonly string[]
  how: string
}
export const CHOICE_FIELDS: readonly ChoiceField[] = [
  {
    path: 'mounts.master',
    label: 'Master held by',
    values: MASTER_MOUNTS,
    how: 'Look at the bulkhead: nuts on studs, bolts, or a body that turns into its hole.',
  },
  {
    path: 'mounts.slave',
    label: 'Slave held by',
    values: SLAVE_MOUNTS,
    how: 'Bolts or studs on the bell housing; one round the shaft sits inside it.',
  },
  {
    path: 'slave.faces',
    label: 'Slave’s rod looks',
    values: SLAVE_FACES,
    how: 'Seen from the driver’s seat.',
  },
]
export const choiceField = (path: string): ChoiceField | undefined =>
  CHOICE_FIELDS.find((one) => one.path === path)

/** What was chosen at a path; null where nobody said. */
export function chosenAt(installation: Installation, path: ChoiceField['path']): string | null {
  if (path === 'slave.faces') return installation.slave.faces ?? null
  return installation.mounts?.[path === 'mounts.master' ? 'master' : 'slave'] ?? null
}

/**
 * The installation with one choice made.
 * @throws InputError where the path is none of the choices, or the value none of its list
 */
export function withChosen(installation: Installation, path: string, value: string): Installation {
  const field = choiceField(path)
  if (!field) throw new InputError('is no choice of an installation', `/${path.replaceAll('.', '/')}`)
  if (!field.values.includes(value))
    throw new InputError(`must be ${field.values.join(', ')}`, `/${path.replaceAll('.', '/')}`)
  if (field.path === 'slave.faces')
    return { ...installation, slave: { ...installation.slave, faces: value as SlaveFaces } }
  const mounts: Mounts = installation.mounts ?? { master: null, slave: null }
  return {
    ...installation,
    mounts:
      field.path === 'mounts.master'
        ? { ...mounts, master: value as MasterMount }
        : { ...mounts, slave: value as SlaveMount },
  }
}
