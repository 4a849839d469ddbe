/** Papers of a job: the job card, the verdict sheet and the customer's sheet, as plain sections of words and figures. */
import { customerSheet } from './customer'
import { jobCard } from './job-card'
import type { Paper, PaperJob, PaperKind, PaperReader } from './paper'
import { verdictSheet } from './verdict'

export type { Paper, PaperJob, PaperKind, PaperPart, PaperReader, PaperSection } from './paper'
export const PAPERS: Record<PaperKind, (of: PaperJob, reader: PaperReader) => Paper> = {
  card: jobCard,
  verdict: verdictSheet,
  customer: customerSheet,
}
export const PAPER_KINDS = ['card', 'verdict', 'customer'] as const satisfies readonly PaperKind[]
