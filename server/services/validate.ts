import { Ajv, type ValidateFunction } from 'ajv'
import addFormats from 'ajv-formats'
import type { Static, TSchema } from '@sinclair/typebox'
import { brokenTexts, fieldProblems, type FieldProblem } from '../../contract'
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
    if (!validate(value)) throw invalid(fieldProblems(validate.errors))
    const broken = [...brokenTexts(value), ...endless(value)]
    if (broken.length > 0) throw invalid(broken)
    return value as Static<T>
  }
}

/** Numbers of a query that are written too large for any number: read from text, they pass every bound. */
const endless = (value: unknown): FieldProblem[] =>
  Object.entries(value as object)
    .filter(([, one]) => typeof one === 'number' && !Number.isFinite(one))
    .map(([name]) => ({ path: `/${name}`, message: 'is too large a number' }))

/** A refusal that names each field; where nothing can be named, the whole. */
function invalid(found: FieldProblem[]): Refusal {
  const errors = found.length > 0 ? found : [{ path: '', message: 'is not as it should be' }]
  const [{ path, message }] = errors as [FieldProblem]
  return new Refusal('invalid', `Refused: ${path || 'the whole'} ${message}`, errors)
}
