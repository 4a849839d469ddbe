import { createError, defineEventHandler } from 'h3'

/** What the build did not make is not there: without this, a script that is gone would be answered with the page. */
export default defineEventHandler((event) => {
  if (event.path.startsWith('/_nuxt/')) throw createError({ statusCode: 404 })
})
