/** Pieces of patterns in which methods and tricks are said. */
const NUMBER = String.raw`(\d+(?:[.,]\d+)?)`
export const degrees = `(?: by)?(?: ${NUMBER} ?(?:°|deg(?:rees?)?)?)?`
export const duration = `(?: for ${NUMBER} ?(h|hours?|min(?:utes)?))?`
