import type { Model } from 'sequelize'
import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type ModelStatic,
  type Sequelize,
} from 'sequelize'
import type { JobKind, Kind } from '../../core/journal'
import { UNIT_SYSTEMS, type UnitSystem } from '../../core/quantity'

type Row<T extends Model> = Model<InferAttributes<T>, InferCreationAttributes<T>>

export interface PersonRow extends Row<PersonRow> {
  id: string
  name: string
  units: CreationOptional<UnitSystem>
  createdAt: CreationOptional<Date>
  /** The record that stands for this one. */
  mergedInto: CreationOptional<string | null>
}
export interface VehicleRow extends Row<VehicleRow> {
  id: string
  name: string
  plate: string | null
  model: CreationOptional<string | null>
  createdAt: CreationOptional<Date>
  lastSequence: CreationOptional<number>
}
export interface JobRow extends Row<JobRow> {
  id: string
  vehicleId: string
  title: string
  kind: JobKind
  createdAt: CreationOptional<Date>
  lastSequence: CreationOptional<number>
}
export interface EntryRow extends Row<EntryRow> {
  id: string
  jobId: string | null
  vehicleId: string | null
  sequence: number
  kind: Kind
  at: Date
  byId: string
  payload: string
  corrects: string | null
  withdraws: string | null
  filedAt: CreationOptional<Date | null>
}

/** One row: this shop. */
export interface ShopRow extends Row<ShopRow> {
  id: number
  settings: string
  changedAt: Date
}

export interface Models {
  Person: ModelStatic<PersonRow>
  Vehicle: ModelStatic<VehicleRow>
  Job: ModelStatic<JobRow>
  Entry: ModelStatic<EntryRow>
  Shop: ModelStatic<ShopRow>
}

const ulid = DataTypes.CHAR(26)
const key = { type: ulid, primaryKey: true }
const made = { type: DataTypes.DATE(3), allowNull: false, defaultValue: DataTypes.NOW }
const count = { type: DataTypes.INTEGER.UNSIGNED, allowNull: false, defaultValue: 0 }

/** The tables that the migrations make. */
export function defineModels(sequelize: Sequelize): Models {
  return {
    Person: sequelize.define<PersonRow>('people', {
      id: key,
      name: { type: DataTypes.STRING(80), allowNull: false },
      units: { type: DataTypes.ENUM(...UNIT_SYSTEMS), allowNull: false, defaultValue: 'metric' },
      createdAt: made,
      mergedInto: ulid,
    }),
    Vehicle: sequelize.define<VehicleRow>('vehicles', {
      id: key,
      name: { type: DataTypes.STRING(120), allowNull: false },
      plate: DataTypes.STRING(20),
      model: DataTypes.STRING(80),
      createdAt: made,
      lastSequence: count,
    }),
    Job: sequelize.define<JobRow>('jobs', {
      id: key,
      vehicleId: { type: ulid, allowNull: false },
      title: { type: DataTypes.STRING(160), allowNull: false },
      kind: { type: DataTypes.STRING(24), allowNull: false },
      createdAt: made,
      lastSequence: count,
    }),
    Shop: sequelize.define<ShopRow>('shop', {
      id: { type: DataTypes.TINYINT.UNSIGNED, primaryKey: true },
      settings: { type: DataTypes.TEXT, allowNull: false },
      changedAt: { type: DataTypes.DATE(3), allowNull: false },
    }),
    Entry: sequelize.define<EntryRow>('entries', {
      id: key,
      jobId: ulid,
      vehicleId: ulid,
      sequence: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
      kind: { type: DataTypes.STRING(24), allowNull: false },
      at: { type: DataTypes.DATE(3), allowNull: false },
      byId: { type: ulid, allowNull: false },
      // Text here: the payload's bytes are compared when an entry is sent again.
      payload: { type: DataTypes.TEXT('medium'), allowNull: false },
      corrects: ulid,
      withdraws: ulid,
      filedAt: { type: DataTypes.DATE(3), allowNull: true },
    }),
  }
}
