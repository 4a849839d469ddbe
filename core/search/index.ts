/** Search: the words of what was written, and the lines that hold what is asked for. */
export {
  allWords,
  linesWith,
  plateWords,
  termsOf,
  wordsIn,
  writtenIn,
  type WrittenLine,
} from './search'
