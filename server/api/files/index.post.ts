import { MOST_FILE_BYTES } from '../../../contract'
import { readBytes } from '../../http/body'
import { route } from '../../http/route'
import { keepFile } from '../../services/journal/files'

export default route(async ({ database, event, created }) => {
  const { file, created: made } = await keepFile(database, await readBytes(event, MOST_FILE_BYTES))
  created(made)
  return file
})
