import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { FINDINGS } from '../diagnosis'
import { fromArchetype } from '../installation'
import { understandLine, type LineContext, type LineUnderstood, type Statement } from '.'
import first from './jottings.json'
import second from './jottings-second.json'
import third from './jottings-third.json'
import choose from './jottings-choose.json'
import parts from './jottings-parts.json'
import fit from './jottings-fit.json'
import bleed from './jottings-bleed.json'
import coach from './jottings-coach.json'
import record from './jottings-record.json'

const context: LineContext = { phase: 'asFound', units: 'metric' }
const said = (line: string, more: Partial<LineContext> = {}) =>
  understandLine(line, { ...context, ...more })
const finding = (id: string, state: string) => ({
  kind: 'finding',
  payload: { finding: id, state, phase: 'asFound' },
})
const measured = (reading: string, value: number, duration?: number) => ({
  kind: 'measurement',
  payload: { reading, value, phase: 'asFound', ...(duration !== undefined && { duration }) },
})

/** Statements as people jot them, with what each means; `or` is another right reading, `none` files nothing. */
interface Jotting {
  say: string
  means: Meant[]
  or?: Meant[]
}
type Meant = { kind: string } & Record<string, unknown>

/** What a statement says, without what the place and time of it add. */
function plain(one: Statement): string {
  if (one.kind === 'withdrawal') return JSON.stringify({ kind: 'undo' })
  const { phase: _, verdict, reasons: __, ...bare } = one.payload as unknown as Record<string, unknown>
  // What a joint or a bore comes to is judged, not said.
  const payload =
    one.kind === 'rebuildPiece' ? { ...bare, verdict } : one.kind === 'bleedCycle' ? one.payload : bare
  if (one.kind === 'fitCheck') {
    const [row] = one.payload.rows
    const { what, old, new: fresh } = row!
    const sides = { ...(old !== null && { old }), ...(fresh !== null && { new: fresh }) }
    return ordered({ kind: 'fitCheck', ...(one.payload.of && { of: one.payload.of }), what, ...sides })
  }
  if (one.kind !== 'fluidInside') return ordered({ kind: one.kind, ...(payload as object) })
  const { kind, ...rest } = payload as Record<string, unknown>
  return ordered({ kind: one.kind, fluid: kind, ...rest })
}
function ordered({ ask: _, between: __, ...meant }: Record<string, unknown>): string {
  const rounded = Object.entries(meant).map(([name, value]) => [
    name,
    typeof value === 'number' ? Math.round(value * 100) / 100 : value,
  ])
  return JSON.stringify(Object.fromEntries(rounded.sort(([a], [b]) => (a! < b! ? -1 : 1))))
}
const listed = (means: readonly Meant[]) =>
  means
    .filter(({ kind }) => kind !== 'none')
    .map(ordered)
    .sort()
const right = ({ means, or }: Jotting, { statements }: LineUnderstood): boolean => {
  const got = JSON.stringify(statements.map(plain).sort())
  return got === JSON.stringify(listed(means)) || (!!or && got === JSON.stringify(listed(or)))
}

describe.each([
  ['the first set', first as Jotting[], 260, 0.97],
  ['a second set, written before it was run', second as Jotting[], 50, 0.92],
  ['what is written down, done, and asked of the vehicle', third as Jotting[], 50, 0.92],
  ['parts, ends, fluid and plans, written before it was run', choose as Jotting[], 30, 0.9],
  ['new parts beside old ones, written before it was run', parts as Jotting[], 26, 0.9],
  ['work in hand, written before it was run', fit as Jotting[], 40, 0.9],
  ['a bleed, written before it was run', bleed as Jotting[], 41, 0.9, 'working'],
  ['a coached bleed, written before it was run', coach as Jotting[], 22, 0.9, 'working'],
  ['what is owed and agreed, written before it was run', record as Jotting[], 22, 0.9, 'after'],
] as [string, Jotting[], number, number, LineContext['phase']?][])(
  'what people jot, %s',
  (_, jottings, count, least, phase = 'asFound') => {
    const done = jottings.map((one) => ({ one, got: said(one.say, { phase }) }))

    it('is understood at first try, nearly all of it, and the rest is not filed turned round', () => {
      expect(jottings).toHaveLength(count)
      const missed = done.filter(({ one, got }) => !right(one, got))
      const table = missed.map(
        ({ one, got }) => `${one.say} → ${got.statements.map(plain).join(' ') || 'nothing'}`,
      )
      expect(1 - missed.length / count, table.join('\n')).toBeGreaterThanOrEqual(least)
      for (const { one, got } of missed) {
        // What was missed is left out or asked about; nothing else is filed in its place.
        const meant = new Set(listed(one.means))
        for (const statement of got.statements) expect(meant.has(plain(statement)), one.say).toBe(true)
      }
    })
  },
)

describe('the say-line', () => {
  it('takes how high the clutch draws from a shared reservoir, and refuses a part that is not there', () => {
    const above = said('clutch take-off 20 mm under the brake minimum')
    expect(above.statements).toEqual([
      {
        kind: 'parameter',
        payload: { field: 'reservoir.takeOffOverBrakeMinimum', value: -20 },
      },
    ])
    const concentric = { installation: fromArchetype('concentric') }
    expect(said('slave bore 22.2', concentric).problem).toMatch(/no such part/)
    expect(said('plan a 222 slave', { installation: fromArchetype('small-car') }).problem).toMatch(
      /Slave bore/,
    )
    expect(said('slave bore 7/8', { units: 'inch' }).statements[0]).toMatchObject({
      payload: { field: 'slave.bore', value: expect.closeTo(22.225, 9) as number },
    })
  })
  it.each([
    ['Free travel 42 mm', measured('freeTravel', 42)],
    ['free 4,5 cm', measured('freeTravel', 45)],
    ['free 1 1/4 in', measured('freeTravel', 31.75)],
    ['sink 6 in 60 s', measured('sink', 6, 60)],
    ['sinks 6 mm in 2 min', measured('sink', 6, 120)],
    ['sink 6', measured('sink', 6, 60)],
    ['sink 1 in in 60', measured('sink', 25.4, 60)],
    ['drop 3 over 2 h', measured('reservoirDrop', 3, 7200)],
    ['clearance -0.6', measured('rodClearance', -0.6)],
    ['gear wait 9 s', measured('gearWait', 9)],
    ['Rod  end  DRY', finding('rodEndDamp', 'absent')],
    ['play none', finding('rodTight', 'present')],
    ['pushes back yes', finding('pushBackStiff', 'absent')],
    ['tagged yes', finding('slaveUntagged', 'absent')],
    ['parts match yes', finding('partMismatch', 'absent')],
    ['carpet ?', finding('carpetWet', 'notLooked')],
    ['boot wte', finding('bootWet', 'present')],
    ['sedimnt clean', finding('sediment', 'absent')],
    ['top up', { kind: 'topUp', payload: {} }],
    ['note Hose kept, seen Sound', { kind: 'note', payload: { words: 'Hose kept, seen Sound' } }],
    [
      '4 strokes clear fresh 28',
      {
        kind: 'bleedCycle',
        payload: { strokes: 4, cameOut: 'clear', colour: 'fresh', bottle: 28_000 },
      },
    ],
  ])('%s', (line, expected) => expect(said(line).statements).toEqual([expected]))

  it('a bare figure follows the person’s unit, a named one does not', () => {
    expect(said('free 2', { units: 'inch' }).statements).toEqual([measured('freeTravel', 50.8)])
    expect(said('free 42 mm', { units: 'inch' }).statements).toEqual([measured('freeTravel', 42)])
    expect(said('temp 50', { units: 'inch' }).statements[0]!.payload).toMatchObject({ value: 10 })
  })

  it('what makes no sense here or is out of bounds is refused with why', () => {
    const installation = fromArchetype('concentric')
    expect(said('boot wet', { installation })).toMatchObject({
      statements: [],
      problem: expect.stringContaining('concentric') as string,
    })
    expect(said('free 900').problem).toMatch(/0.0 mm to 500 mm; this is 900 mm/)
    expect(said('250 clear').problem).toMatch(/1 to 200/)
    expect(said('pineapple')).toEqual({ statements: [], leftOver: 'pineapple' })
    expect(said('boot purple').hint).toMatch(/say “wet”, “dry” or “not looked”/)
    expect(said('free').hint).toMatch(/say a number, as in “free 42”/)
  })

  it('asks where two readings are close, and files nothing meanwhile', () => {
    for (const line of [
      'slave wet',
      'hose ok',
      'stroke 11 or 12',
      'boot wet boot dry',
      '10 pumps bubbles',
    ]) {
      const { statements, ask } = said(line)
      expect(statements, line).toEqual([])
      expect(ask!.length, line).toBeGreaterThanOrEqual(2)
    }
  })

  it('each finding’s own words mean what its buttons mean, and never the other', () => {
    for (const kind of FINDINGS)
      for (const [state, words] of [
        ['present', kind.present],
        ['absent', kind.absent],
      ] as const) {
        const ways = kind.words.map((word) => said(`${word} ${words}`))
        const files = ways.some(
          ({ statements }) => JSON.stringify(statements) === JSON.stringify([finding(kind.id, state)]),
        )
        const asks = ways.some(({ ask }) =>
          ask?.some((one) => JSON.stringify(one) === JSON.stringify([finding(kind.id, state)])),
        )
        expect(files || asks, `${kind.id} ${state}`).toBe(true)
        for (const half of [words, ...words.split(/,? or /)])
          for (const word of kind.words)
            for (const one of said(`${word} ${half}`).statements)
              if (one.kind === 'finding' && one.payload.finding === kind.id)
                expect(one.payload.state, `${word} ${half}`).toBe(state)
      }
  })

  it('a general state reaches no finding that does not have it', () => {
    for (const line of [
      'fork wet',
      'switch wet',
      'clevis damp',
      'bushes leaking',
      'pedal wet',
      'tag wet',
    ])
      expect(said(line).statements, line).toEqual([])
  })

  it('takes any text without failing, and files no figure out of bounds', () => {
    const word = fc.constantFrom(
      ...'free sink in 60 -3 1e9 boot wet not no clear ml 9999 " . note 1/2 , and pumps half a min ?'.split(
        ' ',
      ),
    )
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(word).map((words) => words.join(' ')),
        ),
        (line) => {
          for (const one of said(line).statements)
            if (one.kind === 'measurement') {
              expect(one.payload.value).toBeGreaterThanOrEqual(-100)
              expect(one.payload.value).toBeLessThanOrEqual(500)
            }
        },
      ),
      { numRuns: 400 },
    )
  })
})
