import { monotonicFactory } from 'ulid'

/** A new ULID; within one browser each is greater than the last, so waiting entries keep their order. */
export const newId: () => string = monotonicFactory()
