import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { QueryTypes } from 'sequelize'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { loadDemo } from '../../demo/load'
import { fileTrouble } from '../../scripts/backup-words'
import { freePort, privateMariadb, type PrivateMariadb } from '../../scripts/mariadb'
import { dataFolder } from '../../scripts/shop-folder'
import { peekBackup } from '../../server/backup/peek'
import { openDatabase, type Database } from '../../server/database/database'
import { migrator } from '../../server/database/migrate'
import { addPerson } from '../../server/services/shop/people'
import { addVehicle } from '../../server/services/lists/vehicles'
import { fromArchetype } from '../../core/installation'
import { run } from '../harness/running'
import { anEntry, newId } from './client'

/** The folder of a port is among the checkout’s own data, as it is for whoever types the command. */
const command = (way: string, port: number, ...args: string[]) =>
  run('node', ['scripts/backup.mjs', way, ...args], {
    env: { MELLOW_PORT: String(port), MELLOW_DATA: '', MELLOW_DB_NAME: '' },
  })
/** The same typed at a terminal, where it may ask. */
const atTerminal = (way: string, port: number, input: string, file: string) =>
  run('script', ['-qec', `node scripts/backup.mjs ${way} ${file}`, '/dev/null'], {
    env: { MELLOW_PORT: String(port), MELLOW_DATA: '', MELLOW_DB_NAME: '' },
    input,
  })

describe('npm run backup and npm run restore, of two shops on one machine', () => {
  const folder = mkdtempSync(join(tmpdir(), 'mellow-two-shops-'))
  const file = join(folder, 'one.backup')
  const ports: number[] = []
  const shops: { own: PrivateMariadb; database: Database; folder: string }[] = []
  const placeOf = (port: number) => dataFolder(port, {})

  beforeAll(async () => {
    for (let i = 0; i < 3; i++) ports.push(await freePort())
    for (const port of ports.slice(0, 2)) {
      const place = placeOf(port)
      const own = await privateMariadb({ folder: place, careless: true })
      const database = openDatabase(own.settings)
      await migrator(database).up()
      shops.push({ own, database, folder: place })
    }
    await loadDemo(shops[0]!.database)
    const [by, id] = [newId(), newId()]
    await addPerson(shops[1]!.database, { id: by, name: 'Anne' })
    const subject = { type: 'vehicle', id } as const
    await addVehicle(shops[1]!.database, {
      ...{ id, name: 'The other shop’s van' },
      entries: [anEntry(subject, by, 'installation', fromArchetype('long-line'))],
    })
  }, 120_000)
  afterAll(async () => {
    for (const { database, own } of shops) {
      await database.sequelize.close()
      await own.stop()
    }
    for (const port of ports) rmSync(placeOf(port), { recursive: true, force: true })
    rmSync(folder, { recursive: true })
  })

  /** Every entry with all it says, and who and what it is of. */
  const entriesOf = async ({ sequelize }: Database) => {
    const all = (sql: string) => sequelize.query(sql, { type: QueryTypes.SELECT })
    return {
      entries: await all('SELECT * FROM entries ORDER BY id'),
      people: await all('SELECT * FROM people ORDER BY id'),
      vehicles: await all('SELECT id, name, plate, lastSequence FROM vehicles ORDER BY id'),
      jobs: await all('SELECT id, vehicleId, title, lastSequence FROM jobs ORDER BY id'),
      parts: await all('SELECT id, number, price FROM parts ORDER BY id'),
    }
  }
  const copies = (place: string) => readdirSync(place).filter((name) => name.endsWith('.backup'))

  it('a backup of no shop is refused, and none is begun for it', async () => {
    const { code, stderr } = await command('backup', ports[2]!, file)
    expect(code).toBe(1)
    expect(stderr).toContain(`There is no shop to back up: the shop of port ${ports[2]}, in `)
    expect(stderr).not.toMatch(/^\s+at /m)
    expect(existsSync(placeOf(ports[2]!))).toBe(false)
    expect(existsSync(file)).toBe(false)
  })

  it('a backup is of the port that was asked for, and says folder, port, jobs and entries first', async () => {
    const here = await entriesOf(shops[0]!.database)
    const { code, stderr } = await command('backup', ports[0]!, file)
    expect(code, stderr).toBe(0)
    const [jobs, entries, parts] = [here.jobs.length, here.entries.length, here.parts.length]
    expect(stderr).toContain(
      `Backing up the shop of port ${ports[0]}, in ${placeOf(ports[0]!)}: ${jobs} jobs, ${entries} entries and ${parts} parts.`,
    )
    expect((await peekBackup(file)).rows).toMatchObject({ jobs, entries, parts })
  })

  it('restored into the other: not without consent; with it entry by entry, and what was there is kept beside it', async () => {
    const [one, two] = shops as [(typeof shops)[0], (typeof shops)[0]]
    const [ofOne, ofTwo] = [await entriesOf(one.database), await entriesOf(two.database)]
    const asked = await command('restore', ports[1]!, file)
    expect(asked.code).toBe(1)
    expect(asked.stderr).toContain(`${file} holds ${ofOne.jobs.length} jobs, `)
    expect(asked.stderr).toContain(
      `All that the shop of port ${ports[1]}, in ${two.folder} holds now is taken out: 0 jobs, 1 entry and 0 parts.`,
    )
    expect(asked.stderr).toContain(`Nothing was changed. Where that is meant, say so`)
    expect(await entriesOf(two.database)).toEqual(ofTwo)
    expect(copies(two.folder)).toEqual([])
    // At a terminal it is asked, and anything but yes is no.
    const typed = await atTerminal('restore', ports[1]!, 'y\n', file)
    expect(typed.code).toBe(1)
    expect(typed.stdout).toMatch(/Type yes to put the backup in its place: [^]*Nothing was changed\./)
    expect(await entriesOf(two.database)).toEqual(ofTwo)

    const done = await command('restore', ports[1]!, file, '--yes')
    expect(done.code, done.stderr).toBe(0)
    expect(await entriesOf(two.database)).toEqual(ofOne)
    expect(await entriesOf(one.database)).toEqual(ofOne)
    const [copy] = copies(two.folder)
    expect(done.stderr).toContain(`What was there is kept in ${join(two.folder, copy!)}`)

    // The copy is a backup as any other: the shop that was there comes out of it, entry by entry.
    const back = await command('restore', ports[1]!, join(two.folder, copy!), '--yes')
    expect(back.code, back.stderr).toBe(0)
    expect(await entriesOf(two.database)).toEqual(ofTwo)
    expect(copies(two.folder)).toHaveLength(2)
  })

  it('restored where no shop is yet, it is begun with it, and nothing has to be asked', async () => {
    const { code, stderr } = await command('restore', ports[2]!, file)
    expect(code, stderr).toBe(0)
    expect(stderr).toContain(`There is no shop yet: the shop of port ${ports[2]}, in `)
    const own = await privateMariadb({ folder: placeOf(ports[2]!), careless: true })
    const database = openDatabase(own.settings)
    expect(await entriesOf(database)).toEqual(await entriesOf(shops[0]!.database))
    await database.sequelize.close()
    await own.stop()
  })

  it('a folder as the file, a folder that is not there, a file that is none: told in a sentence', async () => {
    writeFileSync(join(folder, 'none.backup'), 'a shopping list')
    const cases: [string, string, RegExp][] = [
      ['backup', folder, /is a folder: name a file in it\. No backup was written/],
      ['backup', join(folder, 'nowhere', 'x.backup'), /There is no folder .*nowhere: make it/],
      ['backup', join(folder, 'none.backup', 'x.backup'), /none\.backup is no folder/],
      ['restore', folder, /is a folder: name a file in it\. Nothing was changed/],
      ['restore', join(folder, 'nowhere.backup'), /nowhere\.backup is not there\. Nothing was changed/],
      ['restore', join(folder, 'none.backup'), /This is no backup of Mellow Anchor/],
      ['restore', '--force', /--force is not known here/],
    ]
    await Promise.all(
      cases.map(async ([way, given, words]) => {
        const { code, stderr } = await command(way, ports[0]!, given)
        expect([code, given]).toEqual([1, given])
        expect(stderr).toMatch(words)
        expect(stderr).not.toMatch(/^\s+at /m)
      }),
    )
    const full = Object.assign(new Error('write'), { code: 'ENOSPC' })
    expect(fileTrouble(full, 'backup', file)?.message).toBe(
      'The disk is full: there is no room for the backup. No backup was written.',
    )
    expect(fileTrouble(new Error('else'), 'backup', file)).toBeNull()
  })
})
