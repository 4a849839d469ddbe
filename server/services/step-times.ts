import { QueryTypes } from 'sequelize'
import type { StepTimesTold } from '../../contract'
import { PACKAGES, type Package } from '../../core/plan'
import type { Database } from '../database/database'
import { listPackages } from './packages'
import { learningOf } from './shop'

/** A time so far from the planned one is a slip of the finger, and no step: it is not learnt from. */
const SLIP = 20

/** What this shop took for each step whose minutes somebody told, against what the plan gives it. */
export async function stepTimes(database: Database): Promise<StepTimesTold> {
  const { off, since } = await learningOf(database, 'times')
  if (off) return Object.create(null) as StepTimesTold
  const own = await listPackages(database)
  const rows = await database.sequelize.query<{ step: string; minutes: string | number }>(
    `SELECT JSON_VALUE(e.payload, '$.step') AS step, JSON_VALUE(e.payload, '$.minutes') AS minutes
       FROM entries e
      WHERE e.kind = 'step' AND e.at >= ? AND JSON_VALUE(e.payload, '$.act') = 'done'
        AND JSON_VALUE(e.payload, '$.minutes') > 0
        AND NOT EXISTS (SELECT 1 FROM entries w WHERE w.withdraws = e.id)
        AND NOT EXISTS (SELECT 1 FROM entries c WHERE c.corrects = e.id)`,
    { replacements: [new Date(since ?? 0)], type: QueryTypes.SELECT },
  )
  const planned = plannedMinutes(own)
  const times = Object.create(null) as StepTimesTold
  for (const { step, minutes } of rows) {
    const likely = planned.get(step)
    if (!likely) continue
    const ratio = Number(minutes) / likely
    if (ratio > SLIP || ratio < 1 / SLIP) continue
    const one = (times[step] ??= { count: 0, sumLog: 0 })
    one.count += 1
    one.sumLog += Math.log(ratio)
  }
  return times
}

const plannedMinutes = (own: readonly Package[]): Map<string, number> =>
  new Map(
    [...PACKAGES.values(), ...own].flatMap((pack) =>
      pack.steps.map(({ id, minutes }): [string, number] => [`${pack.id}.${id}`, minutes[1]!]),
    ),
  )
