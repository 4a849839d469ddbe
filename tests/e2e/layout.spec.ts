import type { Page } from '@playwright/test'
import { beSomebody, demoJob, expect, test, url } from './app'

/** Every main view, with what it is ready by. */
async function views(): Promise<[name: string, path: string, ready: string][]> {
  const van = await demoJob('Mail van')
  const school = await demoJob('School')
  const launch = await demoJob('Launch')
  const porter = await demoJob('Ferry porter')
  const pickup = await demoJob('Lighthouse')
  const van71 = await demoJob('Smokehouse')
  const job = (path: string) => `/jobs/${van.id}/${path}`
  return [
    ['bench', '/', '[data-move]'],
    ['vehicles', '/vehicles', 'li a'],
    ['shop', '/shop', '#prices'],
    ['new vehicle', '/vehicles/new', 'form'],
    ['new job', '/jobs/new', 'form'],
    ['vehicle', `/vehicles/${van.vehicleId}/parts`, '.sheet-here'],
    ['find', job('find'), '[data-advice]'],
    ['measured', job('find?at=measured'), '[data-expected]'],
    ['noise', job('find?at=noise'), '[aria-label="Noise at the rod"]'],
    ['decision', job('decision'), '[data-option]'],
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
    ['bleed', job('bleed'), '[data-figure="since"]'],
    ['methods', job('bleed/methods'), '[data-way-detail]'],
    ['inside', job('bleed/inside'), '[data-air="line"]'],
    ['prove', `/jobs/${school.id}/prove`, '[data-figure="verdict"]'],
    ['record', job('record'), 'main form'],
    ...['parts', 'route', 'curves', 'whatif', 'wear', 'guess', 'keep'].map(
      (sheet): [string, string, string] => [sheet, job(`circuit/${sheet}`), '.sheet-here'],
    ),
    ['print', `/jobs/${school.id}/print`, 'article'],
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

for (const [width, height] of [
  [1024, 768],
  [390, 844],
] as const)
  test(`every main view at ${width} × ${height}: nothing sideways, every control a hand’s size, the work in sight`, async ({
    page,
  }) => {
    await page.setViewportSize({ width, height })
    await beSomebody(page)
    for (const [name, path, ready] of await views())
      await test.step(name, async () => {
        await page.goto(url(path))
        await expect(page.locator(ready).first()).toBeVisible()
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
      })
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
