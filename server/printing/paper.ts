import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import type { Job, Vehicle } from '../../contract'
import { fold, installationFrom, type Entry } from '../../core/journal'
import { PAPERS, type Paper, type PaperKind, type PaperPart } from '../../core/papers'
import { formatOf, type UnitSystem } from '../../core/quantity'
import { framed } from './pdf'

const dates = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeZone: 'UTC' })
const moments = new Intl.DateTimeFormat('en-GB', {
  dateStyle: 'long',
  timeStyle: 'short',
  timeZone: 'UTC',
})

/** What a paper of a job is worked out from. */
export interface PaperAsked {
  kind: PaperKind
  units: UnitSystem
  now: Date
  job: Job
  vehicle: Vehicle
  entries: readonly Entry[]
  ofVehicle: readonly Entry[]
  names: ReadonlyMap<string, string>
}

/** A job's paper, worked out from its entries, laid out for print. */
export function paperOf({ kind, units, now, job, vehicle, entries, ofVehicle, names }: PaperAsked) {
  const paper = PAPERS[kind](
    {
      job,
      vehicle,
      state: fold(entries),
      installation: installationFrom(entries, installationFrom(ofVehicle)),
      ofVehicle,
    },
    {
      format: formatOf(units),
      day: (iso) => dates.format(new Date(iso)),
      moment: (iso) => `${moments.format(new Date(iso))} UTC`,
      name: (person) => names.get(person) ?? 'somebody',
      now: now.toISOString(),
    },
  )
  return laidOut(paper, `Mellow Anchor, printed ${moments.format(now)} UTC`)
}

function laidOut({ title, lead, sections, foot, sign }: Paper, printed: string): TDocumentDefinitions {
  return {
    info: { title, creator: 'Mellow Anchor' },
    content: [
      { text: title, style: 'head' },
      ...lead,
      ...sections.flatMap(({ heading, parts: [first, ...rest] }): Content[] => {
        const [begun, ...more] = first ? begunPart(first) : []
        const head: Content[] = [
          { text: heading, style: 'heading', headlineLevel: 1 },
          ...(begun ? [laidPart(begun)] : []),
        ]
        return [{ stack: head, unbreakable: true }, ...[...more, ...rest].map(laidPart)]
      }),
      ...foot.map((line): Content => ({ text: line, margin: [0, 8, 0, 0] })),
      {
        unbreakable: true,
        margin: [0, 34, 0, 0],
        columnGap: 24,
        columns: sign.map((who) => ({
          stack: [
            { canvas: [{ type: 'line', x1: 0, y1: 0, x2: 150, y2: 0, lineWidth: 0.6 }] },
            { text: who, fontSize: 9, margin: [0, 2, 0, 0] },
          ],
        })),
      },
    ],
    ...framed(printed),
    styles: {
      head: { fontSize: 18, bold: true },
      heading: { fontSize: 12.5, bold: true, margin: [0, 10, 0, 2] },
    },
  }
}

/** What stands on the page of its heading whatever comes: a list’s first lines, the head of a long table. */
function begunPart(part: PaperPart): PaperPart[] {
  const FEW = 3
  const MANY = 12
  if (part.type === 'list' && part.items.length > FEW)
    return [
      { ...part, items: part.items.slice(0, FEW) },
      { ...part, items: part.items.slice(FEW) },
    ]
  if (part.type === 'table' && part.rows.length > MANY) return [{ type: 'text', words: '' }, part]
  return [part]
}

function laidPart(part: PaperPart): Content {
  switch (part.type) {
    case 'text':
      return { text: part.words, bold: part.strong === true, margin: [0, 1, 0, 1] }
    case 'list':
      return {
        ul: part.items.map((item) =>
          typeof item === 'string' ? item : { text: item.strong, bold: true },
        ),
      }
    case 'table':
      return {
        layout: 'lightHorizontalLines',
        margin: [0, 2, 0, 2],
        table: {
          headerRows: 1,
          dontBreakRows: true,
          widths: part.head.map((_, i) => (i === 0 ? '*' : 'auto')),
          body: [part.head.map((cell) => ({ text: cell, bold: true })), ...part.rows],
        },
      }
  }
}
