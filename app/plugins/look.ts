import { defineNuxtPlugin } from '#imports'
import { useTheme } from '~/frame/useTheme'
/** Sets the look before the first screen is drawn. */
export default defineNuxtPlugin(() => {
  useTheme()
})
