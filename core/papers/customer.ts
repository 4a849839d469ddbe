import { COMPLAINTS, REPAIRS, faultKind } from '../diagnosis'
import { dueWords, ownPutOff } from '../due'
import { APPROVED_HOW_WORDS, type DecisionMade } from '../journal'
import { isProven } from '../proof'
import { operationOf } from '../work'
import { FIRST_WORDS, GRADE_WORDS, SCOPE_WORDS, WAY_WORDS } from '../words'
import { causeWords } from './job-card'
import {
  addUp,
  list,
  NOTHING,
  section,
  strong,
  table,
  text,
  told,
  type Paper,
  type PaperJob,
  type PaperPart,
  type PaperReader,
  type PaperSection,
} from './paper'

/**
 * What the customer takes home, in plain words: his complaint, what could be done with its prices and risks, what he agreed
 * to, what was done, how it measures, what remains and when it is looked at again.
 */
export function customerSheet(of: PaperJob, reader: PaperReader): Paper {
  const { state, job, vehicle } = of
  const { day } = reader
  const wanted = state.goal?.payload.wanted
  return {
    title: vehicle.name,
    lead: [
      [vehicle.plate && `Plate ${vehicle.plate}`, wanted ? `${job.title}: ${wanted}` : job.title]
        .filter(Boolean)
        .join(' · '),
    ],
    sections: [
      ...section(
        'What you told us',
        list(
          saidBy(of).map(({ own, words, grade }) => {
            const said = own ? `“${own}”` : words
            return grade ? `${said}, now ${GRADE_WORDS[grade.grade].toLowerCase()}` : said
          }),
        ),
      ),
      ...proposed(state.decision?.payload),
      ...section(
        'What you agreed to',
        list(
          state.approvals.map(
            ({ payload, at }) =>
              `${payload.option} (${payload.by}, ${APPROVED_HOW_WORDS[payload.how]}, ${day(at)})`,
          ),
        ),
      ),
      ...done(of),
      ...section('How it is now', strong(verdictWords(of)), felt(of, reader)),
      ...section('What remains', list(remains(of, reader))),
      ...section('When we look again', list(looks(of, reader))),
    ],
    foot: [
      'A pedal that sinks, a wet floor under it or a gear that grinds: stop, and call the workshop. The maker’s service book decides when fluid is due; two years is usual.',
    ],
    sign: ['Workshop', 'Customer', 'Date'],
  }
}

const saidBy = ({ state }: PaperJob) =>
  state.complaints.map(({ complaint, held }) => {
    const own = held.payload.words?.trim()
    return {
      /** In his own words, where they were written down. */
      own,
      words: own || COMPLAINTS.find((one) => one.id === complaint)!.label,
      grade: state.graded[complaint]?.payload ?? null,
    }
  })

const repairNames = (ids: readonly string[]): string =>
  REPAIRS.filter(({ id }) => ids.includes(id))
    .map(({ label }) => label.toLowerCase())
    .join(', ')
const hours = (minutes: number): string => (minutes / 60).toFixed(1)
const inHundred = (chance: number): string => `${Math.round(100 * chance)} in 100`
const ANSWERS: Record<string, string> = { ...SCOPE_WORDS, ...WAY_WORDS, ...FIRST_WORDS }

/** The ways that were weighed, each with hours, price and the chance that it comes back; and the one that was proposed. */
function proposed(decision: DecisionMade | undefined): PaperSection[] {
  if (!decision) return []
  const { repairs, minutes, money, comebackRisk, options = [], hourlyRate } = decision
  const price = (parts: number, worked: number) =>
    hourlyRate === undefined ? parts.toFixed(0) : (parts + (hourlyRate * worked) / 60).toFixed(0)
  const priced = hourlyRate === undefined ? 'parts' : 'parts and work'
  const rows = options.map((one) => [
    `${ANSWERS[one.answer] ?? one.answer}: ${repairNames(one.repairs)}`,
    hours(one.minutes),
    price(one.money, one.minutes),
    inHundred(one.comebackRisk),
  ])
  return section(
    'What was proposed',
    text(
      `${capital(repairNames(repairs))}: about ${hours(minutes)} hours of work, ${priced} ${price(money, minutes)}. Chance that it comes back: ${inHundred(comebackRisk)}.`,
    ),
    table(['Other ways', 'Hours', capital(priced), 'Comes back'], rows),
    rows.length > 0 ? text('Prices and chances are estimates, made when it was decided.') : null,
  )
}
const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)

function done({ state }: PaperJob): PaperSection[] {
  const work = state.workDone.map(({ payload }) => payload.operation)
  const said = work.includes('bleed') || work.includes('flush')
  const items = [
    ...work.map((id) => operationOf(id).label),
    ...(state.bleed.cycles.length > 0 && !said ? ['Hydraulics bled'] : []),
  ]
  if (items.length === 0) return []
  const ours = Object.values(state.ordered).map(({ words }) => words)
  const brought = state.goal?.payload.jobKind === 'partsBrought'
  return section(
    'What was done',
    list(items),
    text(brought && 'Parts were brought by the customer: fitted as agreed, on his own account.'),
    text(ours.length > 0 && `Parts supplied by the workshop: ${ours.join('; ')}.`),
    text(state.cause && causeWords(state.cause.payload.faults)),
  )
}

function verdictWords(of: PaperJob): string {
  if (isProven(of.state)) return 'Finished, and measured within its limits.'
  return addUp(of).proof?.verdict.outcome === 'stop'
    ? 'Not fit to be driven: see below.'
    : 'Not finished yet: something is still to be measured or mended.'
}

/** Three figures that anybody feels: how far the pad goes for nothing, what is left before the floor, and whether it holds. */
function felt({ state }: PaperJob, { format }: PaperReader): PaperPart | null {
  const { asFound, after } = state.readings
  const rows = (
    [
      ['freeTravel', 'Free travel at the pad'],
      ['takeUpHeight', 'Takes up above the floor'],
      ['sink', 'Sinks under a held foot'],
    ] as const
  ).flatMap(([name, label]) => {
    const cells = [asFound, after].map((one) => one[name]?.payload.value)
    return cells.every((one) => one === undefined)
      ? []
      : [[label, ...cells.map((one) => (one === undefined ? NOTHING : format.length(one)))]]
  })
  return table(['', 'Before', 'Now'], rows)
}

function remains(of: PaperJob, reader: PaperReader): string[] {
  const { state } = of
  return [
    ...saidBy(of).flatMap(({ words, grade }) => {
      if (!grade || grade.grade === 'gone') return []
      const left = grade.remaining
        ? `; left to mend: ${faultKind(grade.remaining).label.toLowerCase()}`
        : ''
      return [
        `${words}: ${grade.grade === 'less' ? 'better, not gone' : 'as before'}${left}${grade.words ? ` (${grade.words})` : ''}`,
      ]
    }),
    ...ownPutOff(state).map((one) => dueWords(one, reader.format)),
    ...Object.values(state.followUps)
      .filter(({ payload }) => !payload.done)
      .map(({ payload }) => told('followUp', payload, reader)),
  ]
}

function looks({ state }: PaperJob, { day, format }: PaperReader): string[] {
  const ahead = state.rechecks.filter(({ id }) => !state.rechecked.includes(id))
  return ahead.map(({ payload: { due, atKm } }) => {
    const either = [
      ...(due ? [`by ${day(due)}`] : []),
      ...(atKm === undefined ? [] : [`at ${format.figure(atKm, 'km')}`]),
    ]
    return either.length > 0 ? either.join(' or ') : `after ${format.figure(1000, 'km')}`
  })
}
