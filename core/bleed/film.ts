import type { Run } from '../run'
import { usualConstants, type Constants } from './constants'
import { cycleOf, RUNS, type BleedRun } from './methods'
import { P0 } from './physics'
import { askedOf, type RankAsked } from './rank'
import { Bleed } from './run'

/** Share of gas in every cell of the line and of the bleed line, and in both chambers: 0 to 1. */
export interface Picture {
  line: Float32Array
  far: Float32Array
  slave: number
  master: number
}
/** What is seen at one moment of a run. */
export interface Frame extends Picture {
  /** s since the start, and the cycle it belongs to, from 1. */
  at: number
  cycle: number
  method: BleedRun
  /** Over the air around, in the line, kPa. */
  pressure: number
  /** Share of the master piston's stroke, and ml that the slave's piston has moved. */
  x: number
  moved: number
  /** Free air by place, ml. */
  air: { line: number; slave: number; master: number; total: number }
  /** Fluid and gas out of the screw so far, ml; fluid drawn from the reservoir. */
  liquidOut: number
  gasOut: number
  drawn: number
  /** ml/s through the screw just now: outwards positive. */
  flow: number
}
/** The line as it is drawn: of each cell its middle along the line and its height, mm, and its bore. */
export interface FilmCells {
  along: number[]
  height: number[]
  bore: number[]
  slope: number[]
}
export interface Film {
  line: FilmCells
  far: FilmCells | null
  frames: Frame[]
  /** ml. */
  volumes: { master: number; slave: number; stroke: number; usable: number }
  target: number
}

/** Cells of a line that is watched. */
const CELLS = 80
const MOST_FRAMES = 3000

const cellsOf = (bleed: Bleed, which: 'cells' | 'bleedLine'): FilmCells | null => {
  const cells = bleed.machine[which]
  return (
    cells && {
      along: Array.from(cells.along),
      height: Array.from(cells.mid, (z) => 1000 * z),
      bore: Array.from(cells.diameter, (d) => 1000 * d),
      slope: Array.from(cells.slope),
    }
  )
}

/** Plays a sequence and looks at it as it goes; one piece is one cycle. */
export function filmRun(
  asked: RankAsked,
  steps: readonly { method: BleedRun; cycles: number }[],
  constants: Constants = usualConstants(),
  atUnion = false,
): Run<Film> {
  const hung = steps.find(({ method }) => RUNS[method].hung)
  const bleed = new Bleed({
    ...askedOf(asked, { ...constants, ...asked.set }, CELLS),
    method: (hung ?? steps[0]!).method,
    atUnion,
  })
  const { machine, setting } = bleed
  const order = steps.flatMap(({ method, cycles }) => Array<BleedRun>(cycles).fill(method))
  const frames: Frame[] = []
  let [at, since, done] = [0, 0, 0]
  let method: BleedRun = steps[0]!.method
  const shares = (gas: Float64Array, volume: number, p: number) =>
    Float32Array.from(gas, (g) => Math.min(1, (g * P0) / (p * volume)))
  const look = () => {
    const { count } = machine
    const before = frames.at(-1)
    const out = count.liquidOut + count.gasOut
    const passed = before ? at - before.at : 0
    const line = machine.gasIn(machine.line) + machine.gasIn(machine.far)
    frames.push({
      at,
      cycle: Math.min(order.length, done + 1),
      method,
      line: shares(machine.line, machine.cells.volume, machine.pl),
      far: machine.bleedLine
        ? shares(machine.far, machine.bleedLine.volume, machine.ps)
        : new Float32Array(0),
      slave: Math.min(1, (machine.slave * P0) / (machine.ps * Math.max(1e-6, machine.slaveNow))),
      master: Math.min(1, (machine.master * P0) / (machine.pm * Math.max(1e-6, machine.masterNow))),
      pressure: (machine.pl - P0) / 1000,
      x: machine.x,
      moved: machine.extra,
      air: { line, slave: machine.slave, master: machine.master, total: machine.total },
      liquidOut: count.liquidOut,
      gasOut: count.gasOut,
      drawn: count.drawn - count.returned,
      flow: before && passed > 0 ? (out - before.liquidOut - before.gasOut) / passed : 0,
    })
    since = 0
  }
  look()
  machine.watch = (dt) => {
    at += dt
    since += dt
    if (since >= RUNS[method].every && frames.length < MOST_FRAMES) look()
  }
  return {
    total: order.length,
    step(count) {
      for (const end = Math.min(order.length, done + count); done < end;) {
        method = order[done]!
        cycleOf(method, setting)
        look()
        done += 1
      }
      return done
    },
    result: () => ({
      line: cellsOf(bleed, 'cells')!,
      far: cellsOf(bleed, 'bleedLine'),
      frames,
      volumes: {
        master: machine.chambers.masterVolume,
        slave: machine.chambers.slaveVolume,
        stroke: machine.chambers.stroke,
        usable: asked.laid.master.usable,
      },
      target: asked.target.value,
    }),
  }
}
