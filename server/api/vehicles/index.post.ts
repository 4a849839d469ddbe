import { NewVehicle } from '../../../contract'
import { route } from '../../http/route'
import { checker } from '../../services/validate'
import { addVehicle } from '../../services/lists/vehicles'

const check = checker(NewVehicle)

export default route(async ({ database, body, created }) => {
  const done = await addVehicle(database, check(await body()))
  created(done.created)
  return done.vehicle
})
