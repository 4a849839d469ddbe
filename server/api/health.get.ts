import { route } from '../http/route'
import { health } from '../services/health'

export default route(async ({ database, status }) => {
  const state = await health(database)
  status(state.status === 'ok' ? 200 : 503)
  return state
})
