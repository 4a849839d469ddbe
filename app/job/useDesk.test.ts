import { pedalReadings, stackOf, type Measured } from './stacks'
import { beforeEach, describe, expect, it } from 'vitest'
import { computed, shallowRef } from 'vue'
import { solveCircuit } from '../../core/circuit'
import { fromArchetype } from '../../core/installation'
import { cycle, entry, reading } from '../../tests/arbitrary/entry'
import { fold } from '../../core/journal'
import { phaseFigures, plannedFigures } from '../../core/proof'
import type { Change } from '../../core/whatif'
import { openDesk, type DeskSource } from './useDesk'

const van = fromArchetype('long-line')
const wider: Change = { change: 'field', field: 'master.bore', value: 17.46 }
const measured = shallowRef<Measured>([])
const plan = shallowRef<Change[] | null>(null)
const readings = fold([
  entry(1, 'measurement', reading('freeTravel', 51)),
  entry(2, 'measurement', reading('takeUpHeight', 0)),
  entry(3, 'bleedCycle', cycle('few')),
]).readings.asFound
const found = stackOf('asFound', phaseFigures(van, readings), readings)
const after = stackOf('after', phaseFigures(van, {}))

function desk(type: 'job' | 'vehicle' = 'job') {
  const shown = computed(() => van)
  const source = {
    subject: { type, id: `${Math.random()}` },
    path: '',
    name: computed(() => 'Van'),
    vehicleId: computed(() => 'v'),
    model: computed(() => null),
    kept: shown,
    routing: { shown },
    filing: {},
    measured: computed(() => measured.value),
    plan: computed(() => plan.value),
    readings: computed(() => pedalReadings(readings)),
    vehicleEntries: computed(() => []),
  }
  return openDesk(source as unknown as DeskSource)
}
const ids = (one: ReturnType<typeof desk>) => one.stacks.value.map(({ id }) => id)

beforeEach(() => {
  measured.value = [found]
  plan.value = null
})

describe('a state on the ladder', () => {
  it('carries what was felt and seen of it, and its name', () => {
    expect(found).toMatchObject({ label: 'as found', felt: 51, bites: 0 })
    expect(after).not.toHaveProperty('felt')
  })

  it('a take-up of nothing is a pedal that never frees the disc', () => {
    expect(pedalReadings(readings)).toEqual({ freeTravel: 51, takesUp: false })
  })
})

describe('the circuit’s desk', () => {
  it('stands what is planned between as found and after, and never more than three', () => {
    const one = desk()
    expect(ids(one)).toEqual(['asFound'])
    measured.value = [found, after]
    one.changes.value = [wider]
    expect(ids(one)).toEqual(['asFound', 'planned', 'after'])
    expect(one.stacks.value[1]!.figures.reserve.value).toBe(
      plannedFigures(found.figures, [wider]).reserve.value,
    )
    measured.value = []
    expect(ids(one)).toEqual([])
  })

  it('shows the filed plan until something else is tried, and on a vehicle it is a what-if', () => {
    plan.value = [wider]
    const one = desk()
    expect(one.changes.value).toEqual([wider])
    one.changes.value = []
    expect(ids(one)).toEqual(['asFound'])
    plan.value = null
    const other = desk('vehicle')
    other.changes.value = [wider]
    expect(ids(other)).toEqual(['asFound', 'whatIf'])
  })

  it('says why a change leaves no circuit, and shows none for it', () => {
    const one = desk()
    one.changes.value = [{ change: 'field', field: 'master.bore', value: 900 }]
    expect(one.planned.value.stack).toBeNull()
    expect(one.planned.value.problem).toMatch(/bore/i)
    expect(ids(one)).toEqual(['asFound'])
  })

  it('presses the newest state, no further than its pedal goes', () => {
    const one = desk()
    one.changes.value = [wider]
    one.pad.value = 9999
    const { circuit } = one.stacks.value.at(-1)!.figures
    expect(one.pressed.value).toEqual(solveCircuit(circuit, circuit.pedal.travel).at)
    expect(circuit.master.bore).toBe(17.46)
  })
})
