/**
 * Every parameter of a circuit: its unit, the range the core accepts, its name at the bench and where it is measured.
 * The ranges refuse slips of the pen (a bore in inches, a length in metres), not unusual vehicles.
 */
export type FieldUnit = '' | 'mm' | 'N' | 'N/mm' | 'MPa' | 'mm³' | 'mm³/MPa/m'

export interface Field {
  /** Dotted path in the circuit; `*` stands for a line's index. */
  path: string
  label: string
  unit: FieldUnit
  min: number
  max: number
  /** Where and how it is found. */
  how: string
  optional?: true
}

export const FIELDS: readonly Field[] = [
  {
    path: 'pedal.ratio',
    label: 'Pedal ratio',
    unit: '',
    min: 1,
    max: 20,
    how: 'Pivot to pad centre, divided by pivot to rod pin.',
  },
  {
    path: 'pedal.travel',
    label: 'Pad travel',
    unit: 'mm',
    min: 10,
    max: 500,
    how: 'Tape along the pad’s path, pedal up to floor or stop.',
  },
  {
    path: 'pedal.returnForce',
    label: 'Pedal return spring',
    unit: 'N',
    min: 0,
    max: 500,
    how: 'Spring balance at the pad with the rod pin out.',
    optional: true,
  },
  {
    path: 'master.bore',
    label: 'Master bore',
    unit: 'mm',
    min: 5,
    max: 60,
    how: 'Cast on the body, or a bore gauge when it is apart.',
  },
  {
    path: 'master.stroke',
    label: 'Master stroke',
    unit: 'mm',
    min: 1,
    max: 150,
    how: 'Rod pushed home on the bench, rule at the rod.',
  },
  {
    path: 'master.pushrodClearance',
    label: 'Pushrod clearance',
    unit: 'mm',
    min: -20,
    max: 30,
    how: 'Play at the rod before the piston is felt; below 0 the rod holds the piston in.',
  },
  {
    path: 'master.portClosure',
    label: 'Port closure',
    unit: 'mm',
    min: 0,
    max: 20,
    how: 'Piston travel until fluid no longer spurts into the open reservoir.',
  },
  {
    path: 'master.springPreload',
    label: 'Master spring preload',
    unit: 'N',
    min: 0,
    max: 1000,
    how: 'Rod on a scale, cylinder dry, first movement less seal friction.',
    optional: true,
  },
  {
    path: 'master.springRate',
    label: 'Master spring rate',
    unit: 'N/mm',
    min: 0,
    max: 100,
    how: 'Rise of force over stroke on the bench, cylinder dry.',
    optional: true,
  },
  {
    path: 'master.sealFriction',
    label: 'Master seal friction',
    unit: 'N',
    min: 0,
    max: 500,
    how: 'Half the difference between pushing and letting back, cylinder dry.',
    optional: true,
  },
  {
    path: 'lines.*.length',
    label: 'Length',
    unit: 'mm',
    min: 1,
    max: 20000,
    how: 'String along the line, then the tape.',
  },
  {
    path: 'lines.*.innerDiameter',
    label: 'Inner diameter',
    unit: 'mm',
    min: 0.5,
    max: 30,
    how: 'Drill shank in the cut end, or the size of the tube less two walls.',
  },
  {
    path: 'lines.*.outerDiameter',
    label: 'Outer diameter',
    unit: 'mm',
    min: 1,
    max: 40,
    how: 'Calliper on the straight tube.',
  },
  {
    path: 'lines.*.expansion',
    label: 'Hose expansion',
    unit: 'mm³/MPa/m',
    min: 0,
    max: 20000,
    how: 'By kind of hose from the table, or calibrated on a known good pedal.',
  },
  {
    path: 'slave.bore',
    label: 'Slave bore',
    unit: 'mm',
    min: 5,
    max: 80,
    how: 'Cast on the body, or a bore gauge when it is apart.',
  },
  {
    path: 'slave.outer',
    label: 'Slave outer diameter',
    unit: 'mm',
    min: 10,
    max: 200,
    how: 'Outside of the annular piston, calliper.',
  },
  {
    path: 'slave.inner',
    label: 'Slave inner diameter',
    unit: 'mm',
    min: 5,
    max: 195,
    how: 'Inside of the annular piston, calliper.',
  },
  {
    path: 'slave.stroke',
    label: 'Slave stroke',
    unit: 'mm',
    min: 1,
    max: 150,
    how: 'Piston from seat to circlip on the bench.',
  },
  {
    path: 'slave.springPreload',
    label: 'Slave spring',
    unit: 'N',
    min: 0,
    max: 2000,
    how: 'Rod pushed back on a scale with the bleeder open, less seal friction.',
    optional: true,
  },
  {
    path: 'slave.sealFriction',
    label: 'Slave seal friction',
    unit: 'N',
    min: 0,
    max: 1000,
    how: 'Half the difference between pushing the rod in and letting it out.',
    optional: true,
  },
  {
    path: 'linkage.forkRatio',
    label: 'Fork ratio',
    unit: '',
    min: 0.2,
    max: 10,
    how: 'Pivot to rod cup, divided by pivot to bearing.',
  },
  {
    path: 'linkage.slop',
    label: 'Slop at the slave rod',
    unit: 'mm',
    min: 0,
    max: 30,
    how: 'Rod moved by hand before the fork follows.',
  },
  {
    path: 'linkage.bearingClearance',
    label: 'Bearing clearance',
    unit: 'mm',
    min: 0,
    max: 30,
    how: 'Fork moved by hand before the bearing meets the fingers, divided by the fork ratio.',
  },
  {
    path: 'cover.releaseTravel',
    label: 'Release travel',
    unit: 'mm',
    min: 0.1,
    max: 60,
    how: 'Bearing travel at which the disc just turns free; maker’s data.',
  },
  {
    path: 'cover.fullClampTravel',
    label: 'Full clamp travel',
    unit: 'mm',
    min: 0,
    max: 60,
    how: 'Bearing travel up to which the clutch still holds full load; maker’s data.',
  },
  {
    path: 'fluid.bulkModulus',
    label: 'Bulk modulus of the fluid',
    unit: 'MPa',
    min: 100,
    max: 5000,
    how: '1900 where unknown.',
  },
  {
    path: 'air',
    label: 'Trapped air',
    unit: 'mm³',
    min: 0,
    max: 1_000_000,
    how: 'Free volume; from free travel.',
  },
]

/** Bounds of a point of the cover's load curve and of the lists. */
export const LOAD_POINT = {
  travel: { unit: 'mm', min: 0, max: 100 },
  load: { unit: 'N', min: 0, max: 50_000 },
  least: 2,
  most: 64,
} as const
export const MOST_LINES = 32

const byPath = new Map(FIELDS.map((field) => [field.path, field]))

/** The field behind a dotted path; an index among the lines counts as any line. */
export function fieldAt(path: string): Field | undefined {
  return byPath.get(path.replace(/^lines\.\d+\./, 'lines.*.'))
}
