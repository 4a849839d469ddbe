import fc from 'fast-check'
import { COMPLAINT_IDS, FINDING_IDS, type Evidence } from '../../core/diagnosis'

/** Evidence with what is named, and nothing else known. */
export const evidenceWith = (more: Partial<Evidence>): Evidence => ({
  complaints: [],
  findings: {},
  readings: {},
  ...more,
})

export const anyComplaints = fc.uniqueArray(fc.constantFrom(...COMPLAINT_IDS), { maxLength: 3 })
/** Up to so many findings, each present or absent. */
export const anyFindings = (most: number) =>
  fc.dictionary(
    fc.constantFrom(...FINDING_IDS),
    fc.constantFrom('present' as const, 'absent' as const),
    { maxKeys: most },
  )
