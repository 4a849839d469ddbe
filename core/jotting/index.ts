/** What people jot down, understood: words in standard form, ways of saying each thing, and the parting of a line into statements. */
export { understandLine } from './line'
export type { LineContext, LineUnderstood, Statement } from './statement'
