import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { after } from './check'
import { Masks } from './masks'
import { brokenBy, STATE_RULES, type RuledStep } from './rules'

/** States that rules name, two joints, and one that no rule knows. */
const STATES = [
  ...['onStands', 'chocked', 'pedalTagged', 'slaveFree', 'strapsOn', 'masterOff', 'feedClamped'],
  ...['capSheeted', 'reservoirLow', 'propOn', 'batteryOff', 'batteryTrayOff'],
  ...['circuitOpen:slave', 'circuitOpen:master', 'shopOwn'],
]
const some = (most: number) => fc.uniqueArray(fc.constantFrom(...STATES), { maxLength: most })
const step: fc.Arbitrary<RuledStep> = fc.record(
  {
    needs: some(1),
    forbids: some(1),
    puts: some(3),
    takes: some(2),
    place: fc.constantFrom('under', 'footwell'),
    presses: fc.constantFrom<boolean | 'called'>(true, 'called', false),
    fills: fc.boolean(),
    electrical: fc.boolean(),
    engine: fc.boolean(),
  },
  { requiredKeys: ['needs', 'forbids', 'puts', 'takes', 'place'] },
)
const sequences = fc.tuple(fc.array(step, { minLength: 1, maxLength: 6 }), some(5))

/** Goes along a sequence whatever it breaks, and hands over how the work stands at each step, as sets and as bits. */
function along(
  [steps, start]: [RuledStep[], string[]],
  rules: typeof STATE_RULES,
  look: (broken: boolean, allowed: boolean, at: number) => void,
) {
  const held = new Set(start)
  const masks = new Masks(steps, held, rules)
  const everPut = new Set([...steps.flatMap(({ puts }) => puts), ...held])
  const put = new Set(held)
  let before: ReadonlySet<string> = held
  steps.forEach((one, at) => {
    const next = after(before, one)
    // What was put by the steps before, and with it by this one.
    const putBefore = masks.bits([...put])
    for (const state of one.puts) put.add(state)
    const now = { before, after: next, put, everPut }
    const broken = rules.some((rule) => brokenBy(rule, one, now).length > 0)
    const allowed = masks.allows(
      masks.of(one),
      masks.bits([...before]),
      masks.bits([...next]),
      putBefore,
    )
    look(broken, allowed, at)
    before = next
  })
}

describe('the rules that the check reads and those that the search compiles', () => {
  it.each(STATE_RULES.map((rule, i) => ({ i, name: `${i} ${rule.rule}`, rules: [rule] })))(
    '$name: say the same of every step of any sequence',
    ({ rules }) => {
      let broke = 0
      let kept = 0
      fc.assert(
        fc.property(sequences, (sequence) =>
          along(sequence, rules, (broken, allowed, at) => {
            expect(allowed, `step ${at}`).toBe(!broken)
            if (broken) broke += 1
            else kept += 1
          }),
        ),
        { numRuns: 400 },
      )
      // The sequences are of both sorts, or the property says nothing.
      expect(broke).toBeGreaterThan(10)
      expect(kept).toBeGreaterThan(10)
    },
  )
  it('all together: a step is allowed where no rule is broken, and nowhere else', () => {
    fc.assert(
      fc.property(sequences, (sequence) =>
        along(sequence, STATE_RULES, (broken, allowed) => expect(allowed).toBe(!broken)),
      ),
      { numRuns: 400 },
    )
  })
})
