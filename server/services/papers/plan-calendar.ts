import ical from 'ical-generator'
import { PLACE_WORDS } from '../../../core/words'
import type { PlannedJob } from '../../printing/plan-sheet'

/** Minutes as ms. */
const MINUTE = 60_000

/**
 * What is still to be done, one event for each stretch at a place, from a given moment on by likely minutes; a wait moves what
 * comes after it.
 */
export function planCalendar({ job, vehicle, state, plan }: PlannedJob, start: Date): string {
  const calendar = ical({
    name: `${vehicle.name}: ${job.title}`,
    prodId: { company: 'Mellow Anchor', product: 'plan' },
  })
  const told = new Set(state.stepsTold.map(({ payload }) => payload.step))
  const waits = new Map(plan.waits.map((wait) => [wait.before, wait.minutes]))
  let at = start.getTime()
  let stretch: { place: string; from: number; steps: string[] } | null = null
  const close = () => {
    if (!stretch) return
    calendar.createEvent({
      // The same stretch keeps its event when it is asked for again.
      id: `${job.id}-${stretch.steps[0]!}@mellow-anchor`,
      start: new Date(stretch.from),
      end: new Date(at),
      summary: `${vehicle.name}: ${stretch.place.toLowerCase()}`,
      description: stretch.steps
        .map((id) => plan.steps.find((step) => step.id === id)!.title)
        .join('\n'),
    })
    stretch = null
  }
  for (const step of plan.steps) {
    if (told.has(step.id)) continue
    const place = PLACE_WORDS[step.place]
    const wait = waits.get(step.id) ?? 0
    if (stretch && (stretch.place !== place || wait > 0)) close()
    at += wait * MINUTE
    stretch ??= { place, from: at, steps: [] }
    stretch.steps.push(step.id)
    at += step.minutes[1] * MINUTE
  }
  close()
  return calendar.toString()
}
