import type { FieldProblem, Namesakes } from '../../contract'
import { CODES, type ProblemCode } from '../http/codes'

/** A request that is refused, with the reason and what to do; the API turns it into problem details. */
export class Refusal extends Error {
  override readonly name = 'Refusal'
  constructor(
    readonly code: ProblemCode,
    message: string,
    readonly errors?: FieldProblem[],
    /** What has to be decided before it can go in. */
    readonly namesakes?: Namesakes,
    readonly status: number = CODES[code].status,
  ) {
    super(message)
  }
}

export const notFound = (what: string) => new Refusal('not-found', `There is no such ${what}`)
