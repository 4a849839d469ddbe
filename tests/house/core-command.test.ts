import { describe, expect, it } from 'vitest'
import reference from '../../core/circuit/reference-cases.json'
import { coreAnswer } from '../../scripts/core-answer'
import { expectClose } from '../harness/expect-close'
import { run } from '../harness/running'

const command = (verb: string, input: unknown) =>
  run('npm', ['run', '--silent', 'core', '--', ...(verb ? [verb] : [])], {
    input: typeof input === 'string' ? input : JSON.stringify(input),
  })
const bad = structuredClone(reference.cases[0]!.input) as { circuit: { master: { bore: number } } }
bad.circuit.master.bore = 900

describe('what the core answers on a command line', () => {
  it('air that does not fit, with why', () => {
    const { circuit } = reference.cases[0]!.input
    const { exit, output } = coreAnswer('air', JSON.stringify({ circuit, freeTravel: 2 }))
    expect([exit, Object.keys(output)]).toEqual([0, ['implausible']])
  })

  it.each([
    ['circuit', JSON.stringify(bad), '/circuit/master/bore', /above its most, 60 mm/],
    ['circuit', '{"circuit":', '', /not readable as JSON/],
    ['circuit', '{}', '/circuit', /circuit is missing/],
    ['toString', '{}', '', /no verb: known are circuit, air, sink/],
    [undefined, '{}', '', /a verb is missing/],
  ])('%s on bad input: an error with its path', (verb, text, path, message) => {
    const { exit, output } = coreAnswer(verb, text)
    const said = output as { error: string; path: string }
    expect(exit).toBe(2)
    expect(Object.keys(said).sort()).toEqual(['error', 'path'])
    expect(said.path).toBe(path)
    expect(said.error).toMatch(message)
  })
})

describe('npm run --silent core', () => {
  it('prints the answer and nothing else', async () => {
    const [, , , , one] = reference.cases
    const { code, stdout, stderr } = await command(one!.verb, one!.input)
    expect(code).toBe(0)
    expect(stderr.replace(/^npm warn.*\n?/gm, '')).toBe('')
    expectClose(JSON.parse(stdout), one!.expect)
  })

  it('exits 2 on bad input, with one JSON object and nothing else', async () => {
    const { code, stdout, stderr } = await command('circuit', bad)
    expect(code).toBe(2)
    expect(stderr.replace(/^npm warn.*\n?/gm, '')).toBe('')
    expect((JSON.parse(stdout) as { path: string }).path).toBe('/circuit/master/bore')
  })
})
