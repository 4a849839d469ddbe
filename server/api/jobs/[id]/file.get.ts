import { fileRoute } from '../../../http/shop-file'

/** A job with its vehicle as a file. */
export default fileRoute('job')
