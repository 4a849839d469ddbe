import type { Format } from '../quantity'
import { greatest } from './balance'
import type { Circuit } from './circuit'
import { pressCurve, type Jump } from './curve'
import { bearingTravel, padTravelSending, volumeSent } from './plant'
import { ready, solveCircuit } from './solve'

/**
 * What happens in this circuit that a foot would notice and not understand. `stop` marks what must be mended before the
 * pedal is trusted.
 */
export type PedalEvent =
  | { kind: 'portCovered'; stop: true; heldIn: number }
  | { kind: 'rodPreloaded'; stop: true; heldIn: number }
  | { kind: 'padOnFloor'; stop: false; short: number }
  | { kind: 'masterAtEnd'; stop: false; padTravel: number; left: number; releases: boolean }
  | { kind: 'slaveAtEnd'; stop: false; padTravel: number; left: number; releases: boolean }
  | { kind: 'snap'; stop: false; jump: Jump; back: Jump | null }
  | { kind: 'ridesClamp'; stop: true; bearing: number }
  | { kind: 'hangs'; stop: false; padTravel: number; lacking: number }

/** Less pad than this left at a stop is the tape's, mm. */
const LEAST_LEFT = 0.5

/** Points of the curve on which it is looked for where the pedal hangs. */
const POINTS = 60

/** The events of a circuit, the gravest first. Everything is read off its real solution. */
export function eventsOf(circuit: Circuit): PedalEvent[] {
  const solution = solveCircuit(circuit)
  const r = ready(circuit)
  const { pedal, master, slave } = circuit
  const { clearance, slaveRest } = r.plant
  const events: PedalEvent[] = []
  const heldIn = -master.pushrodClearance
  if (solution.portCovered) events.push({ kind: 'portCovered', stop: true, heldIn })
  else if (solution.rodPreloaded) events.push({ kind: 'rodPreloaded', stop: true, heldIn })
  const riding = bearingTravel(r.plant, slaveRest)
  if (riding > circuit.cover.fullClampTravel)
    events.push({ kind: 'ridesClamp', stop: true, bearing: riding })

  const { releases } = solution
  const masterEnd = pedal.ratio * (clearance + master.stroke)
  if (pedal.travel - masterEnd > LEAST_LEFT)
    events.push({
      kind: 'masterAtEnd',
      stop: false,
      padTravel: masterEnd,
      left: pedal.travel - masterEnd,
      releases,
    })
  const most = slaveRest < slave.stroke ? greatest(r.down, slaveRest, slave.stroke) : 0
  const slaveEnd = padTravelSending(r.plant, most)
  if (most < volumeSent(r.plant, pedal.travel) && pedal.travel - slaveEnd > LEAST_LEFT)
    events.push({
      kind: 'slaveAtEnd',
      stop: false,
      padTravel: slaveEnd,
      left: pedal.travel - slaveEnd,
      releases,
    })
  if (solution.limitedBy === 'pedal')
    events.push({ kind: 'padOnFloor', stop: false, short: -solution.reserve })

  const { jumps, up, hangs } = pressCurve(circuit, POINTS)
  if (hangs !== null)
    events.push({
      kind: 'hangs',
      stop: false,
      padTravel: hangs,
      lacking: -Math.min(...up.map(({ pedalForce }) => pedalForce)),
    })
  const jump = jumps.down.find(({ padTravel }) => padTravel <= pedal.travel)
  if (jump) events.push({ kind: 'snap', stop: false, jump, back: jumps.up[0] ?? null })
  return events
}

/** An event as a technician would tell it: what happens, why, and what it does. */
export function tellEvent(event: PedalEvent, f: Format): string {
  switch (event.kind) {
    case 'portCovered':
      return `The rod holds the piston ${f.length(event.heldIn)} in: the port never opens. Fluid that wear and heat push back has no way home, the clutch loses its clamp and burns. Stop: shorten the rod first.`
    case 'rodPreloaded':
      return `The rod holds the piston ${f.length(event.heldIn)} in and part covers the port. Stop: give it play before going on.`
    case 'ridesClamp':
      return `At rest the slave already presses the fingers ${f.length(event.bearing)} in: the clutch slips with the pedal up.`
    case 'hangs':
      return `Let go, the pedal hangs ${f.length(event.padTravel)} from its rest: the master’s seal drags ${f.force(event.lacking)} more than the springs pull there. A return spring on the pedal, or a stronger one in the master, brings it home.`
    case 'padOnFloor':
      return `The pad is on the floor ${f.length(event.short)} before the disc is free.`
    case 'masterAtEnd':
      return event.releases
        ? `The master’s piston is at its end ${f.length(event.left)} above the floor: the last of the pedal does nothing, and a hard foot bends the rod or bracket.`
        : `The master’s stroke is too short: its piston is at its end with ${f.length(event.left)} of pedal left, and the disc is not free.`
    case 'slaveAtEnd':
      return event.releases
        ? `The slave’s piston meets its circlip with ${f.length(event.left)} of pedal left: from there on only pressure rises.`
        : `The slave’s piston meets its circlip with ${f.length(event.left)} of pedal left, and the disc is not free: more pedal only raises the pressure.`
    case 'snap': {
      const { jump, back } = event
      const down = `At ${f.length(jump.padTravel)} of pad the cover goes over its peak and what is squeezed throws the rod ${f.length(jump.to - jump.from)} on, with the foot standing still.`
      return back
        ? `${down} Coming up it drops back only at ${f.length(back.padTravel)}: the clutch bites suddenly.`
        : down
    }
  }
}
