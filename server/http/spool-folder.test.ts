import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { dropSpool, spoolFolder, sweepSpool } from './spool-folder'

it('what a process has left that was killed is swept, what one that lives has laid aside is not', () => {
  const place = mkdtempSync(join(tmpdir(), 'sweep-'))
  const dead = spawnSync(process.execPath, ['-e', '']).pid
  const [ofDead, ofLiving, others] = [
    join(place, `mellow-spool-${dead}-abc`),
    join(place, `mellow-spool-${process.pid}-def`),
    join(place, 'somebody-elses'),
  ]
  for (const one of [ofDead, ofLiving, others]) {
    mkdirSync(one)
    writeFileSync(join(one, 'a.part'), 'x')
  }
  expect(sweepSpool(place)).toEqual([`mellow-spool-${dead}-abc`])
  expect([ofDead, ofLiving, others].map((one) => existsSync(one))).toEqual([false, true, true])
  expect(sweepSpool(place)).toEqual([])
  rmSync(place, { recursive: true })
})

it('a process has one folder, and takes it along when it ends', () => {
  const own = spoolFolder()
  expect(spoolFolder()).toBe(own)
  expect(own).toContain(`mellow-spool-${process.pid}-`)
  dropSpool()
  expect(existsSync(own)).toBe(false)
})
