import { resolve } from 'node:path'
import { createInterface } from 'node:readline/promises'
import { BackupRefused } from '../server/backup/format'
import { peekBackup } from '../server/backup/peek'
import { restoreBackup } from '../server/backup/restore'
import { writeBackup } from '../server/backup/write'
import { fileTrouble } from './backup-words'
import { Plain } from './debian'
import { end } from './ending.mjs'
import { say } from './packages.mjs'
import { copyBeside, heldIn, migrated, shopAsked, withShop } from './shop-place'

/**
 * `npm run backup -- <file>` and `npm run restore -- <file> [--yes]`: the whole shop, of the database that the environment names,
 * else of the start command’s own at MELLOW_PORT or in MELLOW_DATA. Each says which shop it is and what it holds before anything
 * is written. A server that runs goes on.
 */
const [way, ...rest] = process.argv.slice(2)
const given = rest.find((one) => !one.startsWith('--'))
const strange = rest.find((one) => one.startsWith('--') && one !== '--yes')
const yes = rest.includes('--yes')

const table = (rows: Record<string, number>): string =>
  Object.entries(rows)
    .filter(([, count]) => count > 0)
    .map(([name, count]) => `${count} ${name}`)
    .join(', ') || 'nothing'
const some = (count: number, one: string, more: string) => `${count} ${count === 1 ? one : more}`
const held = ({ jobs = 0, entries = 0, parts = 0 }: Record<string, number>): string =>
  `${some(jobs, 'job', 'jobs')}, ${some(entries, 'entry', 'entries')} and ${some(parts, 'part', 'parts')}`

async function backup(file: string): Promise<void> {
  const shop = shopAsked()
  if (!shop.there)
    throw new Plain(
      `There is no shop to back up: ${shop.words} has no database. Name another with MELLOW_PORT or MELLOW_DATA.`,
    )
  await withShop(shop, async (settings) => {
    const here = await heldIn(settings)
    if (!here) throw new Plain(`There is no shop to back up: ${shop.words} has none of its tables yet.`)
    say(`Backing up ${shop.words}: ${held(here)}.`)
    const { rows, bytes, sha256 } = await writeBackup(settings, file)
    say(`${file}: ${table(rows)}; ${(bytes / 1e6).toFixed(1)} MB, checksum ${sha256.slice(0, 12)}…`)
  })
}

async function restore(file: string): Promise<void> {
  const shop = shopAsked()
  const found = await peekBackup(file)
  say(`${file} holds ${held(found.rows)}, backed up ${found.at.slice(0, 16).replace('T', ' ')} UTC.`)
  if (!shop.there) say(`There is no shop yet: ${shop.words} is begun with it.`)
  await withShop(shop, async (settings) => {
    const here = shop.there ? await heldIn(settings) : null
    const copied = here !== null && Object.values(here).some((count) => count > 0)
    if (copied) await consent(shop.words, here)
    await migrated(settings)
    const copy = copied ? copyBeside(shop) : undefined
    const rows = await restoreBackup(settings, file, copy)
    if (copy !== undefined) say(`What was there is kept in ${copy}`)
    say(
      `Put back into ${shop.words}: ${table(rows)}. Pages that are open say so, and show it once they are opened again.`,
    )
  })
}

/** Nobody’s shop is taken from under him: it is asked for at the terminal, or said beforehand. */
async function consent(words: string, here: Record<string, number>): Promise<void> {
  say(`All that ${words} holds now is taken out: ${held(here)}. A copy of it is written first.`)
  if (yes) return
  const nothing = 'Nothing was changed.'
  if (!process.stdin.isTTY)
    throw new Plain(`${nothing} Where that is meant, say so: npm run restore -- ${given} --yes`)
  const asking = createInterface({ input: process.stdin, output: process.stderr })
  const answer = await asking.question('Type yes to put the backup in its place: ')
  asking.close()
  if (answer.trim().toLowerCase() !== 'yes') throw new Plain(nothing)
}

try {
  if (!given || strange || (way !== 'backup' && way !== 'restore'))
    throw new Plain(
      `${strange ? `${strange} is not known here. ` : ''}Name a file: npm run backup -- shop.backup, npm run restore -- shop.backup`,
    )
  const file = resolve(given)
  await (way === 'backup' ? backup : restore)(file).catch((error: unknown) => {
    throw fileTrouble(error, way, file) ?? error
  })
  await end(0)
} catch (error) {
  if (!(error instanceof Plain) && !(error instanceof BackupRefused)) throw error
  say(error.message)
  await end(1)
}
