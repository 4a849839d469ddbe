/** A vehicle over the years: its jobs, and the figures that tell how it goes. */
export {
  LEAKS,
  vehicleHistory,
  type AirPoint,
  type FluidPoint,
  type HistoryJob,
  type JobOfVehicle,
  type LeakSeen,
  type TrendPoint,
  type VehicleHistory,
} from './history'
