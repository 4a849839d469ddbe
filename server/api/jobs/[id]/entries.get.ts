import { entriesOf } from '../../../http/journal'

export default entriesOf('job')
