import type { SupplierState } from '../../contract'
import { Breaker, USUAL_BREAKER } from './breaker'
import { SupplierClient, USUAL_CLIENT } from './client'

/** The supplier that this server reaches by wire; null where none is set. */
export interface Wired {
  name: string
  client: SupplierClient
}
let current: Wired | null | undefined

export function wiredSupplier(): Wired | null {
  if (current !== undefined) return current
  const url = process.env.MELLOW_SUPPLIER_URL?.replace(/\/+$/, '')
  const name = process.env.MELLOW_SUPPLIER_NAME?.trim() || 'Tidewrack Factors'
  current = url && /^https?:\/\//.test(url) ? { name, client: clientOf(url) } : null
  return current
}

/** Of all that is waited for: shorter where the stand-in is tried out. */
export const PACE = Math.min(1, Math.max(0.01, Number(process.env.MELLOW_SUPPLIER_PACE) || 1))

const clientOf = (url: string): SupplierClient =>
  new SupplierClient(url, new Breaker({ ...USUAL_BREAKER, rest: USUAL_BREAKER.rest * PACE }), {
    timeout: USUAL_CLIENT.timeout * PACE,
    waits: USUAL_CLIENT.waits.map((one) => one * PACE),
  })

/** Whether it answers, and since when it does not. */
export function supplierState(): SupplierState {
  const wired = wiredSupplier()
  if (!wired) return { name: null, answering: false, since: null }
  const { since } = wired.client.breaker
  return {
    name: wired.name,
    answering: since === null,
    since: since === null ? null : new Date(since).toISOString(),
  }
}
