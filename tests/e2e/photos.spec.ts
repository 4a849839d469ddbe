import sharp from 'sharp'
import type { ModelPhoto } from '../../contract'
import { photograph } from '../arbitrary/photograph'
import { killServer, restartServer } from '../harness/running'
import { allSent, beSomebody, demoJob, entriesOf, expect, get, goTo, SUITE, test, url } from './app'

test('a photograph taken while the server is away arrives later, once, without its place; others of the model see it', async ({
  page,
}) => {
  await beSomebody(page)
  const van = await demoJob('Mail van')
  const buffer = await photograph()
  const choose = { name: 'slave.jpg', mimeType: 'image/jpeg', buffer }
  await page.goto(url(`/jobs/${van.id}/find`))
  await goTo(page, 'Engine bay')
  const topped = page.getByRole('group', { name: 'Topped up since the last service', exact: true })
  await topped.getByRole('button', { name: 'Topped up since the last service', exact: true }).click()
  await topped.getByRole('button', { name: 'yes', exact: true }).click()
  await allSent(page)

  await test.step('on a finding, with the server gone', async () => {
    await killServer(SUITE)
    await topped.getByLabel(/^Photograph:/).setInputFiles(choose)
    await expect(topped.getByText('waiting')).toBeVisible()
    // Seen at once, from this browser.
    const shown = topped.getByRole('img')
    await expect(shown).toHaveAttribute('src', /^blob:/)
    expect(await shown.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(100)
    await restartServer(SUITE)
    await allSent(page)
    await expect(topped.getByText('waiting')).toHaveCount(0)
    const photos = (await entriesOf(van.id)).filter(({ kind }) => kind === 'photo')
    expect(photos).toHaveLength(1)
    const [photo] = photos
    const kept = await fetch(url(`/api/files/${(photo!.payload as { file: string }).file}`))
    const { exif, width, height } = await sharp(Buffer.from(await kept.arrayBuffer())).metadata()
    expect([exif, width, height]).toEqual([undefined, 600, 900])
    await page.reload()
    await expect(topped.getByRole('img')).toHaveAttribute('src', /^\/api\/files\//)
    // Said again, the finding is another entry; the photograph is still of it.
    await topped.getByRole('button', { name: 'no', exact: true }).click()
    await allSent(page)
    expect((await entriesOf(van.id)).filter(({ kind }) => kind === 'finding').at(-1)).toMatchObject({
      payload: { finding: 'toppedUp', state: 'absent' },
    })
    await expect(topped.getByRole('img')).toHaveCount(1)
  })

  await test.step('of a part, with words, for the next job of that model', async () => {
    await page.goto(url(`/jobs/${van.id}/circuit/parts`))
    await page.getByRole('button', { name: 'Slave', exact: true }).click()
    const other = await photograph(400, 300, { r: 1, g: 2, b: 3 })
    await page.getByLabel('Photograph: Slave').setInputFiles({ ...choose, buffer: other })
    const strip = page.getByRole('list', { name: 'Photographs: Slave' })
    await strip.getByRole('button').click()
    await page.getByLabel('What it shows').fill('The bleeder hides behind the heat shield')
    await page.getByRole('button', { name: 'Keep these words' }).click()
    await allSent(page)
    const [found] = await get<ModelPhoto[]>('/models/photos?model=Skerry%20long%20van')
    expect(found).toMatchObject({
      place: 'slave',
      words: 'The bleeder hides behind the heat shield',
      vehicleName: 'Mail van, north round',
    })
    await page.goto(url(`/jobs/${van.id}/find`))
    const seen = page.locator('[data-model-photos]')
    await expect(seen).toContainText('Photographs of this model: 1')
    await seen.getByText('Photographs of this model').click()
    await expect(seen.getByRole('img')).toHaveAttribute('alt', /heat shield, Mail van/)
  })

  await test.step('what is none is refused in words, and what was filed stays', async () => {
    await page.goto(url(`/jobs/${van.id}/circuit/parts`))
    await page.getByRole('button', { name: 'Slave', exact: true }).click()
    const large = { ...choose, buffer: Buffer.alloc(12 * 1024 * 1024 + 1) }
    await page.getByLabel('Photograph: Slave').setInputFiles(large)
    await expect(page.getByText('This photograph has 13 MiB; 12 are the most.')).toBeVisible()
    await page.getByRole('list', { name: 'Photographs: Slave' }).getByRole('button').click()
    await page.getByRole('button', { name: 'Take it back' }).click()
    await expect(page.getByRole('list', { name: 'Photographs: Slave' })).toHaveCount(0)
    await allSent(page)
    expect(await get<ModelPhoto[]>('/models/photos?model=Skerry%20long%20van')).toEqual([])
  })
})
