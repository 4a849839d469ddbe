/**
 * So many of something, as one says it: 1 cycle, 3 cycles.
 * @param many where it is not the one with an s
 */
export const countOf = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`
