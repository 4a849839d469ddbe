import type { Line } from '../circuit'
import type { Format } from '../quantity'
import { BEND_BY, bendRadius, LAID, type BendBy } from './limits'

/** A line as it is to lie; what is left out was not measured. */
export interface LaidLine {
  line: Line
  /** Outside diameter, mm; of steel its own where left out. */
  outerDiameter?: number
  /** How far its ends lie apart along the way it takes, mm. */
  path?: number
  /** One end moves against the other: engine and body. */
  moves: boolean
  /** Tightest bend at the middle line, mm. */
  radius?: number
  /** Degrees from end to end. */
  twist?: number
  /** Distance to what is hot, mm, and whether it is sleeved there. */
  heat?: readonly { distance: number; sleeved: boolean }[]
  /** Distance to what moves or is sharp, mm. */
  clearance?: number
  /** Steel bent by hand or with a tool. */
  by?: BendBy
  /** Where it is held. */
  clips?: number
}
export interface LineCheck {
  id: 'length' | 'bend' | 'twist' | 'heat' | 'clearance'
  /** Null where it was not measured. */
  holds: boolean | null
  words: string
  figure?: number
  limit?: number
}

/** What a line's way allows and what not, with the holders, clips and sleeves that it takes. */
export function checkLine(laid: LaidLine, format: Format): { checks: LineCheck[]; takes: string[] } {
  const { line } = laid
  const mm = format.length
  const soft = line.kind !== 'steel'
  const outer = laid.outerDiameter ?? (line.kind === 'steel' ? line.outerDiameter : undefined)
  const checks = [
    lengthOf(laid, soft, mm),
    bendOf(laid, soft, outer, mm),
    twistOf(laid, soft),
    ...heatOf(laid, mm),
  ]
  checks.push(
    laid.clearance === undefined
      ? { id: 'clearance', holds: null, words: 'How far it is from what moves was not measured.' }
      : {
          id: 'clearance',
          holds: laid.clearance >= LAID.clearance.value,
          words: `${mm(laid.clearance)} from what moves or is sharp; ${mm(LAID.clearance.value)} are the least.`,
          figure: laid.clearance,
          limit: LAID.clearance.value,
        },
  )
  return { checks, takes: takesOf(laid, soft, mm) }
}

type Mm = Format['length']

function lengthOf({ line, path, moves }: LaidLine, soft: boolean, mm: Mm): LineCheck {
  if (path === undefined)
    return { id: 'length', holds: null, words: 'The way between its ends was not measured.' }
  const slack = line.length / path - 1
  const share = `${(100 * slack).toFixed(1)} %`
  if (slack < 0)
    return {
      id: 'length',
      holds: false,
      words: `${mm(line.length)} does not reach over ${mm(path)}.`,
      figure: line.length,
      limit: path,
    }
  if (!soft || !moves)
    return {
      id: 'length',
      holds: true,
      words: `Reaches, ${mm(line.length - path)} longer than its way.`,
      figure: slack,
    }
  const { slackLeast: least, slackMost: most } = LAID
  const holds = slack >= least.value && slack <= most.value
  return {
    id: 'length',
    holds,
    words:
      `Slack ${share}; ${100 * least.value} to ${100 * most.value} % where one end moves. ${slack < least.value ? least.reason : slack > most.value ? most.reason : ''}`.trim(),
    figure: slack,
    limit: slack < least.value ? least.value : most.value,
  }
}

function bendOf(
  { radius, by = 'tool' }: LaidLine,
  soft: boolean,
  outer: number | undefined,
  mm: Mm,
): LineCheck {
  if (radius === undefined || outer === undefined)
    return { id: 'bend', holds: null, words: 'Its tightest bend was not measured.' }
  const way: BendBy = soft ? 'hose' : by
  const limit = bendRadius(way, outer)
  return {
    id: 'bend',
    holds: radius >= limit - 1e-9,
    words:
      `Tightest bend ${mm(radius)}; ${mm(limit)} is the least, ${BEND_BY[way].value} times ${mm(outer)}. ${radius < limit - 1e-9 ? BEND_BY[way].reason : ''}`.trim(),
    figure: radius,
    limit,
  }
}

function twistOf({ line, twist }: LaidLine, soft: boolean): LineCheck {
  if (!soft)
    return { id: 'twist', holds: true, words: 'A pipe does not twist if its nut is free on it.' }
  if (twist === undefined) return { id: 'twist', holds: null, words: 'Its twist was not looked at.' }
  const limit = LAID.twist.value * line.length
  return {
    id: 'twist',
    holds: twist <= limit + 1e-9,
    words: `Twisted ${twist.toFixed(0)}° over its length; ${limit.toFixed(0)}° are the most. Hold the hose’s own hex.`,
    figure: twist,
    limit,
  }
}

function heatOf({ heat }: LaidLine, mm: Mm): LineCheck[] {
  if (!heat || heat.length === 0)
    return [{ id: 'heat', holds: null, words: 'Whether it passes anything hot was not said.' }]
  return heat.map(({ distance, sleeved }) => {
    const { value: limit, reason } = sleeved ? LAID.heatSleeved : LAID.heatBare
    return {
      id: 'heat',
      holds: distance >= limit,
      words:
        `${mm(distance)} from what is hot, ${sleeved ? 'sleeved' : 'bare'}; ${mm(limit)} is the least. ${distance < limit ? reason : ''}`.trim(),
      figure: distance,
      limit,
    }
  })
}

/** What is bought and fitted with the line so that it stays where it is. */
function takesOf(
  { line, heat = [], path = line.length, moves, clips = 0 }: LaidLine,
  soft: boolean,
  mm: Mm,
): string[] {
  const takes: string[] = []
  const wanted = Math.max(0, Math.ceil(path / LAID.clipEvery.value) - 1 - clips)
  if (!soft && wanted > 0)
    takes.push(`${wanted} ${wanted === 1 ? 'clip' : 'clips'} more: ${LAID.clipEvery.reason}`)
  if (soft && moves) takes.push('A holder where the hose meets the pipe, with its clip')
  for (const { distance, sleeved } of heat) {
    if (sleeved || distance >= LAID.heatBare.value) continue
    takes.push(
      distance >= LAID.heatSleeved.value
        ? `A heat sleeve where it passes at ${mm(distance)}`
        : `Another way round, or a shield: ${mm(distance)} is too near even sleeved`,
    )
  }
  return takes
}
