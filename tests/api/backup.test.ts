import { createHash } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import { QueryTypes } from 'sequelize'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { loadDemo } from '../../demo/load'
import { headOf, HEAD_BYTES, KEPT_TABLES, LEFT_OUT } from '../../server/backup/format'
import { peekBackup } from '../../server/backup/peek'
import { restoreBackup } from '../../server/backup/restore'
import { writeBackup } from '../../server/backup/write'
import type { Database } from '../../server/database/database'
import type { DatabaseSettings } from '../../server/database/settings'
import { appendEntry } from '../../server/services/journal/append-queue'
import { keepFile } from '../../server/services/journal/files'
import { freshDatabase, testMariadb } from '../harness/running'
import { newId } from './client'
import sharp from 'sharp'

describe('backup and restore', () => {
  let from: Database
  let to: Database
  let fromSettings: DatabaseSettings
  let toSettings: DatabaseSettings
  const folder = mkdtempSync(join(tmpdir(), 'mellow-backup-'))
  const file = join(folder, 'shop.backup')
  beforeAll(async () => {
    const { settings } = await testMariadb()
    fromSettings = { ...settings, name: 'mellow_backup' }
    toSettings = { ...settings, name: 'mellow_restore' }
    from = await freshDatabase(settings, fromSettings.name)
    to = await freshDatabase(settings, toSettings.name)
    await loadDemo(from)
    const bytes = await sharp({
      create: { width: 40, height: 30, channels: 3, background: '#a03319' },
    })
      .jpeg()
      .toBuffer()
    await keepFile(from, { bytes, sha256: createHash('sha256').update(bytes).digest() })
  })
  afterAll(async () => {
    await from.sequelize.close()
    await to.sequelize.close()
    rmSync(folder, { recursive: true })
  })
  /** A checksum of every table, made by the database itself. */
  const sums = async ({ sequelize }: Database) => {
    const rows = await sequelize.query<{ Table: string; Checksum: string | number }>(
      `CHECKSUM TABLE ${KEPT_TABLES.join(', ')} EXTENDED`,
      { type: QueryTypes.SELECT },
    )
    return Object.fromEntries(
      rows.map(({ Table, Checksum }) => [Table.split('.')[1], String(Checksum)]),
    )
  }
  const refusal = async (bytes: Buffer, at = join(folder, 'bad.backup')) => {
    writeFileSync(at, bytes)
    return restoreBackup(toSettings, at).then(
      () => 'taken',
      (error: Error) => error.message,
    )
  }
  /** The same file with other lines in it, and a checksum that fits. */
  const rewritten = (change: (lines: string[]) => string[]) => {
    const lines = gunzipSync(readFileSync(file).subarray(HEAD_BYTES)).toString().trimEnd().split('\n')
    const body = gzipSync(`${change(lines).join('\n')}\n`)
    return Buffer.concat([Buffer.from(headOf(createHash('sha256').update(body).digest('hex'))), body])
  }

  it('knows every table: what is kept, and what is left out on purpose', async () => {
    const rows = await from.sequelize.query<Record<string, string>>('SHOW TABLES', {
      type: QueryTypes.SELECT,
    })
    expect(rows.flatMap((row) => Object.values(row)).sort()).toEqual(
      [...KEPT_TABLES, ...LEFT_OUT].sort(),
    )
  })

  it('another machine has the same shop to the last byte, photographs included', async () => {
    const { rows } = await writeBackup(fromSettings, file)
    expect(rows.files).toBe(1)
    expect(rows.entries).toBeGreaterThan(100)
    expect(await sums(to)).not.toEqual(await sums(from))
    expect(await restoreBackup(toSettings, file)).toEqual(rows)
    expect(await sums(to)).toEqual(await sums(from))
    // Written again from there it says the same.
    const again = join(folder, 'again.backup')
    expect((await writeBackup(toSettings, again)).rows).toEqual(rows)
    const linesOf = (at: string) =>
      gunzipSync(readFileSync(at).subarray(HEAD_BYTES)).toString().split('\n').slice(1)
    expect(linesOf(again)).toEqual(linesOf(file))
  })

  it('is of one moment while the server files on', async () => {
    const [job] = await from.sequelize.query<{ id: string; by: string }>(
      'SELECT j.id AS id, (SELECT MIN(id) FROM people) AS `by` FROM jobs j LIMIT 1',
      { type: QueryTypes.SELECT },
    )
    const subject = { type: 'job' as const, id: job!.id }
    let filing = true
    const filed = (async () => {
      for (let i = 0; filing; i++)
        await appendEntry(from, subject, {
          ...{ id: newId(), subject, kind: 'note' as const, by: job!.by },
          ...{ at: new Date().toISOString(), payload: { words: `while it is written ${i}` } },
        })
    })()
    const live = join(folder, 'live.backup')
    await writeBackup(fromSettings, live)
    filing = false
    await filed
    await restoreBackup(toSettings, live)
    // Every history is whole: as many entries as its job has counted.
    const gaps = await to.sequelize.query(
      `SELECT j.id FROM jobs j WHERE j.lastSequence <> (SELECT COUNT(*) FROM entries e WHERE e.jobId = j.id)`,
      { type: QueryTypes.SELECT },
    )
    expect(gaps).toEqual([])
  })

  it('put back while the server files on: all that was acknowledged is in the copy, or was filed after', async () => {
    await restoreBackup(toSettings, file)
    const [job] = await to.sequelize.query<{ id: string; by: string }>(
      'SELECT j.id AS id, (SELECT MIN(id) FROM people) AS `by` FROM jobs j LIMIT 1',
      { type: QueryTypes.SELECT },
    )
    const subject = { type: 'job' as const, id: job!.id }
    let filing = true
    const told: string[] = []
    const filed = Array.from({ length: 3 }, async () => {
      while (filing) {
        const id = newId()
        const entry = {
          ...{ id, subject, kind: 'note' as const, by: job!.by },
          ...{ at: new Date().toISOString(), payload: { words: 'meanwhile' } },
        }
        // One that comes too late is refused, and told so: a browser keeps it.
        await appendEntry(to, subject, entry).then(
          () => told.push(id),
          () => {},
        )
      }
    })
    const copy = join(folder, 'copy.backup')
    const before = told.length
    await restoreBackup(toSettings, file, copy)
    filing = false
    await Promise.all(filed)
    const idsIn = (lines: string[]) =>
      lines.flatMap((text) => {
        const row = JSON.parse(text) as unknown
        return Array.isArray(row) && row[0] === 'entries' ? [(row[1] as string[])[0]!] : []
      })
    const copied = idsIn(
      gunzipSync(readFileSync(copy).subarray(HEAD_BYTES)).toString().trimEnd().split('\n'),
    )
    const here = (await to.models.Entry.findAll({ attributes: ['id'] })).map(({ id }) => id)
    const kept = new Set([...copied, ...here])
    expect(told.filter((id) => !kept.has(id))).toEqual([])
    expect(told.length).toBeGreaterThan(before)
    // The copy itself goes in again.
    await restoreBackup(toSettings, copy)
    expect((await to.models.Entry.findAll({ attributes: ['id'] })).map(({ id }) => id).sort()).toEqual(
      copied.sort(),
    )
  })

  it('any damaged byte, a file cut off, and what is no backup are refused; the database is as it was', async () => {
    await restoreBackup(toSettings, file)
    const before = await sums(to)
    const good = readFileSync(file)
    const places = [0, 5, 23, 40, 87, 88, 89, 97, good.length - 1]
    for (let i = 0; i < 40; i++) places.push((i * 7919 + 131) % good.length)
    for (const at of places) {
      const bad = Buffer.from(good)
      bad[at]! ^= 0x10
      expect(await refusal(bad), `byte ${at}`).toMatch(/damaged|no backup/)
    }
    expect(await refusal(good.subarray(0, good.length - 9))).toMatch(/damaged/)
    expect(await refusal(Buffer.from('{"jobs":[]}'))).toMatch(/no backup/)
    expect(await sums(to)).toEqual(before)
  })

  it('a newer or older schema, a strange table, missing rows and rows that do not go in change nothing', async () => {
    const before = await sums(to)
    const schema = (name: string) =>
      rewritten(([head, ...rest]) => [
        JSON.stringify({ ...(JSON.parse(head!) as object), schema: name }),
        ...rest,
      ])
    expect(await refusal(schema('9999-later'))).toMatch(/newer version .* Nothing was changed/)
    expect(await refusal(schema('0002-units-of-people'))).toMatch(/older version/)
    // Known before anybody is asked, or a database is begun.
    await expect(peekBackup(join(folder, 'bad.backup'))).rejects.toThrow(/older version/)
    expect(await refusal(rewritten((lines) => lines.filter((_, i) => i !== 3)))).toMatch(
      /missing\. Nothing was changed/,
    )
    expect(await refusal(rewritten((lines) => lines.slice(0, -1)))).toMatch(/ends too soon/)
    expect(
      await refusal(rewritten((lines) => [...lines.slice(0, 2), lines[1]!, ...lines.slice(2)])),
    ).toMatch(/Nothing was changed/)
    expect(
      await refusal(rewritten((lines) => [lines[0]!, '["mysql.user",["x"]]', ...lines.slice(1)])),
    ).toMatch(/no table of this shop|Nothing was changed/)
    expect(await sums(to)).toEqual(before)
  })
})
