import type { Page } from '@playwright/test'
import { beSomebody, demoJob, expect, test, url } from './app'
import { COLOURS, wrongOn } from './axe'

type View = [name: string, path: string, ready: string]
/** Every main view, with what it is ready by. */
async function views(): Promise<View[]> {
  const van = await demoJob('Mail van')
  const school = await demoJob('School')
  const launch = await demoJob('Launch')
  const porter = await demoJob('Ferry porter')
  const pickup = await demoJob('Lighthouse')
  const van71 = await demoJob('Smokehouse')
  const tipper = await demoJob('Quarry')
  const taxi = await demoJob('Island taxi')
  const job = (path: string) => `/jobs/${van.id}/${path}`
  return [
    ['bench', '/', '[data-move]'],
    ['who works here', '/?who', 'h1'],
    ['vehicles', '/vehicles', 'li a'],
    ['shop', '/shop', '#prices'],
    ['what the shop learns', '/learns', '[data-learnt]'],
    ['due', '/due', '[data-due]'],
    ['search', '/search?search=soft', '[data-found]'],
    ['history', `/vehicles/${pickup.vehicleId}/history`, '[data-history] svg'],
    ['new vehicle', '/vehicles/new', 'form'],
    ['new job', `/jobs/new?vehicle=${van.vehicleId}`, 'form'],
    ['jobs of a vehicle', `/vehicles/${van.vehicleId}/jobs`, 'main a'],
    ['vehicle', `/vehicles/${van.vehicleId}/parts`, '.sheet-here'],
    ['find', job('find'), '[data-advice]'],
    ['measured', job('find?at=measured'), '[data-expected]'],
    ['noise', job('find?at=noise'), '[aria-label="Noise at the rod"]'],
    ['decision', `/jobs/${taxi.id}/decision`, '[data-option]'],
    ['cylinders', job('choose/cylinders'), '[data-sized]'],
    ['joints', `/jobs/${launch.id}/choose/joints`, '[data-chains]'],
    ['pipe', `/jobs/${porter.id}/choose/pipe`, '[data-bends]'],
    ['line', job('choose/line'), '[data-line-check]'],
    ['slave', job('choose/slave'), '[data-slave-card]'],
    ['fluid', job('choose/fluid'), '[data-containers] li'],
    ['old and new', `/jobs/${pickup.id}/choose/compare`, '[data-row="bleedScrew"]'],
    ['to order', `/jobs/${pickup.id}/choose/order`, '[data-need="slave"] select'],
    ['shelf', '/shelf', '[data-scroller] tbody button'],
    ['basket', '/shelf/basket', '[data-draft]'],
    ['orders', '/shelf/orders', '[data-order]'],
    ['read a list in', '/shelf/import', '[data-import]'],
    ['fit', job('fit'), '[data-found="clips"]'],
    ['plan', `/jobs/${pickup.id}/fit/plan`, '[data-plan-choice]'],
    ['plan under way', `/jobs/${van71.id}/fit/plan`, '[data-time-bar]'],
    ['step', `/jobs/${van71.id}/fit/step`, '[data-next-step]'],
    ['rebuild bench', `/jobs/${van71.id}/fit/bench`, '[data-back] li'],
    ['adjust', `/jobs/${van71.id}/fit/adjust`, '[data-adjust]'],
    ['on and off', `/jobs/${van71.id}/fit/ledger`, '[data-off]'],
    ['bleed', `/jobs/${tipper.id}/bleed`, '[data-figure="since"]'],
    ['methods', `/jobs/${tipper.id}/bleed/methods`, '[data-way-detail]'],
    ['inside', `/jobs/${tipper.id}/bleed/inside`, '[data-air="line"]'],
    ['coach', job('bleed/coach'), '[data-plan-fluid]'],
    ['prove', `/jobs/${school.id}/prove`, '[data-figure="verdict"]'],
    ['record', job('record'), 'main form'],
    ...['parts', 'route', 'curves', 'whatif', 'wear', 'guess', 'keep'].map((sheet): View => [
      sheet,
      job(`circuit/${sheet}`),
      '.sheet-here',
    ]),
    ...['print', 'customer', 'verdict'].map((paper): View => [
      paper,
      `/jobs/${school.id}/${paper}`,
      'article',
    ]),
  ]
}

/** Controls smaller than a gloved hand hits, and text too small to read, in what is drawn; links within a sentence are text. */
const tooSmall = (page: Page) =>
  page.evaluate(() => {
    const found: string[] = []
    const seen = (element: Element) => {
      const { width, height } = element.getBoundingClientRect()
      return width > 1 && height > 1 && element.closest('.sr-only, [aria-hidden="true"]') === null
    }
    const controls =
      'button, select, textarea, summary, a.tap, a.act, a.quiet, input:not([type="radio"]):not([type="checkbox"])'
    for (const element of document.querySelectorAll<HTMLElement>(controls)) {
      if (!seen(element)) continue
      const { height } = element.getBoundingClientRect()
      if (height < 43.5)
        found.push(`${(element.ariaLabel ?? element.innerText).slice(0, 30)}: ${height.toFixed(0)} px`)
    }
    for (const element of document.querySelectorAll('main *, header *, nav *, aside *, svg text')) {
      const own = [...element.childNodes].some(
        (node) => node.nodeType === 3 && node.textContent!.trim(),
      )
      if (!own || !seen(element)) continue
      const size = parseFloat(getComputedStyle(element).fontSize)
      if (size < 15) found.push(`${element.textContent!.trim().slice(0, 30)}: ${size} px of text`)
    }
    return [...new Set(found)]
  })

const SIZES = [
  [1024, 768],
  [390, 844],
] as const

/** One view as it stands at one size. */
async function fits(page: Page, name: string, height: number): Promise<void> {
  const over = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  )
  expect.soft(over, `${name} sideways`).toBeLessThanOrEqual(0)
  expect.soft(await tooSmall(page), name).toEqual([])
  const line = page.getByRole('textbox', { name: 'Say what was seen, felt or measured' })
  if ((await line.count()) === 0) return
  const box = (await line.boundingBox())!
  expect.soft(box.y + box.height, `${name}: say-line`).toBeLessThanOrEqual(height)
  // The topmost, wherever it stands in the page's text.
  const first = await page.locator('main').evaluate((main) => {
    const controls = [...main.querySelectorAll('button, select, input:not(.sr-only), a')]
    const feet = controls
      .map((one) => one.getBoundingClientRect())
      .filter(({ height: own }) => own > 0)
      .map(({ bottom }) => bottom)
    return feet.length > 0 ? Math.min(...feet) : null
  })
  const foot = await page.locator('form').filter({ has: line }).boundingBox()
  if (first !== null) expect.soft(first, `${name}: first control`).toBeLessThanOrEqual(foot!.y)
}

test('every main view: nothing that axe finds serious in either look; at 1024 × 768 and 390 × 844 nothing sideways, every control a hand’s size, the work in sight', async ({
  page,
  browser,
}) => {
  // Some fifty views, two at a time, each looked at in both looks and measured at two sizes.
  test.setTimeout(300_000)
  const waiting = await views()
  const other = await (await browser.newContext()).newPage()
  await Promise.all(
    [page, other].map(async (own) => {
      await beSomebody(own)
      for (let view = waiting.shift(); view; view = waiting.shift()) await inspect(own, view)
    }),
  )
  await other.context().close()
})

/** Within the application, as a link does: that each page opens by its address is the work of `away.spec.ts`. */
async function goWithin(page: Page, path: string): Promise<void> {
  if (page.url() === 'about:blank') return void (await page.goto(url(path)))
  await page.evaluate(async (to) => {
    interface Root extends Element {
      __vue_app__: { $nuxt: { $router: { push: (to: string) => Promise<unknown> } } }
    }
    await document.querySelector<Root>('#__nuxt')!.__vue_app__.$nuxt.$router.push(to)
  }, path)
  await expect(page).toHaveURL(url(path))
}
async function inspect(page: Page, [view, path, ready]: View): Promise<void> {
  await page.setViewportSize({ width: 1280, height: 800 })
  await goWithin(page, path)
  await expect(page.locator(ready).first(), view).toBeVisible()
  expect.soft(await wrongOn(page), view).toEqual([])
  const lamp = page.getByRole('button', { name: 'Lamp', exact: true })
  // What is printed has no lamp.
  if ((await lamp.count()) > 0) {
    await lamp.click()
    expect.soft(await wrongOn(page, COLOURS), `${view} by lamp`).toEqual([])
    await page.getByRole('button', { name: 'Paper', exact: true }).click()
  }
  for (const [width, height] of SIZES) {
    await page.setViewportSize({ width, height })
    await expect(page.locator(ready).first()).toBeVisible()
    await fits(page, `${view} at ${width}`, height)
  }
}

test('what opens on a page is as good: the journal, and Find with all that can be opened', async ({
  page,
}) => {
  await beSomebody(page)
  await page.goto(url(`/jobs/${(await demoJob('School')).id}/prove`))
  await page.getByRole('button', { name: 'Journal' }).click()
  await expect(page.getByRole('heading', { name: 'Journal' })).toBeVisible()
  expect(await wrongOn(page)).toEqual([])

  // A suspect’s reasons, what can be done here, a guide.
  await page.goto(url(`/jobs/${(await demoJob('Island taxi')).id}/find`))
  await page.locator('[data-suspect] button').first().click()
  await page.getByText('Here and now').click()
  await page.getByRole('button', { name: /^Wipe, work, look again/ }).click()
  await expect(page.locator('[data-guide]')).toBeVisible()
  expect(await wrongOn(page)).toEqual([])
})

test('the skip link leads to the work, and the focus is never lost', async ({ page }) => {
  await beSomebody(page)
  const { id } = await demoJob('Quarry')
  await page.goto(url(`/jobs/${id}/bleed`))
  await expect(page.locator('[data-figure="since"]')).toBeVisible()
  await page.keyboard.press('Tab')
  await expect(page.getByRole('link', { name: 'Skip to the work' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.locator('main')).toBeFocused()
  // A row that is taken back goes with its button: the focus goes on in its list.
  const back = page.getByRole('button', { name: /^Take back/ })
  const before = await back.count()
  await back.first().click()
  await expect(back).toHaveCount(before - 1)
  expect(await page.evaluate(() => document.activeElement!.closest('ol, section, main') !== null)).toBe(
    true,
  )
  // Another page takes it into its own work.
  await page.keyboard.press('5')
  await expect(page).toHaveURL(/prove$/)
  await expect(page.locator('[data-figure="verdict"]')).toBeVisible()
  expect(await page.evaluate(() => document.activeElement !== document.body)).toBe(true)
})
