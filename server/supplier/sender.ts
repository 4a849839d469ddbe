import { QueryTypes } from 'sequelize'
import type { Database } from '../database/database'
import { troubleOf } from '../database/errors'
import { inTransaction } from '../database/transaction'
import { recountTotal } from '../services/orders/orders'
import { settleOrder } from '../services/orders/settle-orders'
import { SupplierAway, type SupplierOrder } from './client'
import { PACE, type Wired } from './current'

/** ms between looks at what has to be sent. */
const LOOK = 1000 * PACE
/** ms for which an order that is being sent is left alone by others: longer than its tries take. */
const CLAIMED = 30_000 * PACE
/** ms until the next round of tries, growing, and at most. */
const AGAIN = 4000 * PACE
const AT_MOST = 60_000 * PACE

interface ToSend {
  id: string
  tries: number
}

/**
 * Sends placed orders until the supplier has taken them. They lie in the database until then, so that neither a supplier that is
 * down nor a server that is killed loses one; and each carries its own id, so that sending again never orders twice.
 */
export class OrderSender {
  private timer: ReturnType<typeof setTimeout> | undefined
  private running = false
  private stopped = false

  constructor(
    private readonly database: () => Database,
    private readonly wired: Wired,
  ) {}

  start(): void {
    this.timer = setInterval(() => this.look(), LOOK)
    this.timer.unref()
  }
  stop(): void {
    this.stopped = true
    clearInterval(this.timer)
  }
  /** Looks at once; what is being sent already is not sent twice. */
  look(): void {
    if (this.running || this.stopped) return
    this.running = true
    void this.sendAll()
      .catch(() => {
        // The database is away: it is looked at again.
      })
      .finally(() => (this.running = false))
  }

  /** @returns how many were taken */
  async sendAll(now = new Date()): Promise<number> {
    const database = this.database()
    const due = await database.sequelize.query<ToSend>(
      `SELECT id, tries FROM orders
        WHERE wired = 1 AND answeredAt IS NULL AND state <> 'draft' AND state <> 'cancelled'
          AND supplier = ? AND nextTryAt <= ? ORDER BY placedAt, id LIMIT 20`,
      { replacements: [this.wired.name, now], type: QueryTypes.SELECT },
    )
    let taken = 0
    for (const order of due) {
      if (this.stopped || !(await this.claim(database, order, now))) continue
      if (await this.send(database, order)) taken += 1
    }
    return taken
  }

  /** Of several servers one sends it. */
  private async claim(database: Database, { id, tries }: ToSend, now: Date): Promise<boolean> {
    const [, changed] = await database.sequelize.query(
      'UPDATE orders SET tries = tries + 1, nextTryAt = ? WHERE id = ? AND tries = ? AND nextTryAt <= ?',
      {
        replacements: [new Date(now.getTime() + CLAIMED), id, tries, now],
        type: QueryTypes.UPDATE,
      },
    )
    return changed === 1
  }

  private async send(database: Database, { id, tries }: ToSend): Promise<boolean> {
    const lines = await database.sequelize.query<{ number: string; quantity: number }>(
      'SELECT number, quantity FROM order_lines WHERE orderId = ? AND number IS NOT NULL ORDER BY id',
      { replacements: [id], type: QueryTypes.SELECT },
    )
    try {
      const answer = await this.wired.client.order(
        id,
        lines.map(({ number, quantity }) => ({ number, quantity })),
      )
      await this.answered(database, id, answer)
      return true
    } catch (error) {
      if (!(error instanceof SupplierAway) && troubleOf(error) !== null) throw error
      const pause = Math.min(AT_MOST, AGAIN * 2 ** Math.min(tries, 5))
      await database.sequelize.query('UPDATE orders SET trouble = ?, nextTryAt = ? WHERE id = ?', {
        replacements: [
          (error instanceof Error ? error.message : 'no answer').slice(0, 300),
          new Date(Date.now() + pause),
          id,
        ],
        type: QueryTypes.UPDATE,
      })
      return false
    }
  }

  /** What the supplier promised stands beside what was asked for, line by line. */
  private answered(database: Database, id: string, answer: SupplierOrder): Promise<void> {
    return inTransaction(database, async (transaction) => {
      const run = (sql: string, replacements: unknown[]) =>
        database.sequelize.query(sql, { replacements, type: QueryTypes.UPDATE, transaction })
      await database.sequelize.query('SELECT id FROM orders WHERE id = ? FOR UPDATE', {
        replacements: [id],
        type: QueryTypes.SELECT,
        transaction,
      })
      const lines = await database.sequelize.query<{ id: string; number: string; quantity: number }>(
        'SELECT id, number, quantity FROM order_lines WHERE orderId = ? AND number IS NOT NULL ORDER BY id',
        { replacements: [id], type: QueryTypes.SELECT, transaction },
      )
      for (const [i, line] of lines.entries()) {
        const said = answer.lines[i]
        const is = said && said.number === line.number ? said : null
        await run('UPDATE order_lines SET confirmed = ?, confirmedPrice = ? WHERE id = ?', [
          is ? Math.min(is.confirmed, line.quantity) : 0,
          is && is.confirmed > 0 ? is.price.toFixed(2) : null,
          line.id,
        ])
      }
      await run('UPDATE orders SET answeredAt = ?, trouble = NULL WHERE id = ?', [new Date(), id])
      await recountTotal(database, id, transaction)
      await settleOrder(database, id, transaction)
    })
  }
}
