import type { SupplierState } from '../../contract'
import { SupplierAway, type SupplierClient } from './client'
import { supplierState, wiredSupplier } from './current'

/** Asks the supplier; where it does not answer, that is the answer, and nobody's work stops for it. */
export async function asked<T>(
  question: (client: SupplierClient) => Promise<T>,
): Promise<{ supplier: SupplierState; answer: T | null }> {
  const wired = wiredSupplier()
  if (!wired) return { supplier: supplierState(), answer: null }
  try {
    const answer = await question(wired.client)
    return { supplier: supplierState(), answer }
  } catch (error) {
    if (!(error instanceof SupplierAway)) throw error
    return { supplier: supplierState(), answer: null }
  }
}
