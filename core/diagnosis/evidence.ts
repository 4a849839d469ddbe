import { isRodInDoubt } from '../circuit'
import type { Installation } from '../installation'
import type { ComplaintId } from './complaints'
import { TELLING_READINGS, type TellingReading } from './expectations'
import { findingKind, type FindingId } from './findings'
import type { Knowledge } from './knowledge'
import { isLostTravel, type LostTravel } from './lost-travel'
import type { Figure, Likelihood, Observed } from './posterior'
import { READINGS, type ReadingName } from './readings'

/** What has been said, found and measured on a vehicle. What was not looked at is simply not in it. */
export interface Evidence {
  complaints: readonly ComplaintId[]
  findings: Readonly<Partial<Record<FindingId, 'present' | 'absent'>>>
  readings: Readonly<Partial<Record<ReadingName, { value: number; duration?: number }>>>
}

/** One thing that is known, as it is named on a screen. */
export type Item =
  | { kind: 'complaint'; id: ComplaintId }
  | { kind: 'finding'; id: FindingId; state: 'present' | 'absent' }
  | { kind: 'reading'; id: TellingReading; value: number; duration?: number }

const tells = (name: ReadingName): name is TellingReading =>
  (TELLING_READINGS as readonly ReadingName[]).includes(name)

/** Findings that a figure has taken the place of: a number outweighs a yes or no that somebody guessed. */
export function outdone({ readings }: Evidence): Set<FindingId> {
  const set = new Set<FindingId>()
  for (const { name, insteadOf } of READINGS) if (insteadOf && readings[name]) set.add(insteadOf)
  if (restsOnNothing(readings)) set.delete('rodTight')
  return set
}

/** A rod's clearance read as nothing is no figure: it says that no play was felt, and not on which side of none it is. */
const restsOnNothing = ({ rodClearance }: Evidence['readings']): boolean =>
  rodClearance !== undefined && isRodInDoubt(rodClearance.value)

/** What counts of the evidence on this vehicle, each thing once. */
export function itemsOf(knowledge: Knowledge, evidence: Evidence): Item[] {
  const items: Item[] = []
  for (const id of evidence.complaints) items.push({ kind: 'complaint', id })
  const skip = outdone(evidence)
  const nothing = restsOnNothing(evidence.readings)
  const { circuit } = knowledge.installation
  const findings = {
    ...screwAngle(knowledge.installation),
    ...evidence.findings,
    ...(nothing && { rodTight: 'present' as const }),
  }
  for (const { name, insteadOf, presentFrom } of READINGS) {
    const read = evidence.readings[name]
    if (!read || !insteadOf || presentFrom === undefined) continue
    const from = presentFrom === 'fullTravel' ? circuit.pedal.travel : presentFrom
    findings[insteadOf] = read.value >= from ? 'present' : 'absent'
    skip.delete(insteadOf)
  }
  for (const [id, state] of Object.entries(findings) as [FindingId, 'present' | 'absent'][])
    if (knowledge.place.has(id) && !skip.has(id) && !idle(findings, id))
      items.push({ kind: 'finding', id, state })
  for (const [id, reading] of Object.entries(evidence.readings) as [
    ReadingName,
    { value: number; duration?: number },
  ][]) {
    if (!tells(id) || (id === 'rodClearance' && nothing)) continue
    // A concentric slave has no rod at which a rule could be held.
    if (id === 'rodStroke' && circuit.slave.type === 'concentric') continue
    items.push({ kind: 'reading', id, ...reading })
  }
  return items
}

/** Degrees off top from which on air stays above a bleed screw. */
const OFF_TOP = 25

/** Whether the bleed screw is uppermost, where its angle was measured. */
function screwAngle({ slave, assumed }: Installation): Evidence['findings'] {
  if (slave.bleeder.kind === 'none' || assumed.includes('slave.bleeder.angle')) return {}
  return { bleederLow: Math.abs(slave.bleeder.angle) > OFF_TOP ? 'present' : 'absent' }
}

/** True where a finding says nothing because of another: a float lies down for want of fluid. */
function idle(findings: Evidence['findings'], id: FindingId): boolean {
  const { unless } = findingKind(id)
  return unless !== undefined && findings[unless] === 'present'
}

export function figureOf(
  { expected }: Knowledge,
  { id, value, duration }: Extract<Item, { kind: 'reading' }>,
): Figure {
  return { value, expected: expected.of(id, duration), span: expected.span(id) }
}

/** The same, as the network is asked. */
export function knownOf(knowledge: Knowledge, items: readonly Item[]): Observed {
  const present: number[] = []
  const absent: number[] = []
  const figures: Figure[] = []
  const graded: Likelihood[] = []
  for (const item of items) {
    if (item.kind === 'reading') figures.push(figureOf(knowledge, item))
    else if (isLostTravel(item.id)) graded.push(shown(knowledge, item.id, isThere(item)))
    else {
      const list = isThere(item) ? present : absent
      list.push(knowledge.place.get(item.id)!)
    }
  }
  return { present, absent, figures, graded }
}

const isThere = (item: Exclude<Item, { kind: 'reading' }>): boolean =>
  item.kind === 'complaint' || item.state === 'present'

function shown({ expected }: Knowledge, what: LostTravel, there: boolean): Likelihood {
  const { present, kind } = expected.showing(what)
  return { chance: there ? present : present.map((chance) => 1 - chance), kind }
}
