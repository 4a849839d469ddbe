import { checkSchema, checkWhole, linesOf } from './restore'
import { BackupRefused, type BackupEnd, type BackupHead } from './format'

/** What a backup holds, read without touching a database. */
export interface Peeked {
  /** When it was written, ISO. */
  at: string
  rows: Record<string, number>
}

/** @throws BackupRefused where the file is damaged, no backup, or of another version */
export async function peekBackup(file: string): Promise<Peeked> {
  await checkWhole(file)
  let first = ''
  let last = ''
  for await (const text of linesOf(file)) {
    if (first === '') first = text
    last = text
  }
  const head = JSON.parse(first) as Partial<BackupHead>
  const end = JSON.parse(last) as Partial<BackupEnd>
  if (!head.schema || !head.at || end.end !== true || !end.rows)
    throw new BackupRefused('The backup ends too soon. Nothing was changed.')
  checkSchema(head.schema)
  return { at: head.at, rows: end.rows }
}
