import { Ajv, type ValidateFunction } from 'ajv'
import addFormats from 'ajv-formats'
import type { Static, TSchema } from '@sinclair/typebox'
import { fieldProblems } from '../../contract'
import { Refusal } from './refusal'

const options = { allErrors: true, discriminator: true } as const
const exact = new Ajv(options)
/** Queries and paths arrive as text: numbers among them are read as numbers. */
const fromText = new Ajv({ ...options, coerceTypes: true })
for (const ajv of [exact, fromText]) addFormats.default(ajv)

/** A check of one schema: gives the value back typed, or refuses it field by field. */
export function checker<T extends TSchema>(schema: T, from: 'body' | 'query' = 'body') {
  const validate = (from === 'query' ? fromText : exact).compile(schema) as ValidateFunction
  return (value: unknown): Static<T> => {
    if (validate(value)) return value as Static<T>
    const errors = fieldProblems(validate.errors)
    const first = errors[0]
    const where = first ? `${first.path || 'the whole'} ${first.message}` : 'it is not as it should be'
    throw new Refusal(422, 'invalid', `Refused: ${where}`, errors)
  }
}
