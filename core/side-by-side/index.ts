/** The old part and the new one side by side, before anything comes off: what fits, what moves across, what will break. */
export { CASUALTIES, casualtiesOf, casualtyById, type Casualty } from './casualties'
export { weighSet, type SetWeighed } from './filled-set'
export { FIT_ITEM_WORDS, FIT_ITEMS, type FitItem, type FitList } from './items'
export {
  contextOf,
  FIT_WORDS,
  fitVerdict,
  judgedAnew,
  judgeRow,
  JUDGED,
  JUDGED_WORDS,
  unlooked,
  type CompareContext,
  type ComparedRow,
  type FitVerdict,
  type Judged,
} from './judge'
export { itemWords, listsFrom, type Listed } from './lists'
export {
  COMPARE_ROWS,
  COMPARED,
  COMPARED_WORDS,
  compareRow,
  ROW_IDS,
  rowsOf,
  type Compared,
  type CompareRow,
  type RowId,
  type RowValue,
} from './rows'
export {
  filedRow,
  comparingContext,
  knownOfShelf,
  knownOfVehicle,
  rowsNow,
  type Comparing,
  type KnownRows,
  type RowNow,
} from './of-job'
