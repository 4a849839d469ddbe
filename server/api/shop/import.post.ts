import { readFile } from 'node:fs/promises'
import { MOST_SHOP_FILE_BYTES } from '../../../contract'
import { route } from '../../http/route'
import { spool } from '../../http/spool'
import { importShopFile } from '../../shop-file/import'
import { readShopFile } from '../../shop-file/read'

/** A file of a job, a vehicle or a shop is read in: all of it, or nothing. */
export default route(async ({ database, event }) => {
  const spooled = await spool(event, MOST_SHOP_FILE_BYTES)
  try {
    return await importShopFile(database, readShopFile(await readFile(spooled.path)))
  } finally {
    await spooled.remove()
  }
})
