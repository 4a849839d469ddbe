import { beforeEach, describe, expect, it } from 'vitest'
import { lineOfKind } from '../circuit'
import { fromArchetype } from '../installation'
import { seconds, tell, tellChange, type Kind, type Payloads } from '../journal'
import { formatOf, type UnitSystem } from '../quantity'

let units: UnitSystem = 'metric'
beforeEach(() => {
  units = 'metric'
})
const describeChange = (change: Payloads['circuitPlan']['changes'][number]) =>
  tellChange(change, formatOf(units))
const said = <K extends Kind>(kind: K, payload: Payloads[K]) =>
  tell({ kind, payload } as never, formatOf(units))

describe('an entry in a line', () => {
  it('says what was seen and measured', () => {
    expect(said('measurement', { reading: 'freeTravel', value: 51, phase: 'asFound' })).toBe(
      'Free travel at the pad 51 mm',
    )
    expect(said('measurement', { reading: 'sink', value: 6, duration: 60, phase: 'after' })).toBe(
      'Sink under a held foot 6.0 mm in 60 s, after',
    )
    expect(said('finding', { finding: 'bootWet', state: 'present', phase: 'asFound' })).toBe(
      'Slave boot peeled back: wet',
    )
    expect(
      said('bleedCycle', { method: 'openPush', strokes: 1, cameOut: 'clear', bottle: 14_000 }),
    ).toBe('1 stroke, clear, 14 ml')
    expect(said('bleedCycle', { method: 'vacuum', cameOut: 'few' })).toBe(
      'Vacuum at the bleeder, few bubbles',
    )
    expect(said('topUp', {})).toBe('Topped up')
  })

  it('says what was done, what was found before it came apart, and what helps the next one', () => {
    expect(said('workDone', { operation: 'grease', words: 'pivot only' })).toBe(
      'Done: Oil or grease pivot, clevis and rod tip; pivot only',
    )
    expect(said('asFound', { item: 'threadsOnRod', value: 7 })).toBe(
      'Threads showing on the rod: 7 threads',
    )
    expect(said('asFound', { item: 'threadsOnRod', value: 1, unit: 'turns' })).toMatch(/: 1 turn$/)
    expect(said('asFound', { item: 'rodLength', value: 142 })).toBe('Length of the pushrod: 142 mm')
    units = 'inch'
    expect(said('asFound', { item: 'rodLength', value: 142 })).toBe('Length of the pushrod: 5.59 in')
    expect(said('measurement', { reading: 'mileage', value: 100_000, phase: 'asFound' })).toMatch(
      / 62137 miles$/,
    )
    expect(said('asFound', { item: 'portOrientation', value: 90 })).toMatch(/: 90°$/)
    expect(said('modelNote', { model: 'Fenn 9', place: 'reservoir', words: 'behind the airbox' })).toBe(
      'Note for this model, reservoir: behind the airbox',
    )
    expect(said('closed', {})).toBe('Job closed')
    expect(said('closed', { reason: 'sold' })).toBe('Job closed: sold')
  })

  it('says what is on and off, what came out of a cylinder, and what was set', () => {
    expect(said('putOn', { item: 'clamp', place: 'feed hose' })).toBe('Put on: clamp, feed hose')
    expect(said('removed', { item: 'fastener', place: '3 bolts', bag: 'bag 2' })).toBe(
      'Taken off: fasteners, 3 bolts (bag 2)',
    )
    expect(said('takenOff', { of: 'x' })).toBe('Off again')
    expect(said('refitted', { of: 'x' })).toBe('Back in its place')
    expect(
      said('rebuildPiece', {
        cylinder: 'slave',
        order: 3,
        piece: 'Slave cup',
        facing: 'closed',
        verdict: 'renew',
      }),
    ).toBe('Out of the slave, 3: Slave cup, lip to the closed end, renewed')
    const bore = {
      cylinder: 'slave',
      nominal: 19.05,
      bore: 19.2,
      piston: 18.98,
      surface: 'pit',
      verdict: 'reject',
    } as const
    expect(said('boreCheck', bore)).toBe(
      'Bore of the slave, nominal 19.05 mm: rejected, a pit, measured 19.20 mm, piston 18.98 mm',
    )
    expect(
      said('newPart', { part: 'slave', plugs: 2, screw: 'freed', spring: 'felt', compared: 'alike' }),
    ).toBe(
      'New slave on the bench, 2 delivery plugs off, bleed screw freed, spring felt, like the old one',
    )
    expect(said('adjust', { what: 'rod', from: 0.2, to: 0.8, turns: -1 })).toBe(
      'Pushrod clearance from 0.2 mm to 0.8 mm, 1 turn',
    )
    expect(said('adjust', { what: 'switch', from: 7, to: 9 })).toBe(
      'Pedal switch from 7 threads to 9 threads',
    )
    units = 'inch'
    expect(said('boreCheck', bore)).toMatch(/nominal 0.750 in.*measured 0.756 in/)
  })

  it('says what was done to the circuit, by the field’s own name and unit', () => {
    expect(said('parameter', { field: 'master.bore', value: 15.875 })).toBe(
      'Master bore measured: 15.9 mm',
    )
    expect(said('parameter', { field: 'slave.bleeder.angle', value: 40 })).toBe(
      'Bleed screw, off top measured: 40°',
    )
    expect(said('parameter', { field: 'lines.1.expansion', value: 314 })).toBe(
      'Hose expansion measured: 314 mm³/MPa/m',
    )
    expect(said('route', { points: fromArchetype('long-line').route })).toBe(
      'Line routed over 8 points',
    )
    expect(said('calibration', { freeTravel: 18 })).toBe('Pedal known good: readings kept for later')
    expect(said('installation', fromArchetype('tractor'))).toBe('Installation set')
    expect(said('withdrawal', {})).toBe('Taken back')
  })

  it('says a plan change by change, in the units of who reads', () => {
    const plan: Payloads['circuitPlan'] = {
      changes: [
        { change: 'air', value: 600 },
        { change: 'field', field: 'master.bore', value: 17.46 },
        { change: 'line', index: 1, line: lineOfKind('braided', 380) },
        { change: 'wear', value: 1.5 },
      ],
    }
    expect(said('circuitPlan', plan)).toBe(
      'Planned: air 0.60 ml; master bore 17.5 mm; line 2 braided, 380 mm; facings worn 1.5 mm',
    )
    expect(said('circuitPlan', { changes: [] })).toBe('Nothing planned')
    units = 'inch'
    expect(describeChange(plan.changes[1]!)).toBe('master bore 0.69 in')
    expect(describeChange(plan.changes[3]!)).toBe('facings worn 0.06 in')
  })

  it('says durations as one would', () => {
    expect([seconds(45), seconds(60), seconds(300), seconds(7200)]).toEqual([
      '45 s',
      '60 s',
      '5 min',
      '2 h',
    ])
  })
})
