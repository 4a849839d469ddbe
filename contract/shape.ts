import { Type, type TSchema } from '@sinclair/typebox'
import type { Field } from '../core/circuit'
import { WORKSHOP_VOLUME } from '../core/quantity'

/** Pieces that every schema is made of: objects refuse unknown fields, texts and lists are bounded. */
export const strict = { additionalProperties: false } as const
/** ULID: Crockford base 32, 26 characters, first at most 7. */
export const Ulid = Type.String({ pattern: '^[0-7][0-9A-HJKMNP-TV-Z]{25}$' })
/** A moment in UTC that a calendar and the database both know: years 1000 to 9999, no leap second. */
export const Instant = Type.String({
  format: 'date-time',
  pattern: '^[1-9]\\d{3}-\\d\\d-\\d\\dT\\d\\d:\\d\\d:[0-5]\\d(\\.\\d{1,9})?Z$',
  maxLength: 30,
})
/** A line of text with something in it. */
export const Line = (maxLength: number) => Type.String({ minLength: 1, maxLength, pattern: '\\S' })
export const OneOf = <const T extends readonly string[]>(values: T) =>
  Type.Unsafe<T[number]>({ type: 'string', enum: [...values] })
/** The same, or null where it is not known. */
export const OrNull = <T extends TSchema>(schema: T) => Type.Union([schema, Type.Null()])
export const bounded = (field: Pick<Field, 'min' | 'max'>) =>
  Type.Number({ minimum: field.min, maximum: field.max })

/** A volume that a workshop handles, mm³. */
export const Volume = bounded(WORKSHOP_VOLUME)

/** One of several objects, told apart by the value of one field; errors then name the right one's fields. */
export const tagged = <T>(tag: string, oneOf: TSchema[]) =>
  Type.Unsafe<T>({ type: 'object', required: [tag], discriminator: { propertyName: tag }, oneOf })

/** True where two types are each assignable to the other. */
export type Same<A, B> = [A] extends [B] ? ([B] extends [A] ? true : false) : false
