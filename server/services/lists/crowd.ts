/** Requests that are answered at once, more than any one page asks for. */
const CROWD = 12

let inside = 0

/** Counts work as a request that is being answered, for as long as it takes. */
export async function counted<T>(work: () => Promise<T>): Promise<T> {
  inside++
  try {
    return await work()
  } finally {
    inside--
  }
}

/** Whether so many ask at once that each should take no more than it must. */
export const isCrowded = (): boolean => inside > CROWD
