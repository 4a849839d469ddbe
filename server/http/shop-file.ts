import { setResponseHeader } from 'h3'
import { IdPath, MOST_SHOP_FILE_BYTES } from '../../contract'
import { Refusal } from '../services/refusal'
import { checker } from '../services/validate'
import { writeShopFile, type WhatFile } from '../shop-file/write'
import { laidAside } from './laid-aside'
import { route } from './route'

const checkPath = checker(IdPath)

/** What is larger could be written, but not read in again. */
const tooLarge = () =>
  new Refusal(
    'too-large',
    `This would be a file of more than ${Math.floor(MOST_SHOP_FILE_BYTES / 1024 / 1024)} MiB, which could not be read in again. ` +
      'Copy the shop with npm run backup on the server, and put it in place with npm run restore; or send single jobs.',
  )

/** A job, a vehicle or the shop as a file that can be read in again. */
export const fileRoute = (of: WhatFile['of']) =>
  route(async ({ database, params, event }) => {
    const what: WhatFile = of === 'shop' ? { of } : { of, id: checkPath(params).id }
    const body = await laidAside(event, writeShopFile(database, what), MOST_SHOP_FILE_BYTES, tooLarge)
    setResponseHeader(event, 'content-type', 'application/json; charset=utf-8')
    setResponseHeader(event, 'content-disposition', `attachment; filename="${of}.json"`)
    return body
  })
