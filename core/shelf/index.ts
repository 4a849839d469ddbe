/** The shelf: what a part is, how a list of parts is read and written, and which part answers a need. */
export {
  COLUMN_WORDS,
  guessMapping,
  isOwnHeader,
  LIST_COLUMNS,
  missingColumns,
  NEEDED_COLUMNS,
  PART_COLUMNS,
  type ColumnMapping,
  type PartColumn,
} from './columns'
export { kindNamed } from './kinds-named'
export {
  endsOf,
  PART_BOUNDS,
  PART_GRADE_WORDS,
  PART_GRADES,
  PART_KIND_WORDS,
  PART_KINDS,
  TEXT_BOUNDS,
  type ListedPart,
  type PartData,
  type PartEnd,
  type PartGrade,
  type PartKind,
} from './part'
export { readRow, type RowProblem, type RowRead } from './read-row'
export { plainForSheets, writeRow } from './write-row'
