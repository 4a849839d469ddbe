import { expect, it } from 'vitest'
import { coachedWords } from '../../app/stages/bleed/coach/coached'
import {
  callNow,
  isMethod,
  movesOf,
  partsOf,
  startCoach,
  touched,
  WORKS,
  type Coached,
  type CoachState,
  type World,
  CALL_WORDS,
  pumpWords,
  RIGHT_SENTENCES,
  sentenceOf,
} from '../../core/coach'
import { METHODS, TRICKS } from '../../core/journal'
import { planTried } from '../../core/coach/plan-tried'

const ALL = [...METHODS, ...TRICKS] as Coached[]
const screwWords = ({ screw, screwSure }: World) => (screwSure ? screw : 'unknown')
const pedalWords = ({ pedal, pedalSure, heldBy }: World) =>
  !pedalSure ? 'unknown' : pedal === 'up' ? 'up' : `down, ${heldBy}`
const change = (before: string, after: string) => (before === after ? before : `${before} → ${after}`)

/** Gone through once as it is called: two people where it takes two, one cycle, to the end. */
function rowsOf(method: Coached): string[] {
  const parts = partsOf([{ method, cycles: 1 }], false)
  let state: CoachState = startCoach(planTried(parts, { usable: 200 }))
  const rows: string[] = []
  for (let i = 0; i < 60 && !(state.done && !state.asks); i++) {
    const move = callNow(state)
    const before = state
    state = touched(
      state,
      `t${i}`,
      move ? { touch: 'answer' } : state.asks ? { touch: 'travel', mm: null } : { touch: 'drawnOff' },
    ).state
    if (!move) continue
    const { part, stretch, move: index, world, plan } = before
    const said = sentenceOf({
      method: plan.parts[part]!.method,
      ...{ stretch, index, move, right: false, world },
    })
    expect(said, `${method} ${move.call}`).not.toBeNull()
    const [who, other] = move.role === 'pedal' ? ['pedal', 'screw'] : ['screw', 'pedal']
    rows.push(
      `| ${CALL_WORDS[move.call].word} | ${who} | ${said!.does} | ${other}: ${said!.other} | ${change(screwWords(world), screwWords(state.world))} | ${change(pedalWords(world), pedalWords(state.world))} |`,
    )
  }
  return rows
}

const HEAD = [
  '| call | who does it | reads | the other one reads | screw | pedal |',
  '| --- | --- | --- | --- | --- | --- |',
]
const named = (method: Coached) =>
  `## ${coachedWords(method)}${movesOf(method).two ? ' (two people)' : ''}`

it('the page of every call says what the coach says: per method each call, who hears it, the sentences, screw and pedal before and after', async () => {
  const right = Object.entries(RIGHT_SENTENCES).flatMap(([call, byPedal]) =>
    Object.entries(byPedal).map(
      ([stands, [does, other]]) =>
        `| ${CALL_WORDS[call as keyof typeof CALL_WORDS].word} | ${stands === 'up' || stands === 'unknown' ? stands : `down, ${stands}`} | ${does} | ${other} |`,
    ),
  )
  const page = [
    '# Every call of the coach',
    '',
    'Made by `tests/house/coach-calls.test.ts` from `core/coach` and `core/bleed/methods`; after a change of either run',
    '`npx vitest run tests/house/coach-calls.test.ts -u`, read what changed, and keep it.',
    '',
    'Each method as it is called for one cycle, from what is made ready to what is put away. “screw” is also the union where one is',
    `loosened in its place, “pedal” also the master’s own rod on the bench. Pumping says how often, as it was chosen: “${pumpWords(4)}”,`,
    `“${pumpWords('firm')}”, “${pumpWords({ seconds: 10 })}”.`,
    '',
    ...ALL.flatMap((method) => [named(method), '', ...HEAD, ...rowsOf(method), '']),
    ...['masterAlone', 'withLine', 'withSlave'].flatMap((method) => {
      expect(WORKS.some((one) => one === method) && !isMethod(method as Coached)).toBe(true)
      return [named(method as Coached), '', ...HEAD, ...rowsOf(method as Coached), '']
    }),
    '## What is put right first',
    '',
    'At a stop, a hold or a question with something open, after an undo, and where another device took the lead: by how the pedal really',
    'stands.',
    '',
    '| call | pedal | reads | the other one reads |',
    '| --- | --- | --- | --- |',
    ...right,
    '',
  ].join('\n')
  await expect(page).toMatchFileSnapshot('../../docs/coach-calls.md')
})
