import { describe, expect, it } from 'vitest'
import reference from '../../core/circuit/reference-cases.json'
import { expectClose } from '../harness/expect-close'
import { run } from '../harness/running'

const core = (verb: string, input: unknown) =>
  run('npm', ['run', '--silent', 'core', '--', ...(verb ? [verb] : [])], {
    input: typeof input === 'string' ? input : JSON.stringify(input),
  })

describe('npm run --silent core', () => {
  it.each(reference.cases.map((one, i) => [i, one.verb, one] as const))(
    'reference case %i, %s',
    async (_, verb, one) => {
      const { code, stdout } = await core(verb, one.input)
      expect(code).toBe(0)
      expectClose(JSON.parse(stdout), one.expect)
    },
  )

  it('answers air that does not fit with why', async () => {
    const { circuit } = reference.cases[0]!.input
    const { code, stdout } = await core('air', { circuit, freeTravel: 2 })
    expect(code).toBe(0)
    expect(Object.keys(JSON.parse(stdout) as object)).toEqual(['implausible'])
  })

  const bad = structuredClone(reference.cases[0]!.input) as { circuit: { master: { bore: number } } }
  bad.circuit.master.bore = 900
  it.each([
    ['circuit', bad, '/circuit/master/bore', /above its most, 60 mm/],
    ['circuit', '{"circuit":', '', /not readable as JSON/],
    ['circuit', {}, '/circuit', /circuit is missing/],
    ['toString', {}, '', /no verb: known are circuit, air, sink/],
    ['', {}, '', /a verb is missing/],
  ])(
    '%s on bad input: exit 2, one JSON object and nothing else',
    async (verb, input, path, message) => {
      const { code, stdout, stderr } = await core(verb, input)
      expect(code).toBe(2)
      expect(stderr.replace(/^npm warn.*\n?/gm, '')).toBe('')
      const said = JSON.parse(stdout) as { error: string; path: string }
      expect(Object.keys(said).sort()).toEqual(['error', 'path'])
      expect(said.path).toBe(path)
      expect(said.error).toMatch(message)
    },
  )
})
