import type { Evidence } from '../../core/diagnosis'

/** Evidence with what is named, and nothing else known. */
export const evidenceWith = (more: Partial<Evidence>): Evidence => ({
  complaints: [],
  findings: {},
  readings: {},
  ...more,
})
