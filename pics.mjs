import { chromium } from 'playwright'
import { existsSync } from 'node:fs'
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const [w, h] = (process.env.SIZE ?? '1280x800').split('x').map(Number)
const context = await browser.newContext({ viewport: { width: w, height: h }, serviceWorkers: 'block', colorScheme: process.env.LAMP ? 'dark' : 'light' })
const page = await context.newPage()
page.on('pageerror', (e) => console.log('PAGEERROR', e.message))
page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text().slice(0, 300)))
const jobs = await (await fetch('http://127.0.0.1:4180/api/jobs')).json()
const people = await (await fetch('http://127.0.0.1:4180/api/people')).json()
const id = (name) => jobs.items.find((j) => j.vehicleName.includes(name)).id
await page.addInitScript((p) => localStorage.setItem('mellow-person', p), people.items[0].id)
for (const one of process.argv.slice(2)) {
  const [vehicle, path, file, wait] = one.split('|')
  await page.goto(`http://127.0.0.1:4180/jobs/${id(vehicle)}/${path}`)
  await page.waitForTimeout(Number(wait ?? 2500))
  await page.screenshot({ path: `/tmp/pic-${file}.png` })
}
await browser.close()
