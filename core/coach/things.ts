import type { PutOnItem, RemovedItem } from '../plan'
import { bleeder, pedal, type Move, type Thing } from '../bleed/methods'

interface ThingRow {
  /** How it is called on, where it is made ready by itself and not by a move of a method. */
  on?: Move
  /** How it is called off; absent where it needs no call. */
  off?: Move
  /** Kept in the job’s ledger of what is on and what is off, so that hand-over waits for it. */
  ledger?: { put: PutOnItem; place: string } | { taken: RemovedItem; place: string }
  /** It may stay while other methods go on, until the end. */
  stays?: true
}
const ON_SCREW = 'the bleed screw'

/**
 * One row a thing. Order matters: what has to be off is called off in this order, so that the pressure is let off before a cap,
 * the bar is out before the tag is, the screw is tight before its hose comes off, and the tag goes last.
 */
export const THING_ROWS: Record<Thing, ThingRow> = {
  pressure: { off: pedal('vent', { takes: ['pressure'] }) },
  vacuum: { off: pedal('vent', { takes: ['vacuum'] }) },
  bar: {
    off: pedal('remove', { pedal: 'down', takes: ['bar'] }),
  },
  wedge: {
    off: pedal('remove', { pedal: 'down', takes: ['wedge'] }),
    ledger: { put: 'prop', place: 'the pedal' },
  },
  slaveClamp: {
    off: bleeder('unclamp', { takes: ['slaveClamp'] }),
    ledger: { put: 'slaveClamp', place: 'the slave' },
  },
  screwLoose: { off: bleeder('tighten', { takes: ['screwLoose'] }), stays: true },
  hose: {
    on: bleeder('hose', { puts: ['hose'] }),
    off: bleeder('detach', { takes: ['hose'] }),
    ledger: { put: 'bleedHose', place: ON_SCREW },
    stays: true,
  },
  valveHose: {
    on: bleeder('hose', { puts: ['valveHose'] }),
    off: bleeder('detach', { takes: ['valveHose'] }),
    ledger: { put: 'bleedHose', place: ON_SCREW },
  },
  pumpHose: {
    on: bleeder('rig', { puts: ['pumpHose'] }),
    off: bleeder('detach', { takes: ['pumpHose'] }),
    ledger: { put: 'bleedHose', place: ON_SCREW },
  },
  injector: {
    on: bleeder('rig', { puts: ['injector'] }),
    off: bleeder('detach', { takes: ['injector'] }),
    ledger: { put: 'bleedHose', place: ON_SCREW },
  },
  unionLoose: { off: bleeder('tighten', { takes: ['unionLoose'] }), stays: true },
  cover: {
    on: bleeder('cover', { puts: ['cover'] }),
    off: bleeder('wipe', { takes: ['cover'] }),
    ledger: { put: 'cover', place: 'round the union' },
    stays: true,
  },
  pressureCap: {
    on: pedal('adapter', { puts: ['pressureCap'] }),
    off: pedal('detach', { takes: ['pressureCap'] }),
    ledger: { put: 'bleedCap', place: 'the reservoir' },
  },
  vacuumCap: {
    on: pedal('adapter', { puts: ['vacuumCap'] }),
    off: pedal('detach', { takes: ['vacuumCap'] }),
    ledger: { put: 'bleedCap', place: 'the reservoir' },
  },
  slaveOff: {
    on: bleeder('unbolt', { puts: ['slaveOff'] }),
    off: bleeder('refit', { takes: ['slaveOff'] }),
    ledger: { taken: 'fastener', place: 'the slave' },
  },
  tag: {
    on: pedal('tag', { puts: ['tag'] }),
    off: pedal('untag', { takes: ['tag'] }),
    ledger: { put: 'tag', place: 'the pedal' },
  },
  tilt: {
    off: bleeder('wheels', { takes: ['tilt'] }),
    ledger: { put: 'tilt', place: 'the vehicle' },
    stays: true,
  },
  loop: {
    on: bleeder('loop', { puts: ['loop'] }),
    off: bleeder('plug', { takes: ['loop'] }),
    ledger: { put: 'loopHose', place: 'the master' },
  },
  plug: { ledger: { put: 'plug', place: 'the open end' }, stays: true },
  capOff: {
    off: pedal('cap', { takes: ['capOff'] }),
    ledger: { taken: 'cap', place: 'the reservoir' },
    stays: true,
  },
  marked: {
    on: pedal('fill', { fills: true, puts: ['marked', 'capOff'], takes: ['lowered'] }),
    stays: true,
  },
  lowered: {
    on: pedal('drawOff', { lowers: true, puts: ['lowered', 'capOff'], takes: ['marked'] }),
    stays: true,
  },
  purged: { on: bleeder('purge', { puts: ['purged'] }), stays: true },
  hung: { on: bleeder('suspend', { puts: ['hung'] }), stays: true },
  vice: { on: bleeder('vice', { puts: ['vice'] }), stays: true },
  levelled: { on: bleeder('level', { puts: ['levelled'] }), stays: true },
  hands: { on: bleeder('hands', { puts: ['hands'] }), stays: true },
}
