import { isImplausible } from '../circuit'
import { READINGS } from '../diagnosis'
import { assumedFigures } from '../installation'
import { isProven, reasonWords, type PhaseFigures } from '../proof'
import { OUTCOME_WORDS } from '../words'
import { causeWords } from './job-card'
import {
  addUp,
  list,
  NOTHING,
  section,
  strong,
  table,
  text,
  type Paper,
  type PaperJob,
  type PaperReader,
} from './paper'

/**
 * The verdict as it was filed: before, after, what was computed from it, by whom and when. What was changed later stands as a
 * correction beside it, and what bears on it since is said.
 */
export function verdictSheet(of: PaperJob, reader: PaperReader): Paper {
  const { state, vehicle, job, installation } = of
  const { moment, name, format } = reader
  const { proof, left } = addUp(of)
  const held = state.verdict
  const { asFound, after } = state.readings
  const rows = READINGS.filter(({ name: id }) => asFound[id] || after[id]).map(
    ({ name: id, label, unit }) => {
      const cell = (one: typeof asFound) => {
        const value = one[id]?.payload.value
        if (value === undefined) return NOTHING
        return unit === 'mm' ? format.length(value) : format.figure(value, unit)
      }
      const last = after[id] ?? asFound[id]!
      return [label, cell(asFound), cell(after), `${name(last.by)}, ${moment(last.at)}`]
    },
  )
  const assumed = installation ? assumedFigures(installation).length : 0
  const standing = held?.payload ?? proof?.verdict ?? null
  return {
    title: `${vehicle.name}: ${standing ? OUTCOME_WORDS[standing.outcome] : 'no verdict'}`,
    lead: [
      [vehicle.plate ? `Plate ${vehicle.plate}` : 'No plate entered', vehicle.model, job.title]
        .filter(Boolean)
        .join(' · '),
      held
        ? `Filed ${moment(held.at)} by ${name(held.by)}.`
        : 'Not filed: this is how it stands when it was printed.',
      `Printed ${moment(reader.now)}.`,
    ],
    sections: [
      ...section(
        held ? 'As it was filed' : 'As it stands',
        list(
          (standing?.reasons ?? []).map((reason) => {
            const words = `${OUTCOME_WORDS[reason.outcome]}: ${reasonWords(reason, format)}`
            return reason.outcome === 'pass' ? words : { strong: words }
          }),
        ),
        text(state.cause && causeWords(state.cause.payload.faults)),
      ),
      ...section(
        'Changed since',
        held && held.payload.outcome === 'pass' && !isProven(state)
          ? strong(
              'Something that bears on it was filed after it: it no longer stands as proven. Measure again.',
            )
          : null,
        list(
          (held?.corrections ?? []).map(
            ({ at, by }) =>
              `Corrected ${moment(at)} by ${name(by)}; what stands above is the correction.`,
          ),
        ),
      ),
      ...section('Measured', table(['', 'Before', 'After', 'By'], rows)),
      ...section(
        'Computed for this circuit',
        proof &&
          table(
            ['', 'Before', 'After'],
            [
              ['Air', airWords(proof.before, reader), airWords(proof.after, reader)],
              ['Reserve', reserveWords(proof.before, reader), reserveWords(proof.after, reader)],
              [
                'Air that still leaves the reserve',
                format.volume(Math.max(0, proof.before.allowed)),
                format.volume(Math.max(0, proof.after.allowed)),
              ],
            ],
          ),
        text(
          assumed > 0 &&
            `${assumed} figures of this circuit are assumed; ranges are 90 % and hold for those.`,
        ),
      ),
      ...section('Still on, or off its place', list(left.map(({ words }) => words))),
    ],
    foot: ['Computed figures advise; the maker’s data, local codes and whoever signs decide.'],
    sign: ['Technician', 'Date'],
  }
}

function airWords({ air }: PhaseFigures, { format }: PaperReader): string {
  if (!air) return NOTHING
  if (isImplausible(air)) return 'reading and circuit do not fit'
  const ml = (mm3: number) => format.volume(Math.max(0, mm3))
  return air.low <= 0
    ? `none seen, at most ${ml(air.high)}`
    : `${ml(air.air)} (${ml(air.low)} to ${ml(air.high)})`
}
/** How sure it is stands with the rule that judges it. */
const reserveWords = ({ air, reserve }: PhaseFigures, { format }: PaperReader): string =>
  air ? format.length(reserve.value) : NOTHING
