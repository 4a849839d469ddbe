import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import {
  COMPLAINT_IDS,
  FAULT_IDS,
  FINDING_IDS,
  NEEDS,
  READING_NAMES,
  REPAIRS,
} from '../../core/diagnosis'
import { PROOF_STAGES } from '../../core/circuit'
import {
  APPROVED_HOW,
  BLEED_PHASES,
  BLEED_SIGNS,
  CAME_OUT,
  GRADES,
  JOB_KINDS,
  KINDS,
  KIT,
  METHODS,
  PEDAL_SAYS,
  PHASES,
  RULES,
  TRICKS,
} from '../../core/journal'
import { root } from '../../scripts/packages.mjs'

const now: Record<string, readonly string[]> = {
  kinds: Object.keys(KINDS),
  complaints: COMPLAINT_IDS,
  findings: FINDING_IDS,
  readings: READING_NAMES,
  faults: FAULT_IDS,
  repairs: REPAIRS.map(({ id }) => id),
  conditions: NEEDS.map(({ id }) => id),
  jobKinds: JOB_KINDS,
  phases: PHASES,
  methods: METHODS,
  cameOut: CAME_OUT,
  bleedPhases: BLEED_PHASES,
  tricks: TRICKS,
  pedalSays: PEDAL_SAYS,
  bleedKit: KIT,
  bleedSigns: BLEED_SIGNS,
  proofStages: PROOF_STAGES,
  rules: RULES,
  approvedHow: APPROVED_HOW,
  grades: GRADES,
}
const frozen = JSON.parse(
  readFileSync(join(root, 'tests', 'house', 'frozen-ids.json'), 'utf8'),
) as Record<string, string[]>

describe('names that stand in somebody’s history', () => {
  it.each(Object.keys(now))('of %s are never taken away or renamed without being lifted', (table) => {
    expect(frozen[table]!.length).toBeGreaterThan(2)
    expect(frozen[table]!.filter((id) => !now[table]!.includes(id))).toEqual([])
  })

  it.each(Object.keys(now))(
    'of %s are all listed, so that they are frozen from their first day',
    (table) => {
      expect(now[table]!.filter((id) => !frozen[table]!.includes(id))).toEqual([])
    },
  )
})
