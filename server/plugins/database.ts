import { closeDatabase } from '../database/current'

/** Closes the pool after the last request was answered. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('close', closeDatabase)
})
