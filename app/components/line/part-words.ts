import type { PartId } from '~/job/drawn'
import { lineSwell, strokeVolume, type Line } from '~~/core/circuit'
import { chosenAt, crestsOf, lengthOfLines, pitched, type Installation } from '~~/core/installation'
import { choiceWords } from '~~/core/journal'
import type { Format } from '~~/core/quantity'

export type { PartId }

export interface PartWords {
  id: PartId
  name: string
  figures: string
}

export const lineName = (line: Line): string =>
  line.kind === 'steel' ? 'steel pipe' : line.kind === 'nylon' ? 'nylon line' : `${line.kind} hose`

export const bleederWords = ({ slave: { bleeder } }: Installation): string => {
  if (bleeder.kind === 'none') return 'no bleed screw'
  const off = Math.abs(bleeder.angle)
  return off <= 15 ? 'bleeder at top' : `bleeder ${Number(off.toFixed(0))}° off top`
}

/** Where the volume behind a crest has to go to leave. */
export const wayOut = ({ slave: { bleeder } }: Installation): string =>
  bleeder.kind === 'none' ? 'slave' : 'bleeder'

/** The circuit as a list of parts with their figures, in the order in which the fluid meets them. */
export function partWords(installation: Installation, f: Format, noseUp = 0): PartWords[] {
  const { circuit, reservoir, master } = installation
  const { pedal, slave, linkage, cover } = circuit
  const route = pitched(installation.route, noseUp)
  const crests = crestsOf({ circuit, route })
  let from = 0
  const lines = circuit.lines.map((line, i): PartWords => {
    const start = from
    from += line.length
    const here = crests.filter(({ along }) => along >= start && along < from)
    const way = route
      .filter(({ along }) => along >= start - 0.5 && along <= from + 0.5)
      .map(({ height, clip }) => f.length(height) + (clip ? ', clipped' : ''))
    const crest = here.map(
      (one) =>
        `; a crest ${f.length(one.height)} over the master, ${f.volume(one.toBleeder)} or ${one.strokes.toFixed(1)} strokes before the ${wayOut(installation)}`,
    )
    const hot = (installation.heat ?? [])
      .filter(({ along }) => along >= start && along <= from)
      .map(
        ({ distance, sleeved }) =>
          `; ${f.length(distance)} from heat${sleeved ? ', sleeved' : ', bare'}`,
      )
    return {
      id: `line${i}`,
      name: `Line ${i + 1}, ${lineName(line)}`,
      figures: `${f.length(line.length)} long, swells ${f.volume(lineSwell(line) * 10)} at ${f.pressure(10)}, heights ${way.join(', ')}${crest.join('')}${hot.join('')}`,
    }
  })
  const heldBy = (path: 'mounts.master' | 'mounts.slave') => {
    const how = chosenAt(installation, path)
    return how === null ? '' : `, held by ${choiceWords(how)}`.replace('by inside', 'inside')
  }
  const looks = chosenAt(installation, 'slave.faces')
  const faces = looks === null ? '' : `, its rod looks ${looks}`
  const bore =
    slave.type === 'concentric'
      ? `round the shaft, ${f.length(slave.outer)} outside, ${f.length(slave.inner)} inside`
      : `bore ${f.length(slave.bore)}`
  return [
    {
      id: 'pedal',
      name: 'Pedal',
      figures: `ratio ${pedal.ratio.toFixed(2)}, pad travel ${f.length(pedal.travel)}`,
    },
    {
      id: 'reservoir',
      name: 'Reservoir',
      figures: `level ${f.length(reservoir.height)} over the master, ${f.volume(reservoir.usable)} between the marks${reservoir.sharedWithBrakes ? ', shared with the brakes' : ''}`,
    },
    {
      id: 'master',
      name: 'Master',
      figures: `bore ${f.length(circuit.master.bore)}, stroke ${f.length(circuit.master.stroke)}, a full stroke sends ${f.volume(strokeVolume(circuit))}, tilt ${master.tilt.toFixed(0)}°${heldBy('mounts.master')}`,
    },
    ...lines,
    {
      id: 'slave',
      name: slave.type === 'concentric' ? 'Concentric slave' : 'Slave',
      figures: `${bore}, stroke ${f.length(slave.stroke)}, ${f.length(lengthOfLines(circuit))} along the line, ${f.length(route.at(-1)!.height)} over the master, ${bleederWords(installation)}${heldBy('mounts.slave')}${faces}`,
    },
    {
      id: 'linkage',
      name: 'Fork and rod',
      figures: `ratio ${linkage.forkRatio.toFixed(2)}, slop ${f.length(linkage.slop)}, bearing clearance ${f.length(linkage.bearingClearance)}`,
    },
    {
      id: 'cover',
      name: 'Cover',
      figures: `disc free at ${f.length(cover.releaseTravel)} of bearing travel`,
    },
  ]
}
