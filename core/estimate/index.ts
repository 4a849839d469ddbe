/** What a few tape readings say of a vehicle of which little is known. */
export type { Known } from './cases'
export {
  estimate,
  estimateRun,
  ESTIMATE_DRAWS,
  LEAST_EFFECTIVE,
  type Estimate,
  type Estimated,
  type NextReading,
  type NoEstimate,
} from './estimate'
export { READING_ERROR, TAPE_READINGS, type PedalReadings, type TapeReading } from './readings'
export { simulateVehicle, type Simulated, type SimulateOptions } from './simulate'
