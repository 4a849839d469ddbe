import { setTimeout as wait } from 'node:timers/promises'
import type { Transaction } from 'sequelize'
import type { Database } from './database'
import { troubleOf } from './errors'

const TRIES = 6

/**
 * Work in a transaction that is begun again where the database asks for that: after a deadlock, after a commit that a
 * cluster could not certify, and after a key that somebody else has just used, which the next try then finds.
 */
export async function inTransaction<T>(
  { sequelize }: Database,
  work: (transaction: Transaction) => Promise<T>,
): Promise<T> {
  for (let tried = 1; ; tried++) {
    try {
      return await sequelize.transaction(work)
    } catch (error) {
      const trouble = troubleOf(error)
      if (tried === TRIES || (trouble !== 'deadlock' && trouble !== 'taken')) throw error
      await wait(tried * 5 + Math.random() * 10 * tried)
    }
  }
}
