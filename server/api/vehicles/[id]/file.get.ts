import { fileRoute } from '../../../http/shop-file'

/** A vehicle with its jobs as a file. */
export default fileRoute('vehicle')
