import { setResponseHeader } from 'h3'
import { NewEntrySchema, publishedInstallationSchema, publishedShopFileSchema } from '../../../contract'
import { route } from '../../http/route'
import { notFound } from '../../services/refusal'

/** The schemas of what goes out and comes in, for whoever writes a program for it. */
const SCHEMAS: Record<string, () => object> = {
  file: publishedShopFileSchema,
  installation: publishedInstallationSchema,
  entry: () => ({
    $schema: 'http://json-schema.org/draft-07/schema#',
    title: 'Mellow Anchor entry, as it is posted',
    ...(JSON.parse(JSON.stringify(NewEntrySchema)) as object),
  }),
}

export default route(({ params, event }) => {
  const { name } = params as { name: string }
  if (!Object.hasOwn(SCHEMAS, name)) throw notFound('schema')
  setResponseHeader(event, 'content-type', 'application/schema+json')
  return Promise.resolve(JSON.stringify(SCHEMAS[name]!(), null, 2))
})
