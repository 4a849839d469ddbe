import type { Locator, Page } from '@playwright/test'
import { monotonicFactory } from 'ulid'
import type { Page as List, Person } from '../../contract'
import type { CoachPlan } from '../../core/coach'
import type { BleedSetup, Kind, Payloads } from '../../core/journal'
import { expect, get, url } from './app'

const ulid = monotonicFactory()

/** Filed by somebody else, who is at none of these devices. */
export async function fileElsewhere<K extends Kind>(
  jobId: string,
  kind: K,
  payload: Payloads[K],
): Promise<void> {
  const [person] = (await get<List<Person>>('/people')).items
  const answer = await fetch(url(`/api/jobs/${jobId}/entries`), {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      id: ulid(),
      subject: { type: 'job', id: jobId },
      ...{ kind, payload, at: new Date().toISOString(), by: person!.id },
    }),
  })
  expect(answer.status).toBe(201)
}
/** With whom, with what and by what it is bled, as if it had been chosen under Methods. */
export const tellSetup = (jobId: string, payload: BleedSetup): Promise<void> =>
  fileElsewhere(jobId, 'bleedSetup', payload)

/** What of a call lies over what comes after it: the place, the word, what is asked, the answer, what is below. */
export const outOfPlace = (page: Page): Promise<string[]> =>
  page.locator('[data-coach]').evaluate((coach) => {
    const lines = ['[data-at]', '[data-word]', '[data-ask]', '[data-answer-bar]', '.call + *']
      .map((name) => ({ name, box: coach.querySelector(name)?.getBoundingClientRect() }))
      .filter(({ box }) => box !== undefined && box.height > 0)
    return lines.flatMap(({ name, box }, i) => {
      const next = lines[i + 1]
      return next && box!.bottom > next.box!.top + 0.5 ? [`${name} over ${next.name}`] : []
    })
  })

/** Two pages on one coached bleed. `seats`: which of them has which place. */
export function coachOf(lead: Page, other: Page, seats: () => Record<string, Page>) {
  const at = (page: Page) => page.locator('[data-coach]')
  /** Both show the same state. */
  const same = async () => {
    await expect
      .poll(
        async () => {
          const [a, b] = await Promise.all([
            at(lead).getAttribute('data-n'),
            at(other).getAttribute('data-n'),
          ])
          return a === b
        },
        { timeout: 30_000 },
      )
      .toBe(true)
  }
  const where = () =>
    at(lead).evaluate((one: HTMLElement) => {
      const { state, call, role } = one.dataset
      return { state, call, role }
    })
  /** A touch that both show afterwards. */
  const touch = async (on: Locator) => {
    const n = Number(await at(lead).getAttribute('data-n'))
    await on.click()
    for (const page of [lead, other])
      await expect(at(page)).toHaveAttribute('data-n', String(n + 1), { timeout: 20_000 })
  }
  return {
    same,
    where,
    touch,
    /** What stands on the screen is answered by whoever’s turn it is. */
    answer: async () => {
      const { state, role } = await where()
      const n = Number(await at(lead).getAttribute('data-n'))
      if (state === 'asks') {
        const field = lead.getByRole('textbox', { name: /^Free travel/ })
        await field.fill('40')
        await field.press('Enter')
      } else await seats()[role ?? 'bleeder']!.locator('[data-answer]').click()
      for (const page of [lead, other])
        await expect(at(page)).toHaveAttribute('data-n', String(n + 1), { timeout: 20_000 })
    },
  }
}

/** The plan of the run as this page keeps it. */
export const planOf = (page: Page): Promise<CoachPlan> =>
  page.evaluate(() => {
    const key = Object.keys(sessionStorage).find((one) => one.startsWith('mellow-coach-'))!
    const kept = JSON.parse(sessionStorage.getItem(key)!) as { told: { state: { plan: CoachPlan } } }
    return kept.told.state.plan
  })
