import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { chromium, type Page } from '@playwright/test'
import type { BenchJob, Page as List, Person } from '../contract'
import { CHROMIUM, ensureChromium } from './chromium'
import { root, say } from './packages.mjs'

/**
 * `npm run screenshots [-- folder [name …]]`: one picture of each main view from the running demo, 1280 by 800.
 * Set MELLOW_ADDRESS where the demo is not at its usual place.
 */
const address = process.env.MELLOW_ADDRESS ?? 'http://127.0.0.1:4180'
const [folder = join(root, 'docs', 'screenshots'), ...only] = process.argv.slice(2)
mkdirSync(folder, { recursive: true })

const get = async <T>(path: string) => (await (await fetch(`${address}/api${path}`)).json()) as T
const { items: jobs } = await get<List<BenchJob>>('/jobs')
const { items: people } = await get<List<Person>>('/people')
const jobOf = (vehicle: string) => jobs.find((job) => job.vehicleName.startsWith(vehicle))!

const views: [name: string, path: string, look: 'paper' | 'lamp'][] = [
  ['bench', '/', 'paper'],
  ['find', `/jobs/${jobOf('Hill-farm').id}/find?at=road`, 'paper'],
  ['find-lamp', `/jobs/${jobOf('Mail van').id}/find`, 'lamp'],
  ['decision', `/jobs/${jobOf('Island taxi').id}/decision`, 'paper'],
  ['sizing', `/jobs/${jobOf('Ferry porter').id}/choose/cylinders`, 'paper'],
  ['joint', `/jobs/${jobOf('Launch').id}/choose/joints`, 'paper'],
  ['shelf', '/shelf', 'paper'],
  ['shop', '/shop', 'paper'],
  ['plan', `/jobs/${jobOf('Smokehouse').id}/fit/plan`, 'paper'],
  ['step', `/jobs/${jobOf('Smokehouse').id}/fit/step`, 'lamp'],
  ['bleed-ranking', `/jobs/${jobOf('Ferry shuttle').id}/bleed/methods`, 'paper'],
  ['bleed-inside', `/jobs/${jobOf('Ferry shuttle').id}/bleed/inside`, 'lamp'],
  ['coach', `/jobs/${jobOf('Quarry').id}/bleed/coach`, 'lamp'],
  ['prove', `/jobs/${jobOf('School').id}/prove`, 'paper'],
  ['record', `/jobs/${jobOf('School').id}/record`, 'paper'],
  ['vehicle', `/vehicles/${jobOf('Mail van').vehicleId}/parts`, 'paper'],
  ['route', `/jobs/${jobOf('Mail van').id}/circuit/route`, 'paper'],
  ['curves', `/jobs/${jobOf('School').id}/circuit/curves`, 'paper'],
  ['what-if', `/jobs/${jobOf('School').id}/circuit/whatif`, 'paper'],
]

async function shoot(page: Page, name: string, path: string): Promise<void> {
  await page.goto(address + path)
  await page.getByRole('heading', { level: 1 }).waitFor()
  await page.waitForLoadState('networkidle')
  await page.evaluate(() => document.fonts.ready)
  if (name.startsWith('find')) await page.locator('[data-lead]').waitFor()
  if (/\/circuit\/|\/vehicles\/\w{26}\//.test(path)) await page.locator('.sheet-here').waitFor()
  if (name === 'sizing') await page.locator('[data-sized]').waitFor()
  if (name === 'joint') await page.locator('[data-chains]').waitFor()
  if (name === 'bench')
    await page.waitForFunction(() => !document.body.innerText.includes('Continue Find'))
  if (name === 'decision') await page.locator('[data-question]').first().waitFor()
  if (name === 'plan' || name === 'step') await page.locator('[data-next-step]').waitFor()
  if (name === 'bleed-ranking') {
    await page.locator('[data-change]').first().waitFor({ timeout: 60_000 })
    await page.waitForFunction(() => !document.querySelector('main progress'), null, {
      timeout: 60_000,
    })
  }
  if (name === 'bleed-inside') {
    const pumped = 'Pump, hold, open, close'
    await page.locator('[data-inside] option', { hasText: pumped }).waitFor({ state: 'attached' })
    await page.waitForFunction(
      () => !!document.querySelector('[data-inside] select option:nth-child(5)'),
    )
    await page.locator('[data-inside] select').selectOption({ label: pumped })
    await page.locator('[data-caption]', { hasText: `${pumped}, cycle 1` }).waitFor({ timeout: 60_000 })
    const trace = (await page.locator('[data-inside] canvas').nth(1).boundingBox())!
    await page.mouse.click(trace.x + trace.width / 2, trace.y + 0.287 * trace.height)
  }
  if (name === 'coach') await midCycle(page, path)
  if (name === 'shelf') await page.locator('[data-basket-aside]').waitFor()
  await page.screenshot({ path: join(folder, `${name}.png`) })
  say(`${name}.png`)
}

/** At the screw in the third cycle, with somebody at the pedal on a page of their own. */
async function midCycle(page: Page, path: string): Promise<void> {
  await page.getByRole('button', { name: 'Start calling' }).click()
  const context = await page.context().browser()!.newContext()
  await context.addInitScript((who) => localStorage.setItem('mellow-person', who), people[1]!.id)
  const other = await context.newPage()
  await other.goto(address + path)
  await other.getByRole('button', { name: 'Join at the pedal' }).click()
  const coach = page.locator('[data-coach]')
  for (let n = 0; n < 12; n++) {
    await page.locator(`[data-coach][data-n="${n}"]`).waitFor()
    await other.locator(`[data-coach][data-n="${n}"]`).waitFor()
    const at = (await coach.getAttribute('data-role')) === 'pedal' ? other : page
    await at.locator('[data-answer]').click()
  }
  await page.locator('[data-coach][data-n="12"]').waitFor()
  await page.getByRole('button', { name: 'Few', exact: true }).click()
  await page.locator('[data-left]').waitFor({ timeout: 60_000 })
  await context.close()
}

await ensureChromium()
const browser = await chromium.launch(CHROMIUM)
for (const [name, path, look] of views) {
  if (only.length > 0 && !only.includes(name)) continue
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  await context.addInitScript(
    ([who, chosen]) => {
      localStorage.setItem('mellow-person', who!)
      localStorage.setItem('mellow-look', chosen!)
    },
    [people[0]!.id, look],
  )
  const page = await context.newPage()
  page.on('pageerror', (error) => say(`${name}: ${error.message}`))
  page.on('console', (message) => message.type() === 'error' && say(`${name}: ${message.text()}`))
  await shoot(page, name, path)
  await context.close()
}
await browser.close()
