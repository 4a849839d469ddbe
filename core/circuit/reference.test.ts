import { describe, expect, it } from 'vitest'
import { VERBS } from '../verbs'
import { expectClose } from '../../tests/harness/expect-close'
import reference from './reference-cases.json'

describe('reference cases', () => {
  it.each(reference.cases.map((one, i) => [i, one.verb, one] as const))('%i %s', (_, verb, one) => {
    expectClose(VERBS[verb]!(one.input), one.expect)
  })

  it('are all there', () => {
    expect(
      reference.cases
        .map((one) => one.verb)
        .sort()
        .join(' '),
    ).toBe('air air air air circuit circuit circuit circuit circuit circuit circuit circuit sink')
  })
})
