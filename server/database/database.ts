import * as mariadb from 'mariadb'
import { Sequelize } from 'sequelize'
import { defineModels, type Models } from './models'
import type { DatabaseSettings } from './settings'

/** An open pool and the tables behind it. */
export interface Database {
  sequelize: Sequelize
  models: Models
}

/** s; the database's own default is 50. */
const LOCK_WAIT = 3

/** Opens a pool; connects when first used, so a database that comes back is found again. */
export function openDatabase(settings: DatabaseSettings): Database {
  const sequelize = new Sequelize(settings.name, settings.user, settings.password, {
    host: settings.host,
    port: settings.port,
    dialect: 'mariadb',
    dialectModule: mariadb,
    dialectOptions: {
      connectTimeout: 4000,
      // Whoever waits for a locked row is told so in seconds, and gives its connection back.
      sessionVariables: { innodb_lock_wait_timeout: LOCK_WAIT },
    },
    logging: false,
    timezone: '+00:00',
    pool: { max: 10, min: 0, acquire: 8000, idle: 10_000 },
    define: { freezeTableName: true, timestamps: false },
  })
  return { sequelize, models: defineModels(sequelize) }
}
