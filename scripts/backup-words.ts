import { dirname } from 'node:path'
import { Plain } from './debian'

/** What the file system refused of a backup, in a sentence; null where it was something else. */
export function fileTrouble(error: unknown, way: 'backup' | 'restore', file: string): Plain | null {
  const { code } = error as NodeJS.ErrnoException
  const nothing = way === 'backup' ? 'No backup was written.' : 'Nothing was changed.'
  switch (code) {
    case 'ENOENT':
      return new Plain(
        way === 'backup'
          ? `There is no folder ${dirname(file)}: make it, or name another. ${nothing}`
          : `${file} is not there. ${nothing}`,
      )
    case 'EISDIR':
      return new Plain(`${file} is a folder: name a file in it. ${nothing}`)
    case 'ENOTDIR':
      return new Plain(`${dirname(file)} is no folder. ${nothing}`)
    case 'ENOSPC':
    case 'EDQUOT':
      return new Plain(`The disk is full: there is no room for the backup. ${nothing}`)
    case 'EACCES':
    case 'EPERM':
    case 'EROFS':
      return new Plain(
        `${file} cannot be ${way === 'backup' ? 'written' : 'read'} from this account (${code}). ${nothing}`,
      )
    default:
      return null
  }
}
