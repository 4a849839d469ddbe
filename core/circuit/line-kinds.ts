import type { HoseKind, HoseLine, SteelLine } from './circuit'

/** What a line of a kind is taken to be until it is measured, and where the figure comes from. */
export interface LineKind {
  id: string
  label: string
  kind: HoseKind | 'steel'
  innerDiameter: number
  /** Steel only. */
  outerDiameter?: number
  /** mm³ per MPa per metre; hoses only. */
  expansion?: number
  /** What the figure rests on. */
  source: string
  reason: string
}

/** ml per foot at a pressure in psi, as the standard states it, in mm³ per MPa per metre. */
const perFoot = (millilitres: number, psi: number): number =>
  (millilitres * 1000) / 0.3048 / (psi * 0.006_894_757_293_168_361)

const FMVSS = 'FMVSS 106 (49 CFR 571.106), table of maximum expansion'

/**
 * Hose expansion by kind. The standard's figures are the most that a new hose of its class may swell, so an honest hose
 * lies below and an old, hot one may lie above; braided and nylon lines are engineering judgement. Steel has no row for
 * its swell: it follows from its bore and wall (thick-walled tube).
 */
export const LINE_KINDS: readonly LineKind[] = [
  {
    id: 'steel-475',
    label: 'Steel, 4.75 mm (3/16 in)',
    kind: 'steel',
    innerDiameter: 3.35,
    outerDiameter: 4.75,
    source: 'Lamé, thick-walled tube',
    reason: 'The usual size; it swells a hundredth of what a hose does.',
  },
  {
    id: 'steel-635',
    label: 'Steel, 6.35 mm (1/4 in)',
    kind: 'steel',
    innerDiameter: 4.93,
    outerDiameter: 6.35,
    source: 'Lamé, thick-walled tube',
    reason: 'Trucks and tractors, for flow.',
  },
  {
    id: 'rubber-3-regular',
    label: 'Rubber, 3.2 mm bore, regular',
    kind: 'rubber',
    innerDiameter: 3.2,
    expansion: perFoot(0.66, 1000),
    source: `${FMVSS}: 1/8 in or less, regular, 0.66 ml/ft at 1000 psi`,
    reason: 'What most vehicles have between body and gearbox.',
  },
  {
    id: 'rubber-3-low',
    label: 'Rubber, 3.2 mm bore, low expansion',
    kind: 'rubber',
    innerDiameter: 3.2,
    expansion: perFoot(0.33, 1000),
    source: `${FMVSS}: 1/8 in or less, low, 0.33 ml/ft at 1000 psi`,
    reason: 'Half of the regular; marked HL rather than HR on the hose.',
  },
  {
    id: 'rubber-5-regular',
    label: 'Rubber, 4.8 mm bore, regular',
    kind: 'rubber',
    innerDiameter: 4.8,
    expansion: perFoot(0.86, 1000),
    source: `${FMVSS}: over 1/8 to 3/16 in, regular, 0.86 ml/ft at 1000 psi`,
    reason: 'Trucks, tractors and older cars.',
  },
  {
    id: 'rubber-5-low',
    label: 'Rubber, 4.8 mm bore, low expansion',
    kind: 'rubber',
    innerDiameter: 4.8,
    expansion: perFoot(0.55, 1000),
    source: `${FMVSS}: over 1/8 to 3/16 in, low, 0.55 ml/ft at 1000 psi`,
    reason: 'A stiffer renewal of the same fit.',
  },
  {
    id: 'braided',
    label: 'Braided steel over PTFE, 3.2 mm bore',
    kind: 'braided',
    innerDiameter: 3.2,
    expansion: 45,
    source: 'Engineering judgement',
    reason: 'About a seventh of regular rubber; needs clearance and sometimes a heat sleeve.',
  },
  {
    id: 'nylon',
    label: 'Nylon, 3.9 mm bore',
    kind: 'nylon',
    innerDiameter: 3.85,
    expansion: 150,
    source: 'Engineering judgement',
    reason: 'Between steel and rubber; softer when hot.',
  },
]

/** A line of a kind, as long as given. */
export function lineOfKind(id: string, length: number): SteelLine | HoseLine {
  const found = LINE_KINDS.find((row) => row.id === id)
  if (!found) throw new RangeError(`no kind of line ${id}`)
  const { kind, innerDiameter } = found
  return kind === 'steel'
    ? { kind, length, innerDiameter, outerDiameter: found.outerDiameter! }
    : { kind, length, innerDiameter, expansion: found.expansion! }
}
