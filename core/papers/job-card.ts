import { findingKind, faultKind, READINGS, REPAIRS, type FindingId } from '../diagnosis'
import { archetypeById } from '../installation'
import {
  AS_FOUND_KINDS,
  asFoundFigure,
  decisionReasonWords,
  PHASES,
  seconds,
  type Held,
  type Phase,
} from '../journal'
import { openStops, reasonWords } from '../proof'
import { itemWords } from '../side-by-side'
import { operationOf } from '../work'
import { countOf, FIRST_WORDS, JOB_KIND_WORDS, OUTCOME_WORDS, SCOPE_WORDS, WAY_WORDS } from '../words'
import {
  addUp,
  list,
  NOTHING,
  section,
  table,
  text,
  told,
  type Added,
  type Paper,
  type PaperJob,
  type PaperPart,
  type PaperReader,
  type PaperSection,
} from './paper'

const PHASE_HEADS: Record<Phase, string> = {
  asFound: 'As found',
  working: 'While bleeding',
  after: 'After',
}
const LIST_WORDS = { keep: 'Keep', move: 'Move across', bin: 'Bin' } as const

/** The job on paper: what it was, what was found, done and proved, by whom and when. */
export function jobCard(of: PaperJob, reader: PaperReader): Paper {
  const { state, job, vehicle, installation } = of
  const { moment, name } = reader
  const added = addUp(of)
  const kind = installation && archetypeById(installation.archetype)?.name
  const goal = state.goal?.payload
  return {
    title: vehicle.name,
    lead: [
      [vehicle.plate ? `Plate ${vehicle.plate}` : 'No plate entered', vehicle.model, kind]
        .filter(Boolean)
        .join(' · '),
      `${goal ? `${JOB_KIND_WORDS[goal.jobKind]}: ` : ''}${job.title}${goal?.wanted ? ` · wanted: ${goal.wanted}` : ''}`,
      `Opened ${moment(job.createdAt)}${state.goal ? ` by ${name(state.goal.by)}` : ''}. Printed ${moment(reader.now)}.`,
    ],
    sections: [
      ...saidAndStopped(of, reader),
      ...section('Measured', measured(of, reader)),
      ...section('Seen and felt', ...seen(of)),
      ...section(
        'Before it came apart',
        list(
          state.recorded.map(
            ({ payload }) =>
              `${AS_FOUND_KINDS.find((one) => one.item === payload.item)!.label}: ${
                [asFoundFigure(payload, reader.format), payload.words].filter(Boolean).join(', ') ||
                'photograph'
              }`,
          ),
        ),
      ),
      ...decided(of, reader),
      ...section('Chosen and checked', list(chosen(of, reader, added))),
      ...section('Worked', list(worked(of, reader, added))),
      ...section('Done', list(done(of, reader))),
      ...verdict(of, reader, added),
      ...section(
        'Notes',
        list(
          state.notes.map(
            ({ payload, at, by }) => `${payload.words} (${reader.moment(at)}, ${name(by)})`,
          ),
        ),
      ),
    ],
    foot: [
      ...(state.closed
        ? [
            `Closed ${moment(state.closed.at)} by ${name(state.closed.by)}${state.closed.payload.reason ? `: ${state.closed.payload.reason}` : ''}.`,
          ]
        : []),
      'Computed figures advise; the maker’s data, local codes and whoever signs decide.',
    ],
    sign: ['Technician', 'Date'],
  }
}

function saidAndStopped({ state, installation }: PaperJob, reader: PaperReader): PaperSection[] {
  return [
    ...section(
      'The driver says',
      list(
        state.complaints.map(({ held: { payload } }) => {
          const words = told('complaint', payload, reader).replace('Driver: ', '')
          return payload.words ? `${words}: “${payload.words}”` : words
        }),
      ),
    ),
    ...section(
      'Stops',
      list(
        openStops(state, installation?.circuit.master.portClosure).map(({ words, takenOver }) => ({
          strong: takenOver
            ? `${words} Overridden by ${reader.name(takenOver.by)}: ${takenOver.payload.reason}`
            : words,
        })),
      ),
    ),
  ]
}

/** Every reading that was taken, phase by phase. */
function measured({ state }: PaperJob, { format }: PaperReader): PaperPart | null {
  const rows = READINGS.filter(({ name }) => PHASES.some((phase) => state.readings[phase][name])).map(
    ({ name, label, unit }) => [
      label,
      ...PHASES.map((phase) => {
        const held = state.readings[phase][name]
        if (!held) return NOTHING
        const { value, duration } = held.payload
        const figure = unit === 'mm' ? format.length(value) : format.figure(value, unit)
        return duration ? `${figure} in ${seconds(duration)}` : figure
      }),
    ],
  )
  return table(['Reading', ...PHASES.map((phase) => PHASE_HEADS[phase])], rows)
}

function seen({ state }: PaperJob): (PaperPart | null)[] {
  return PHASES.flatMap((phase) => {
    const all = (Object.entries(state.found[phase]) as [FindingId, Held<{ state: string }>][]).flatMap(
      ([id, { payload }]) => {
        if (payload.state === 'notLooked') return []
        const { label, present, absent } = findingKind(id)
        return [
          payload.state === 'present' ? { strong: `${label}: ${present}` } : `${label}: ${absent}`,
        ]
      },
    )
    return all.length > 0 ? [text(PHASE_HEADS[phase]), list(all)] : []
  })
}

function decided({ state }: PaperJob, { moment, name }: PaperReader): PaperSection[] {
  const held = state.decision
  if (!held) return []
  const { scope, way, first, repairs, minutes, money, reasons, why } = held.payload
  const names = REPAIRS.filter(({ id }) => repairs.includes(id)).map(({ label }) => label.toLowerCase())
  return section(
    'Decided',
    text(
      `${SCOPE_WORDS[scope]}, ${WAY_WORDS[way].toLowerCase()}, ${FIRST_WORDS[first].toLowerCase()}: ${names.join(', ')}. About ${minutes.toFixed(0)} min, parts ${money.toFixed(0)}. ${moment(held.at)}, ${name(held.by)}.`,
    ),
    list(reasons.map(decisionReasonWords)),
    text(why && `“${why}”`),
  )
}

/** Plan, joints, the fluid with what its age makes of it, old against new, and what was ordered. */
function chosen({ state }: PaperJob, reader: PaperReader, { boils }: Added): string[] {
  const { circuitPlan, joints, fluidInside, fluidUsed, fluidDisposed, comparisons, ordered } = state
  const { format } = reader
  const lines: string[] = []
  if (circuitPlan) lines.push(told('circuitPlan', circuitPlan.payload, reader))
  if (circuitPlan?.payload.why) lines.push(circuitPlan.payload.why)
  for (const held of Object.values(joints)) if (held) lines.push(told('joint', held.payload, reader))
  if (fluidInside) lines.push(told('fluidInside', fluidInside.payload, reader))
  if (boils)
    lines.push(
      `It boils at ${format.figure(boils.low, '°C')} to ${format.figure(boils.high, '°C')}, ${boils.measured ? 'measured' : 'by its age'}`,
    )
  for (const { payload } of fluidUsed) lines.push(told('fluidUsed', payload, reader))
  for (const { payload } of fluidDisposed) lines.push(told('fluidDisposed', payload, reader))
  for (const check of Object.values(comparisons)) {
    lines.push(`${told('fitCheck', { ...check, keep: [], move: [], bin: [] }, reader)}.`)
    for (const one of (['keep', 'move', 'bin'] as const).filter((each) => check[each].length > 0))
      lines.push(`${LIST_WORDS[one]}: ${check[one].map(itemWords).join(', ')}`)
  }
  for (const { words, ordered: pieces, counts } of Object.values(ordered))
    lines.push(
      `Ordered: ${pieces} of ${words}; ${counts.delivered} here${counts.wrong > 0 ? `, ${counts.wrong} came wrong` : ''}${counts.returned > 0 ? `, ${counts.returned} sent back` : ''}${counts.cancelled > 0 ? `, ${counts.cancelled} given up` : ''}`,
    )
  return lines
}

/** Steps of the plan, what the bench showed, what was set, and what is still on or off. */
function worked({ state }: PaperJob, reader: PaperReader, { left }: Added): string[] {
  const { workPlan, stepsTold, surprises, pieces, bores, newParts, adjusted } = state
  const by = ({ by: who, at }: Held<unknown>) => ` (${reader.name(who)}, ${reader.moment(at)})`
  return [
    ...(workPlan ? [told('workPlan', workPlan.payload, reader)] : []),
    ...stepsTold.map((held) => told('step', held.payload, reader) + by(held)),
    ...surprises.map(({ payload }) => told('surprise', payload, reader)),
    ...pieces.map(({ payload }) => told('rebuildPiece', payload, reader)),
    ...Object.values(bores).map(({ payload }) => told('boreCheck', payload, reader)),
    ...Object.values(newParts).map(({ payload }) => told('newPart', payload, reader)),
    ...adjusted.map(({ payload }) => told('adjust', payload, reader)),
    ...(left.length > 0
      ? [`Still on, or off its place: ${left.map(({ words }) => words).join(', ')}`]
      : []),
  ]
}

function done({ state }: PaperJob, reader: PaperReader): string[] {
  const { bleed, workDone } = state
  const by = ({ by: who, at }: Held<unknown>) => `${reader.moment(at)}, ${reader.name(who)}`
  return [
    ...workDone.map(
      (held) =>
        `${operationOf(held.payload.operation).label}${held.payload.words ? `; ${held.payload.words}` : ''}. ${by(held)}`,
    ),
    ...(bleed.cycles.length > 0
      ? [
          `Bled in ${countOf(bleed.cycles.length, 'cycle')}, ${countOf(bleed.strokes, 'stroke')}; clear ${countOf(bleed.clearInRow, 'time')} in a row at the end`,
        ]
      : []),
    ...(bleed.setup ? [told('bleedSetup', bleed.setup.payload, reader)] : []),
    ...bleed.tricks.map((held) => `${told('trick', held.payload, reader)}. ${by(held)}`),
    ...Object.values(bleed.stages).map((held) => told('stageProof', held!.payload, reader)),
  ]
}

function verdict({ state }: PaperJob, { format }: PaperReader, { proof }: Added): PaperSection[] {
  if (!proof || !(state.verdict || Object.keys(state.readings.after).length > 0)) return []
  return section(
    `Verdict: ${OUTCOME_WORDS[proof.verdict.outcome]}`,
    list(
      proof.verdict.reasons.map(
        (reason) => `${OUTCOME_WORDS[reason.outcome]}: ${reasonWords(reason, format)}`,
      ),
    ),
    text(state.cause && causeWords(state.cause.payload.faults)),
  )
}

export const causeWords = (faults: Parameters<typeof faultKind>[0][]): string =>
  `It was: ${faults.map((one) => faultKind(one).label).join('; ')}.`
