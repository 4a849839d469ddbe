import { Readable } from 'node:stream'
import { setResponseHeader } from 'h3'
import { IdPath } from '../../contract'
import { checker } from '../services/validate'
import { writeShopFile, type WhatFile } from '../shop-file/write'
import { route } from './route'

const checkPath = checker(IdPath)

/** A job, a vehicle or the shop as a file that can be read in again, record by record as it is asked for. */
export const fileRoute = (of: WhatFile['of']) =>
  route(async ({ database, params, event }) => {
    const what: WhatFile = of === 'shop' ? { of } : { of, id: checkPath(params).id }
    const pieces = writeShopFile(database, what)
    // The first piece tells whether there is such a thing at all: only then is it an answer.
    const first = await pieces.next()
    setResponseHeader(event, 'content-type', 'application/json; charset=utf-8')
    setResponseHeader(event, 'content-disposition', `attachment; filename="${of}.json"`)
    async function* whole() {
      if (!first.done) yield first.value
      yield* pieces
    }
    const body = Readable.from(whole())
    // Whoever goes away ends what is being read for him.
    event.node.res.once('close', () => {
      body.destroy()
      void pieces.return(undefined)
    })
    return body
  })
