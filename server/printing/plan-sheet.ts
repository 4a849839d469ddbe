import type { Column, Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { PACKAGES, type PlanAnswer, type RecordName } from '../../core/plan'
import { recalled, RECORD_WORDS } from '../../core/proof'
import { formatOf, type UnitSystem } from '../../core/quantity'
import { cautionWords, PLACE_WORDS } from '../../core/words'
import { framed } from './pdf'
import type { Job, Vehicle } from '../../contract'
import type { Installation } from '../../core/installation'
import type { JobState } from '../../core/journal'

const hours = (minutes: number): string =>
  minutes < 60
    ? `${Math.round(minutes)} min`
    : `${Math.floor(minutes / 60)} h ${String(Math.round(minutes % 60)).padStart(2, '0')} min`
const dated = new Intl.DateTimeFormat('en-GB', {
  dateStyle: 'long',
  timeStyle: 'short',
  timeZone: 'UTC',
})

export interface PlannedJob {
  job: Job
  vehicle: Vehicle
  state: JobState
  installation: Installation
  plan: PlanAnswer
}

/** A box to tick with a pen, a dash where a step was left out. */
const box = (act: string | undefined): Column => ({
  canvas: [
    { type: 'rect', x: 0, y: 2, w: 10, h: 10, lineWidth: 0.8 },
    ...(act === 'done'
      ? ([
          { type: 'line', x1: 2, y1: 7, x2: 4.5, y2: 10, lineWidth: 1.4 },
          { type: 'line', x1: 4.5, y1: 10, x2: 9, y2: 3, lineWidth: 1.4 },
        ] as const)
      : act === 'skipped'
        ? ([{ type: 'line', x1: 2, y1: 7, x2: 8, y2: 7, lineWidth: 1.4 }] as const)
        : []),
  ],
  width: 18,
})

/** The plan as a sheet to work from: what is laid out first, then every step by place with its tools and cautions. */
export function planSheet(
  { job, vehicle, state, installation, plan }: PlannedJob,
  units: UnitSystem,
  printed: Date,
): TDocumentDefinitions {
  const format = formatOf(units)
  const told = new Map(state.stepsTold.map(({ payload }) => [payload.step, payload]))
  const chosen = state.workPlan!.payload
  const names = chosen.packages.map(({ id }) => PACKAGES.get(id)?.title ?? id).join(', ')
  const tool = ({ name, size }: { name: string; size?: string }) => (size ? `${name}, ${size}` : name)
  const body: Content[] = []
  let place = ''
  plan.steps.forEach((step, i) => {
    const where = PLACE_WORDS[step.place]
    if (where !== place) body.push({ text: where, style: 'place', headlineLevel: 1 })
    place = where
    const done = told.get(step.id)
    const brought = step.recalls.map((name) => {
      const was = recalled(state, installation, name as RecordName, format)
      const label = RECORD_WORDS[name as RecordName] ?? name
      return was === null ? `${label}: not written down` : `you wrote, ${label}: ${was}`
    })
    body.push({
      unbreakable: true,
      columns: [
        box(done?.act),
        {
          width: '*',
          stack: [
            {
              columns: [
                { text: `${i + 1}. ${step.title}`, bold: true, width: '*' },
                {
                  text: `${Math.round(step.minutes[1])} min${step.people > 1 ? `, ${step.people} people` : ''}`,
                  alignment: 'right',
                  width: 110,
                },
              ],
            },
            step.does,
            { text: step.why, italics: true },
            ...step.cautions.map((code) => ({ text: `Caution: ${cautionWords(code)}`, bold: true })),
            ...(step.tools.length > 0 ? [`Tools: ${step.tools.map(tool).join('; ')}.`] : []),
            ...(step.torque ? [`Tightened ${step.torque}.`] : []),
            ...(step.records.length > 0
              ? [
                  `Write down: ${step.records.map((name) => RECORD_WORDS[name as RecordName] ?? name).join('; ')}.`,
                ]
              : []),
            ...(brought.length > 0 ? [`Bring back: ${brought.join('; ')}.`] : []),
            ...(done?.reason ? [`Left out: ${done.reason}`] : []),
          ],
        },
      ],
      margin: [0, 3, 0, 3],
    })
  })
  const list = (label: string, items: readonly string[]): Content[] =>
    items.length > 0
      ? [{ text: [{ text: `${label}: `, bold: true }, `${items.join('; ')}.`], margin: [0, 2, 0, 0] }]
      : []
  return {
    info: { title: `Job sheet: ${vehicle.name}`, creator: 'Mellow Anchor' },
    content: [
      { text: vehicle.name, style: 'head' },
      {
        text: [
          vehicle.plate ? `Plate ${vehicle.plate}. ` : 'No plate entered. ',
          `${job.title}. `,
          `${names}, ${chosen.people === 1 ? 'alone' : 'with a helper'}.`,
        ],
      },
      {
        text: `${hours(plan.minutes.p10)} to ${hours(plan.minutes.p90)}, most likely ${hours(plan.minutes.p50)}; minutes are judgement. The maker’s data, local codes and licensed practice come before this sheet.`,
        margin: [0, 2, 0, 6],
      },
      { text: 'Laid out first', style: 'place' },
      ...list('Tools', plan.tools.map(tool)),
      ...list('Parts', plan.parts),
      ...list('Used up', plan.consumables),
      ...list('Likely to break', plan.casualties),
      ...plan.waits.map(({ before, minutes, why }): Content => ({
        text: `Waits ${hours(minutes)} before “${plan.steps.find(({ id }) => id === before)?.title ?? before}”: ${why}.`,
        margin: [0, 2, 0, 0],
      })),
      ...body,
    ],
    ...framed(`Mellow Anchor, printed ${dated.format(printed)} UTC`),
    styles: {
      head: { fontSize: 18, bold: true },
      place: { fontSize: 12.5, bold: true, margin: [0, 9, 0, 2] },
    },
  }
}
