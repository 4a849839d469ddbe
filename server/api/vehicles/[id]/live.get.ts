import { liveOf } from '../../../http/live'

export default liveOf('vehicle')
