import type { BrowserContext, Page } from '@playwright/test'
import type { Person, Page as List } from '../../contract'
import { balance, type Balancer } from '../harness/balancer'
import { runningSuite, secondServer } from '../harness/running'
import { WHOLE } from '../whole'
import { entriesOf, expect, get, say, test, SUITE } from './app'
import { open } from './trial'

const BROWSERS = 3
const EACH = 12
/** ms within which all show the same after the last connection is back; held on a machine that does nothing else. */
const TOGETHER = WHOLE ? 2000 : 20_000

/** Notes as the open journal of a page shows them, the oldest first. */
const shown = async (page: Page): Promise<string[]> =>
  (await page.getByRole('list', { name: 'Entries, newest first' }).locator('li').allInnerTexts())
    .map((text) => text.split('\n')[0]!)
    .filter((words) => words.startsWith('b'))
    .reverse()

test('three browsers on one job, two servers, connections cut: all show the same, nothing is missing or twice', async ({
  browser,
}) => {
  test.setTimeout(180_000)
  const { id } = await open('small-car', ['soft'])
  const people = (await get<List<Person>>('/people')).items
  const first = runningSuite(SUITE)
  let second = await secondServer(SUITE)
  const ways: Balancer[] = []
  const contexts: BrowserContext[] = []
  const pages: Page[] = []
  try {
    for (let n = 0; n < BROWSERS; n++) {
      ways.push(await balance(n % 2 ? [second.port, first.port] : [first.port, second.port]))
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
      await context.addInitScript(
        (who) => localStorage.setItem('mellow-person', who),
        people[n % people.length]!.id,
      )
      contexts.push(context)
      const page = await context.newPage()
      await page.goto(`${ways[n]!.address}/jobs/${id}/find`)
      await expect(page.locator('[data-lead]')).toBeVisible()
      pages.push(page)
    }

    await test.step('each sees who else is here, and calls across the workshop', async () => {
      await pages[0]!.getByRole('button', { name: 'Also on this job: 2 others here' }).click()
      await pages[0]!.getByRole('button', { name: 'Call for a hand' }).click()
      for (const page of pages.slice(1))
        await expect(page.getByRole('alert')).toContainText(`${people[0]!.name}: Come and help`)
      await pages[1]!.getByRole('button', { name: 'Coming' }).click()
      await expect(pages[0]!.getByRole('alert')).toContainText(`${people[1]!.name}: Coming`)
      await expect(pages[2]!.getByRole('alert')).toContainText(`${people[1]!.name}: Coming`)
      for (const page of [pages[0]!, pages[2]!])
        await page.locator('[data-call]').getByRole('button', { name: 'Close' }).click()
      expect((await entriesOf(id)).map(({ kind }) => kind)).toEqual(['goal', 'complaint'])
    })

    await test.step('each files while the others do, and their connections come and go', async () => {
      let filing = true
      // Cut for a moment, one after the other; and one of the two servers killed and started again.
      const cutting = (async () => {
        for (let n = 0; filing; n++) {
          const way = ways[n % BROWSERS]!
          way.cut()
          await new Promise((resolve) => setTimeout(resolve, 300 + 500 * (n % 3)))
          way.mend()
          if (n === 1) {
            const { port } = second
            await second.kill()
            second = await secondServer(SUITE, port)
          }
        }
      })()
      await Promise.all(
        pages.map(async (page, n) => {
          for (let i = 1; i <= EACH; i++) await say(page, `note b${n} ${i}`)
        }),
      )
      filing = false
      await cutting
    })

    await test.step('once the last connection is back all show the same', async () => {
      for (const way of ways) way.cut()
      for (const page of pages) await page.getByRole('button', { name: 'Journal' }).click()
      for (const way of ways) way.mend()
      const lists = () => Promise.all(pages.map(shown))
      const wanted = BROWSERS * EACH
      await expect
        .poll(async () => (await lists()).map((list) => list.length), {
          timeout: TOGETHER,
          intervals: [50],
        })
        .toEqual(pages.map(() => wanted))
      const [one, ...others] = await lists()
      for (const other of others) expect(other).toEqual(one)
      expect(new Set(one).size).toBe(wanted)
      // And that is what the server has, each browser's own in the order in which they were made.
      const stored = (await entriesOf(id))
        .filter(({ kind }) => kind === 'note')
        .map(({ payload }) => (payload as { words: string }).words)
      expect(stored).toEqual(one)
      for (let n = 0; n < BROWSERS; n++)
        expect(one!.filter((words) => words.startsWith(`b${n} `))).toEqual(
          Array.from({ length: EACH }, (_, i) => `b${n} ${i + 1}`),
        )
    })
  } finally {
    for (const context of contexts) await context.close()
    for (const way of ways) await way.close()
    await second.stop()
  }
})
