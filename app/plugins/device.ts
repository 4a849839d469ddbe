import { settleTab } from '~/sync/device'
import { defineNuxtPlugin } from '#imports'

/** Each tab has a name of its own before anything is told under it, a duplicated one too. */
export default defineNuxtPlugin(async () => {
  await settleTab()
})
