import type { Circuit } from './circuit'
import { fieldAt } from './fields'
import { atPath } from './path'
import type { Uncertain } from './uncertain'

type Put = (circuit: Circuit, by: number) => void

/** Pieces of a pair that must not meet are kept apart by this, mm. */
const APART = 0.01

/**
 * Draws circuits near one: each uncertain quantity moved by its own amount, within the bounds of its field, and so that
 * the whole remains a circuit that can be. Made once, asked ten thousand times.
 */
export function perturber(
  circuit: Circuit,
  quantities: readonly Pick<Uncertain, 'name'>[],
): (by: ArrayLike<number>) => Circuit {
  const puts = quantities.map(({ name }) => putter(name))
  return (by) => {
    const copy = copyOf(circuit)
    for (let i = 0; i < puts.length; i++) puts[i]!(copy, by[i]!)
    return keptPossible(copy)
  }
}

function copyOf(circuit: Circuit): Circuit {
  const { pedal, master, lines, slave, linkage, cover, fluid, air } = circuit
  return {
    pedal: { ...pedal },
    master: { ...master },
    lines: lines.map((line) => ({ ...line })),
    slave: { ...slave },
    linkage: { ...linkage },
    cover: { ...cover },
    fluid: { ...fluid },
    air,
  }
}

function putter(name: string): Put {
  if (name === 'load')
    return ({ cover }, share) => {
      const by = Math.max(0, 1 + share)
      cover.releaseLoad = cover.releaseLoad.map(([travel, load]) => [travel, load * by])
    }
  if (name === 'expansion')
    return ({ lines }, share) => {
      const by = Math.max(0, 1 + share)
      for (const line of lines) if (line.kind !== 'steel') line.expansion *= by
    }
  const field = fieldAt(name)!
  const cut = name.lastIndexOf('.')
  const [part, last] = [name.slice(0, Math.max(0, cut)), name.slice(cut + 1)]
  return (copy, by) => {
    const numbers = (part === '' ? copy : atPath(copy, part)) as Record<string, number>
    numbers[last] = Math.min(field.max, Math.max(field.min, (numbers[last] ?? 0) + by))
  }
}

/** What two fields together could get wrong is put right on the side that gives way. */
function keptPossible(copy: Circuit): Circuit {
  const { master, cover, slave, lines } = copy
  master.portClosure = Math.min(master.portClosure, master.stroke - APART)
  cover.fullClampTravel = Math.min(cover.fullClampTravel, cover.releaseTravel)
  if (slave.type === 'concentric') slave.inner = Math.min(slave.inner, slave.outer - APART)
  for (const line of lines)
    if (line.kind === 'steel')
      line.outerDiameter = Math.max(line.outerDiameter, line.innerDiameter + APART)
  return copy
}
