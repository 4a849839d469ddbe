import {
  COMPLAINTS,
  complaintLabel,
  faultKind,
  findingKind,
  NEEDS,
  readingKind,
  type ComplaintId,
  type FindingId,
} from '~~/core/diagnosis'
import { installationField } from '~~/core/installation'
import type { Change } from '~~/core/whatif'
import { understood, type Entry, type Payloads } from '~~/core/journal'

const PHASE_WORDS = { asFound: '', working: ', while bleeding', after: ', after' } as const

/** What this tab is too old to read; it is kept, and reckoned without. */
export const NEWER = 'Filed by a newer version: reload the page to read it'

/** An entry in a line, as one would say it. */
export function describe(entry: Pick<Entry, 'kind' | 'payload'>): string {
  if (!understood(entry)) return `${NEWER} (${entry.kind})`
  switch (entry.kind) {
    case 'goal': {
      const { jobKind, wanted } = entry.payload as Payloads['goal']
      return wanted ? `${JOB_KIND_WORDS[jobKind]}: ${wanted}` : JOB_KIND_WORDS[jobKind]
    }
    case 'complaint':
      return `Driver: ${complaintLabel((entry.payload as Payloads['complaint']).complaint)}`
    case 'finding': {
      const { finding, state, phase } = entry.payload as Payloads['finding']
      const kind = findingKind(finding)
      const said =
        state === 'present' ? kind.present : state === 'absent' ? kind.absent : 'not looked at'
      return `${kind.label}: ${said}${PHASE_WORDS[phase]}`
    }
    case 'measurement':
      return describeReading(entry.payload as Payloads['measurement'])
    case 'graded': {
      const { of, grade, remaining, words } = entry.payload as Payloads['graded']
      const left = remaining ? `; left: ${faultKind(remaining).label}` : ''
      return `${observationLabel(of)}: ${grade}${left}${words ? `; ${words}` : ''}`
    }
    case 'condition': {
      const { condition, holds } = entry.payload as Payloads['condition']
      return `${NEEDS.find(({ id }) => id === condition)!.label}: ${holds ? 'yes' : 'no'}`
    }
    case 'takenOver': {
      const { stop, reason } = entry.payload as Payloads['takenOver']
      const what = stop === 'rodClearance' ? readingKind(stop).label : findingKind(stop).label
      return `Stop taken over (${what}): ${reason}`
    }
    case 'decision': {
      const { scope, way, first } = entry.payload as Payloads['decision']
      return `Decided: ${[SCOPE_WORDS[scope], WAY_WORDS[way], FIRST_WORDS[first]].join(', ').toLowerCase()}`
    }
    case 'cause': {
      const { faults } = entry.payload as Payloads['cause']
      return `It was: ${faults.map((id) => faultKind(id).label).join('; ')}`
    }
    case 'bleedCycle':
      return describeCycle(entry.payload as Payloads['bleedCycle'])
    case 'topUp': {
      const { volume } = entry.payload as Payloads['topUp']
      return volume === undefined ? 'Topped up' : `Topped up, ${millilitres(volume)}`
    }
    case 'verdict':
      return `Verdict: ${OUTCOME_WORDS[(entry.payload as Payloads['verdict']).outcome]}`
    case 'note':
      return (entry.payload as Payloads['note']).words
    case 'parameter': {
      const { field, value } = entry.payload as Payloads['parameter']
      const known = installationField(field)
      return `${known?.label ?? field} measured: ${withUnits(value, known?.unit ?? '')}`
    }
    case 'installation':
      return 'Installation set'
    case 'route':
      return `Line routed over ${(entry.payload as Payloads['route']).points.length} points`
    case 'plan': {
      const { changes } = entry.payload as Payloads['plan']
      return changes.length === 0
        ? 'Nothing planned'
        : `Planned: ${changes.map(describeChange).join('; ')}`
    }
    case 'calibration':
      return 'Pedal known good: readings kept for later'
    case 'withdrawal':
      return 'Taken back'
  }
}

/** A complaint or a finding by its name. */
export const observationLabel = (id: ComplaintId | FindingId): string =>
  COMPLAINTS.find((one) => one.id === id)?.label ?? findingKind(id as FindingId).label

function describeReading({ reading, value, duration, phase }: Payloads['measurement']): string {
  const over = duration === undefined ? '' : ` in ${seconds(duration)}`
  return `${readingKind(reading).label} ${millimetres(value)}${over}${PHASE_WORDS[phase]}`
}

function describeCycle({ strokes, cameOut, colour, bottle }: Payloads['bleedCycle']): string {
  const parts = [
    `${strokes} ${strokes === 1 ? 'stroke' : 'strokes'}`,
    CAME_OUT_WORDS[cameOut].toLowerCase(),
  ]
  if (colour) parts.push(colour)
  if (bottle !== undefined) parts.push(millilitres(bottle))
  return parts.join(', ')
}

export const seconds = (s: number): string =>
  s % 3600 === 0 ? `${s / 3600} h` : s % 60 === 0 && s > 60 ? `${s / 60} min` : `${s} s`

/** A change in thought, as one would say it. */
export function describeChange(change: Change): string {
  switch (change.change) {
    case 'air':
      return `air ${millilitres(change.value)}`
    case 'wear':
      return `facings worn ${millimetres(change.value)}`
    case 'line':
      return `line ${change.index + 1} ${change.line.kind}, ${millimetres(change.line.length)}`
    case 'field': {
      const known = installationField(change.field)
      return `${(known?.label ?? change.field).toLowerCase()} ${withUnits(change.value, known?.unit ?? '')}`
    }
  }
}
