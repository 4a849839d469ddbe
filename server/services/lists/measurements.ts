import Papa from 'papaparse'
import { QueryTypes } from 'sequelize'
import { READINGS } from '../../../core/diagnosis'
import { timeline, type Entry, type Phase } from '../../../core/journal'
import { displayUnit, typed, type UnitSystem } from '../../../core/quantity'
import { plainForSheets } from '../../../core/shelf'
import type { Database } from '../../database/database'
import { historyOf } from '../journal/history'
import { namesOfPeople } from '../shop/people'
import { readVehicle } from './vehicles'

const PHASE_WORDS: Record<Phase, string> = {
  asFound: 'as found',
  working: 'while bleeding',
  after: 'after',
}

/**
 * Every measurement that stands on a vehicle, one to a row in the order of its jobs and histories: each figure in the column of
 * its reading, whose head says the unit.
 */
export async function measurementsOf(
  database: Database,
  vehicleId: string,
  units: UnitSystem,
): Promise<string> {
  const { subject: vehicle } = await readVehicle(database, vehicleId, 'state')
  const jobs = await database.sequelize.query<{ id: string; title: string; lastSequence: number }>(
    'SELECT id, title, lastSequence FROM jobs WHERE vehicleId = ? ORDER BY id',
    { replacements: [vehicleId], type: QueryTypes.SELECT },
  )
  const names = await namesOfPeople(database)
  const taken: { job: string; entry: Extract<Entry, { kind: 'measurement' }> }[] = []
  for (const { id, title, lastSequence } of jobs) {
    const history = await historyOf(database, { type: 'job', id }, lastSequence)
    for (const { holds } of timeline(history).standing)
      if (holds.kind === 'measurement') taken.push({ job: title, entry: holds })
  }
  // Readings that nobody took would be columns with nothing in them.
  const used = READINGS.filter(({ name }) => taken.some(({ entry }) => entry.payload.reading === name))
  const head = [
    'vehicle',
    'plate',
    'job',
    'at (UTC)',
    'by',
    'when',
    ...used.map(({ label, unit }) => `${label} (${displayUnit(unit, units).symbol})`),
    'over (s)',
  ]
  const rows = taken.map(({ job, entry: { at, by, payload } }) => [
    plainForSheets(vehicle.name),
    plainForSheets(vehicle.plate ?? ''),
    plainForSheets(job),
    at,
    plainForSheets(names.get(by) ?? ''),
    PHASE_WORDS[payload.phase],
    ...used.map(({ name, unit }) =>
      name === payload.reading ? typed(payload.value, unit, units) : '',
    ),
    payload.duration === undefined ? '' : String(payload.duration),
  ])
  return `${Papa.unparse({ fields: head, data: rows }, { newline: '\r\n' })}\r\n`
}
