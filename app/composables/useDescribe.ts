import { complaintLabel, findingKind } from '~~/core/diagnosis'
import { readingKind, type Entry, type Payloads } from '~~/core/journal'

const PHASE_WORDS = { asFound: '', working: ', while bleeding', after: ', after' } as const

/** An entry in a line, as one would say it. */
export function describe(entry: Pick<Entry, 'kind' | 'payload'>): string {
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
      return `${field} measured: ${value}`
    }
    case 'installation':
      return 'Installation set'
    default:
      return 'Taken back'
  }
}

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
