import { setTimeout as wait } from 'node:timers/promises'
import { QueryTypes } from 'sequelize'
import { describe, expect, it } from 'vitest'
import type { Entry, Subject } from '../../core/journal'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from '../../scripts/packages.mjs'
import { aBench, ask, draws, made, openWorkshop, scaled, type Workshop } from './workshop'

const WRITERS = 4
/** ms between two kills at the most. */
const GAP = 1200

interface Sent {
  entry: Entry
  sequence?: number
}

/** Files entries one by one, each again until it is taken in, now and then the same one at both servers at once. */
async function write(
  { servers }: Workshop,
  by: string,
  subjects: Subject[],
  random: () => number,
  until: () => boolean,
): Promise<{ sent: Sent[]; wrong: string[] }> {
  const sent: Sent[] = []
  const wrong: string[] = []
  while (!until()) {
    const subject = subjects[Math.floor(random() * subjects.length)]!
    const last = sent.at(-1)
    const undo = last !== undefined && random() < 0.1
    const one: Sent = {
      entry: undo
        ? made(by, last.entry.subject, 'withdrawal', {}, { withdraws: last.entry.id })
        : made(by, subject, 'note', { words: `${sent.length} ${'x'.repeat(random() * 60)}` }),
    }
    sent.push(one)
    const path = `/api/${one.entry.subject.type}s/${one.entry.subject.id}/entries`
    while (one.sequence === undefined) {
      const both = random() < 0.1
      const asked = both ? servers : [servers[random() < 0.5 ? 0 : 1]]
      const answers = await Promise.all(
        asked.map(({ address }) => ask(address + path, { method: 'POST', body: one.entry })),
      )
      for (const { status, body, text } of answers) {
        if (status === 200 || status === 201) {
          const { sequence } = body as Entry
          if (one.sequence !== undefined && one.sequence !== sequence) wrong.push(`moved: ${text}`)
          one.sequence = sequence
        } else if (status !== 0 && status !== 503) wrong.push(`${status} ${text}`)
      }
      if (answers.filter(({ status }) => status === 201).length > 1) wrong.push('taken in twice')
      if (one.sequence === undefined) await wait(20 + random() * 60)
    }
  }
  return { sent, wrong }
}

/** What was acknowledged against what the table holds. */
async function ledger({ database }: Workshop, subjects: Subject[], sent: Sent[]) {
  let [missing, moved, gaps, doubled] = [0, 0, 0, 0]
  for (const { type, id } of subjects) {
    const rows = await database.sequelize.query<{ id: string; sequence: number }>(
      `SELECT id, sequence FROM entries WHERE ${type}Id = ? ORDER BY sequence`,
      { replacements: [id], type: QueryTypes.SELECT },
    )
    const places = new Map(rows.map((row) => [row.id, row.sequence]))
    doubled += rows.length - places.size
    gaps += rows.filter(({ sequence }, i) => sequence !== i + 1).length
    for (const { entry, sequence } of sent.filter((one) => one.entry.subject.id === id)) {
      if (!places.has(entry.id)) missing++
      else if (places.get(entry.id) !== sequence) moved++
    }
  }
  return { missing, moved, gaps, doubled }
}

async function campaign(name: string, kill: (workshop: Workshop, n: number) => Promise<void>) {
  const workshop = await openWorkshop(name)
  try {
    const random = draws()
    const { by, subjects } = await aBench(workshop.servers[0].address, 3)
    let stop = false
    const writers = Array.from({ length: WRITERS }, () =>
      write(workshop, by, subjects, random, () => stop),
    )
    const kills = scaled(20)
    for (let n = 0; n < kills; n++) {
      await wait(GAP / 3 + random() * GAP)
      await kill(workshop, n)
    }
    await wait(500)
    stop = true
    const done = await Promise.all(writers)
    const sent = done.flatMap((one) => one.sent)
    expect(done.flatMap(({ wrong }) => wrong)).toEqual([])
    expect(await ledger(workshop, subjects, sent)).toEqual({
      missing: 0,
      moved: 0,
      gaps: 0,
      doubled: 0,
    })
    expect(sent.length).toBeGreaterThan(kills * 5)
    return { kills, entries: sent.length }
  } finally {
    await workshop.close()
  }
}

describe('four writers at two server processes', () => {
  it('lose nothing that was acknowledged, and nothing stands twice, however often a server is killed', async () => {
    const found = await campaign('kill_web', async ({ servers }, n) => {
      const server = servers[n % 2 === 0 ? 0 : 1]
      await server.kill()
      await server.start()
    })
    process.stderr.write(`  ${found.kills} kills of a server, ${found.entries} entries acknowledged\n`)
  })

  it('nor however often the database is killed', async () => {
    const found = await campaign('kill_database', async ({ mariadb }) => {
      const pid = Number(
        readFileSync(join(root, '.data', 'trials', 'mariadb', 'mariadbd.pid'), 'utf8').trim(),
      )
      process.kill(pid, 'SIGKILL')
      while (mariadb.alive()) await wait(10)
      await mariadb.start()
    })
    process.stderr.write(
      `  ${found.kills} kills of the database, ${found.entries} entries acknowledged\n`,
    )
  })
})
