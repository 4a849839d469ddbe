import { ImportQuery, MOST_SHOP_FILE_BYTES } from '../../../contract'
import { route } from '../../http/route'
import { spool } from '../../http/spool'
import { checker } from '../../services/validate'
import { importShopFile } from '../../shop-file/import'
import type { ReadFile } from '../../shop-file/read'
import { ask } from '../../threads/pool'

const check = checker(ImportQuery, 'query')

/** A file of a job, a vehicle or a shop is read in: all of it, or nothing. */
export default route(async ({ database, event, query }) => {
  const told = check(query)
  const spooled = await spool(event, MOST_SHOP_FILE_BYTES)
  try {
    // Read beside the server’s own thread: others go on meanwhile, however long the file is.
    const read = await ask('shopFile', { path: spooled.path })
    return await importShopFile(database, JSON.parse(read) as ReadFile, told)
  } finally {
    await spooled.remove()
  }
})
