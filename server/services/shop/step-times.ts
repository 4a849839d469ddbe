import { QueryTypes } from 'sequelize'
import type { StepTimesTold } from '../../../contract'
import type { StepTook } from '../../../core/learnt'
import { PACKAGES, type Package } from '../../../core/plan'
import type { Database } from '../../database/database'
import { listPackages } from './packages'
import { learningOf } from './shop'
import { jobsCaughtUp } from '../journal/standing'

/** A time so far from the planned one is a slip of the finger, and no step: it is not learnt from. */
const SLIP = 20

/** What this shop took for each step whose minutes somebody told, against what the plan gives it. */
export async function stepTimes(database: Database): Promise<StepTimesTold> {
  const { off, since } = await learningOf(database, 'times')
  if (off) return Object.create(null) as StepTimesTold
  const own = await listPackages(database)
  await jobsCaughtUp(database)
  const rows = await database.sequelize.query<{ stepsTook: unknown }>(
    'SELECT stepsTook FROM jobs WHERE stepsTook IS NOT NULL',
    { type: QueryTypes.SELECT },
  )
  const took = rows
    .flatMap(
      ({ stepsTook: kept }) => (typeof kept === 'string' ? JSON.parse(kept) : kept) as StepTook[],
    )
    .filter(({ at }) => since === null || Date.parse(at) >= Date.parse(since))
  const planned = plannedMinutes(own)
  const times = Object.create(null) as StepTimesTold
  for (const { step, minutes } of took) {
    const likely = planned.get(step)
    if (!likely) continue
    const ratio = minutes / likely
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
