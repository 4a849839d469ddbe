import { currentDatabase } from '../database/current'
import { wiredSupplier } from './current'
import { OrderSender } from './sender'

let sender: OrderSender | null = null

/** Starts sending what is placed, where a supplier is reached by wire. */
export function startSending(): void {
  const wired = wiredSupplier()
  if (!wired || sender) return
  sender = new OrderSender(currentDatabase, wired)
  sender.start()
}
export function stopSending(): void {
  sender?.stop()
}
/** Something was placed: it is sent at once. */
export function sendNow(): void {
  sender?.look()
}
