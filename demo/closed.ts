import { fold, type Entry, type Payloads } from '../core/journal'
import type { Installation } from '../core/installation'
import { judge, reasonWords } from '../core/proof'
import { formatOf } from '../core/quantity'
import type { DemoJob, DemoPerson, Line } from './scenario'

/** A job’s lines as entries, for the core to fold. */
const entriesOf = (lines: readonly Line[]): Entry[] =>
  lines.map(
    ([minute, by, kind, payload], i) =>
      ({
        id: String(i).padStart(26, '0'),
        subject: { type: 'job', id: '0' },
        kind,
        at: new Date(minute * 60_000).toISOString(),
        by,
        payload,
        sequence: i + 1,
      }) as Entry,
  )

/**
 * The verdict that a job's lines add up to by the core's own figures.
 * @throws Error where that is not proven: the scenario itself is wrong then
 */
export function proofOf(
  title: string,
  installation: Installation,
  lines: readonly Line[],
): Payloads['verdict'] {
  const { verdict } = judge(installation, fold(entriesOf(lines)))
  if (verdict.outcome !== 'pass')
    throw new Error(
      `${title}: not proven: ${verdict.reasons
        .filter(({ outcome }) => outcome !== 'pass')
        .map((reason) => reasonWords(reason, formatOf('metric')))
        .join('; ')}`,
    )
  return verdict
}

/** Closes a job as its work would: the verdict is the core’s own, and what it was goes into the record. */
export function closed(job: DemoJob, by: DemoPerson, cause: Payloads['cause']): DemoJob {
  const verdict = proofOf(job.title, job.vehicle.installation, job.lines)
  const last = job.lines.at(-1)![0]
  const end: Line[] = [
    [last + 4, by, 'verdict', verdict],
    [last + 5, by, 'cause', cause],
  ]
  return { ...job, lines: [...job.lines, ...end] }
}
