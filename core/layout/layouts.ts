import { lineOfKind, lineSwell, solveCircuit, type Line } from '../circuit'
import { applyChanges } from '../whatif'
import { lengthOfLines, type Installation } from '../installation'
import { LAID } from './limits'

export interface Layout {
  id: string
  name: string
  lines: Line[]
}
export interface LayoutRow extends Layout {
  /** Places at which it can leak, master and slave included. */
  joints: number
  pieces: number
  /** To make them all, an estimate by where they are. */
  minutes: number
  /** mm³/MPa */
  swell: number
  /** Length over what its way needs, mm; below 0 it does not reach. */
  spare: number
  reserve: number
}

/** Minutes to open and make a joint, by where it is; judgement, one hand's reach against lying under it. */
const JOINT_MINUTES = {
  masterOutlet: { value: 8, reason: 'Under the dash side or behind the booster.' },
  between: { value: 5, reason: 'In the engine bay or along the frame.' },
  slavePort: { value: 7, reason: 'From below, two wrenches.' },
} as const

/** Layouts that are usual, made of the lines that are there: each with its reason in its name. */
export function usualLayouts({ circuit }: Installation): Layout[] {
  const { lines } = circuit
  const total = lengthOfLines(circuit)
  const list: Layout[] = [{ id: 'asItIs', name: 'As it is', lines: [...lines] }]
  const soft = lines.filter(({ kind }) => kind === 'rubber')
  if (soft.length > 0)
    list.push({
      id: 'braidedHoses',
      name: 'Rubber renewed as braided',
      lines: lines.map((line) => (line.kind === 'rubber' ? lineOfKind('braided', line.length) : line)),
    })
  if (lines.length > 1)
    list.push({
      id: 'oneBraided',
      name: 'One braided hose all the way',
      lines: [lineOfKind('braided', total)],
    })
  if (lines.length > 2) {
    const flexible = lines
      .filter(({ kind }) => kind !== 'steel')
      .reduce((sum, { length }) => sum + length, 0)
    if (flexible > 0 && flexible < total)
      list.push({
        id: 'pipeAndHose',
        name: 'One pipe, one hose',
        lines: [lineOfKind('steel-475', total - flexible), lineOfKind('rubber-3-regular', flexible)],
      })
  }
  return list
}

/** Layouts side by side: joints, pieces, minutes, swell, spare length and what is left at the pedal. */
export function compareLayouts(installation: Installation, layouts: readonly Layout[]): LayoutRow[] {
  const { route } = installation
  // As the crow flies between the points that were drawn, with the least slack of what is not steel.
  const way = route
    .slice(1)
    .reduce(
      (sum, point, i) =>
        sum + Math.hypot(point.height - route[i]!.height, point.forward - route[i]!.forward),
      0,
    )
  return layouts.map((layout) => {
    const { lines } = layout
    const length = lines.reduce((sum, line) => sum + line.length, 0)
    const soft = lines
      .filter(({ kind }) => kind !== 'steel')
      .reduce((sum, line) => sum + line.length, 0)
    const between = lines.length - 1
    const { masterOutlet, between: each, slavePort } = JOINT_MINUTES
    const changed = applyChanges(installation, [{ change: 'lines', lines: [...lines] }])
    return {
      ...layout,
      joints: lines.length + 1,
      pieces: lines.length,
      minutes: masterOutlet.value + slavePort.value + between * each.value,
      swell: lines.reduce((sum, line) => sum + lineSwell(line), 0),
      spare: length - way - LAID.slackLeast.value * soft,
      reserve: solveCircuit(changed.circuit).reserve,
    }
  })
}
