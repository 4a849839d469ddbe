import { appendTo } from '../../../http/journal'

export default appendTo('job')
