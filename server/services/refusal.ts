import type { FieldProblem, Namesakes } from '../../contract'

/** A request that is refused, with the reason and what to do; the API turns it into problem details. */
export class Refusal extends Error {
  override readonly name = 'Refusal'
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly errors?: FieldProblem[],
    /** What has to be decided before it can go in. */
    readonly namesakes?: Namesakes,
  ) {
    super(message)
  }
}

export const notFound = (what: string) => new Refusal(404, 'not-found', `There is no such ${what}`)
