import type { Thing } from '../../bleed/methods'

type Said = readonly [does: string, other: string]
/** What is put on or made ready before a method, and what comes off again: the pedal is up, the screw shut. */
export const THING_SENTENCES: Partial<Record<Thing, { on?: Said; off?: Said }>> = {
  hose: {
    on: [
      'Screw’s cap off, ring wrench on it, then the hose; its end under clean fluid in the catch bottle. Never catch into the can you fill from.',
      'Hose and bottle go on. Stay off the pedal.',
    ],
    off: [
      'Hose off; wipe the screw, its cap on. Used fluid goes to licensed collection.',
      'The hose comes off. Stay off the pedal.',
    ],
  },
  valveHose: {
    on: [
      'Screw’s cap off, ring wrench on it, then the valve hose: the valve lets out, not in.',
      'The valve hose goes on. Stay off the pedal.',
    ],
    off: [
      'Valve hose off; wipe the screw, its cap on.',
      'The valve hose comes off. Stay off the pedal.',
    ],
  },
  pumpHose: {
    on: [
      'The pump’s hose on the screw, with its bottle between. Tape on the threads, never on the seat.',
      'The vacuum pump goes on at the screw. Stay off the pedal.',
    ],
    off: [
      'The pump’s hose off the screw; wipe it, its cap on.',
      'The vacuum pump comes off. Stay off the pedal.',
    ],
  },
  injector: {
    on: [
      'The injector’s hose on the screw, full to its end, no bubble in it. It comes from the injector: no catch bottle.',
      'The injector goes on at the screw. Stay off the pedal.',
    ],
    off: [
      'The injector’s hose off, its end up; wipe the screw, its cap on.',
      'The injector comes off. Stay off the pedal.',
    ],
  },
  pressureCap: {
    on: [
      'The adapter on the reservoir with hose and gauge, its seal clean. No pressure yet.',
      'The pressure adapter goes on the reservoir.',
    ],
    off: [
      'The pressure is off: take the adapter off the reservoir.',
      'The pressure adapter comes off the reservoir.',
    ],
  },
  vacuumCap: {
    on: [
      'The adapter on the reservoir, sealing both ways. No vacuum yet.',
      'The vacuum adapter goes on the reservoir.',
    ],
    off: [
      'The vacuum is off: take the adapter off the reservoir.',
      'The vacuum adapter comes off the reservoir.',
    ],
  },
  pressure: {
    off: [
      'Let the pressure off slowly first: nothing comes off a reservoir under pressure.',
      'The pressure is being let off. Leave the screw shut until it is.',
    ],
  },
  vacuum: {
    off: ['Let the vacuum off slowly first.', 'The vacuum is being let off first.'],
  },
  cover: {
    on: [
      'Clean round the union, cloth round it, paint covered, water at hand. Flare-nut wrench.',
      'The union is being cleaned and covered. Stay off the pedal.',
    ],
    off: ['Cloth away; wipe, and rinse what it touched.', 'The cloth comes away from the union.'],
  },
  screwLoose: {
    off: [
      'Tighten the screw by the maker’s figure: it is small, and it strips.',
      'The screw is being tightened for good. Stay off the pedal.',
    ],
  },
  unionLoose: {
    off: [
      'Tighten the union by the maker’s figure, counter-holding.',
      'The union is being tightened for good. Stay off the pedal.',
    ],
  },
  slaveOff: {
    on: [
      'Slave off its bolts, the line left on; hold it with its port uppermost. The rod can fly out: keep a thumb on it.',
      'The slave comes off its bolts. Nobody goes near the tagged pedal.',
    ],
    off: [
      'Slave back: rod in its seat, and feel its spring; bolts tight.',
      'The slave goes back on its bolts. Nobody goes near the tagged pedal.',
    ],
  },
  slaveClamp: {
    off: [
      'Take the clamp off the slave before anything else.',
      'The clamp comes off the slave first. Stay off the pedal.',
    ],
  },
  tag: {
    on: [
      'Hang the tag on the pedal: nobody presses it while the slave is in the hand.',
      'The pedal is being tagged: the slave comes off next.',
    ],
    off: ['The slave is bolted up again: take the tag off the pedal.', 'The tag comes off the pedal.'],
  },
  tilt: {
    off: [
      'Stands away, vehicle back on its wheels, level.',
      'The vehicle goes back on its wheels: stand clear.',
    ],
  },
  loop: {
    on: ['Loop hose from the outlet back under the fluid in the reservoir.', 'The loop hose goes on.'],
    off: [
      'Loop off, and plug the outlet at once: full and closed.',
      'The loop comes off, the outlet is plugged.',
    ],
  },
  capOff: { off: ['Cap on before it is left standing.', 'The cap goes on before it is left.'] },
  marked: {
    on: [
      'Clean round the cap, then off with it. Fill to the mark with fresh fluid; cap laid on loosely.',
      'The reservoir is being filled to its mark.',
    ],
  },
  lowered: {
    on: [
      'Cap off. Draw the reservoir down by syringe to just over the port: what is sent up needs the room.',
      'The reservoir is being drawn down: nothing is filled in.',
    ],
  },
  purged: {
    on: ['Press the injector until its hose runs without a bubble.', 'The injector is being purged.'],
  },
  hung: {
    on: [
      'Hang the circuit up: reservoir on top, line straight down, slave lowest, nothing that can fall.',
      'The circuit is being hung up.',
    ],
  },
  vice: {
    on: [
      'Hold the cylinder by its lugs or nuts, never round its body.',
      'The cylinder goes into the vice.',
    ],
  },
  levelled: {
    on: [
      'Both vessels stand level, hose ends under fluid, nothing that tips.',
      'The vessels are set level.',
    ],
  },
  hands: {
    on: [
      'Count hands: one strokes, one keeps the hose under. Do not start one short.',
      'Hands are counted.',
    ],
  },
}
