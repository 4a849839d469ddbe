import type { ErrorObject } from 'ajv'
import type { Namesakes } from './people'

/** Problem details (RFC 9457), with JSON pointers to what is wrong. */
export interface Problem {
  type: string
  title: string
  status: number
  detail: string
  errors?: FieldProblem[]
  /** Of a file that was not read in: who has to be told apart first. */
  namesakes?: Namesakes
}
export interface FieldProblem {
  /** JSON pointer (RFC 6901). */
  path: string
  message: string
}

/** Ajv's errors in our words: which field, which bound. */
export function fieldProblems(errors: readonly ErrorObject[] | null | undefined): FieldProblem[] {
  return (errors ?? [])
    .filter((error) => error.keyword !== 'if' && error.keyword !== 'oneOf')
    .map((error) => ({ path: pathOf(error), message: messageOf(error) }))
}

function pathOf({ instancePath, keyword, params }: ErrorObject): string {
  if (keyword === 'required') return `${instancePath}/${params.missingProperty}`
  if (keyword === 'additionalProperties') return `${instancePath}/${params.additionalProperty}`
  if (keyword === 'discriminator') return `${instancePath}/${params.tag}`
  return instancePath
}

function messageOf({ keyword, params, message }: ErrorObject): string {
  switch (keyword) {
    case 'required':
      return 'is missing'
    case 'additionalProperties':
      return 'is not known here'
    case 'minimum':
      return `must be at least ${params.limit}`
    case 'maximum':
      return `must be at most ${params.limit}`
    case 'minLength':
    case 'minItems':
      return `must have at least ${params.limit}`
    case 'maxLength':
    case 'maxItems':
      return `must have at most ${params.limit}`
    case 'enum':
      return `must be one of ${params.allowedValues.join(', ')}`
    case 'discriminator':
      return `is not a known ${params.tag}`
    case 'pattern':
      return params.pattern === '\\S' ? 'must not be blank' : 'is not of the right form'
    default:
      return message ?? 'is wrong'
  }
}
