import { route } from '../../http/route'
import { supplierState } from '../../supplier/current'

export default route(() => Promise.resolve(supplierState()))
