import type { TSchema } from '@sinclair/typebox'
import type { FieldProblem } from '../problem'

/**
 * A kind of entry at the boundary: the schema of its payload, and what a schema cannot say of it.
 * @param at JSON pointer to the payload
 */
export interface KindAtBoundary<P> {
  schema: TSchema
  check?: (payload: P, at: string) => FieldProblem[]
}
