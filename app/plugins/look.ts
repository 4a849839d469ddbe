/** Sets the look before the first screen is drawn. */
export default defineNuxtPlugin(() => {
  useTheme()
})
