import { fileRoute } from '../../http/shop-file'

/** The whole shop as a file. */
export default fileRoute('shop')
