import type { Film, FilmCells, Frame, Picture } from '~~/core/bleed'

/** Colours of the look that is on, by name. */
export interface Tones {
  ground: string
  raised: string
  ink: string
  soft: string
  hairline: string
  amber: string
  fluid: string
}
export interface Sizes {
  width: number
  height: number
}
/** What a picture needs beside the air: where the piston is, and what flows. */
export interface Moment extends Picture {
  x: number
  moved: number
  flow: number
  /** Gas in what comes out, 0 to 1. */
  gasShare: number
  /** Of the usable fluid over the mark, 0 to 1. */
  level: number
}

const LEFT = 176
const RIGHT = 208
const TOP = 96
const BOTTOM = 70
const BORE = 44

/** Where everything stands, in CSS pixels. */
export interface Layout {
  at: { x: number; y: number }[]
  width: number
  master: { x: number; y: number }
  slave: { x: number; y: number }
  tube: number[]
}
export function layoutOf(cells: FilmCells, { width, height }: Sizes): Layout {
  const total = cells.along.at(-1)! + (cells.along[0] ?? 0)
  const heights = cells.height
  const [high, low] = [Math.max(0, ...heights), Math.min(0, ...heights)]
  const room = Math.max(1, high - low)
  const scale = (height - TOP - BOTTOM) / room
  const y = (z: number) => TOP + (high - z) * scale
  const x = (along: number) => LEFT + (along / total) * (width - LEFT - RIGHT)
  return {
    at: cells.along.map((along, i) => ({ x: x(along), y: y(heights[i]!) })),
    width,
    master: { x: LEFT, y: y(0) },
    slave: { x: width - RIGHT, y: y(heights.at(-1)!) },
    tube: cells.bore.map((bore) => Math.min(18, 8 + 1.6 * bore)),
  }
}

/** Draws the circuit with its air at one moment. */
export function drawInside(
  ctx: CanvasRenderingContext2D,
  { width, height }: Sizes,
  layout: Layout,
  moment: Moment,
  film: Film,
  bleederOff: number | null,
  tones: Tones,
): void {
  ctx.clearRect(0, 0, width, height)
  drawMaster(ctx, layout.master, moment, tones)
  drawSlave(ctx, layout.slave, moment, film, bleederOff, tones)
  drawTube(ctx, layout, tones)
  drawAir(ctx, layout, moment.line, tones)
}

function drawTube(ctx: CanvasRenderingContext2D, { at, tube, master, slave }: Layout, tones: Tones) {
  const path = new Path2D()
  path.moveTo(master.x - 8, master.y)
  for (const { x, y } of at) path.lineTo(x, y)
  path.lineTo(slave.x + 8, slave.y)
  const thick = Math.max(...tube)
  ctx.lineJoin = 'round'
  ctx.lineCap = 'butt'
  ctx.strokeStyle = tones.ink
  ctx.lineWidth = thick + 4
  ctx.stroke(path)
  ctx.strokeStyle = tones.fluid
  ctx.lineWidth = thick
  ctx.stroke(path)
}

/** A cell that is mostly gas is drawn as part of a slug, one with less as a bubble of its size. */
const SLUG = 0.5
const SEEN = 0.01
function drawAir(
  ctx: CanvasRenderingContext2D,
  { at, tube }: Layout,
  line: Float32Array,
  tones: Tones,
): void {
  const n = at.length
  const share = (i: number) => line[Math.min(line.length - 1, Math.floor((i * line.length) / n))]!
  ctx.fillStyle = tones.ground
  ctx.strokeStyle = tones.ink
  ctx.lineCap = 'round'
  ctx.lineJoin = 'round'
  for (let i = 0; i < n;) {
    const alpha = share(i)
    if (alpha < SLUG) {
      if (alpha > SEEN) {
        const r = Math.max(1.2, (tube[i]! / 2) * Math.sqrt(alpha))
        ctx.lineWidth = 1
        ctx.beginPath()
        ctx.arc(at[i]!.x, at[i]!.y - (tube[i]! / 2 - r) * 0.7, r, 0, 7)
        ctx.fill()
        ctx.stroke()
      }
      i++
      continue
    }
    const path = new Path2D()
    let from = i
    path.moveTo(at[i]!.x - 1, at[i]!.y)
    while (i < n && share(i) >= SLUG) path.lineTo(at[i]!.x, at[i++]!.y)
    if (i === from) i = ++from
    ctx.strokeStyle = tones.ink
    ctx.lineWidth = tube[from]! - 1
    ctx.stroke(path)
    ctx.strokeStyle = tones.ground
    ctx.lineWidth = tube[from]! - 4
    ctx.stroke(path)
  }
}

/** Fluid in a lying cylinder with its gas on top. */
function drawChamber(
  ctx: CanvasRenderingContext2D,
  x: number,
  y: number,
  width: number,
  gas: number,
  tones: Tones,
): void {
  ctx.fillStyle = tones.fluid
  ctx.fillRect(x, y - BORE / 2, width, BORE)
  const top = Math.min(BORE, BORE * gas)
  if (top > 0.3) {
    ctx.fillStyle = tones.ground
    ctx.fillRect(x, y - BORE / 2, width, top)
    ctx.strokeStyle = tones.ink
    ctx.lineWidth = 1
    ctx.beginPath()
    ctx.moveTo(x, y - BORE / 2 + top)
    ctx.lineTo(x + width, y - BORE / 2 + top)
    ctx.stroke()
  }
  ctx.strokeStyle = tones.ink
  ctx.lineWidth = 2.5
  ctx.strokeRect(x, y - BORE / 2, width, BORE)
}

const MASTER_LENGTH = 118
const STROKE = 70
function drawMaster(
  ctx: CanvasRenderingContext2D,
  { x, y }: { x: number; y: number },
  moment: Moment,
  tones: Tones,
): void {
  const end = x - 8
  const begin = end - MASTER_LENGTH
  const piston = begin + 12 + moment.x * STROKE
  // Reservoir above, its level by what was drawn.
  const [rx, ry] = [begin + 6, y - BORE / 2 - 58]
  ctx.strokeStyle = tones.ink
  ctx.lineWidth = 2
  const level = 34 * Math.max(0, Math.min(1, moment.level))
  ctx.fillStyle = tones.fluid
  ctx.fillRect(rx, ry + 40 - level, 64, level)
  ctx.strokeRect(rx, ry, 64, 40)
  ctx.fillRect(rx + 26, ry + 40, 7, 18)
  ctx.strokeRect(rx + 26, ry + 40, 7, 18)
  ctx.strokeRect(begin, y - BORE / 2, MASTER_LENGTH, BORE)
  drawChamber(ctx, piston, y, end - piston, moment.master, tones)
  ctx.fillStyle = tones.ink
  ctx.fillRect(piston - 10, y - BORE / 2, 10, BORE)
  ctx.fillRect(begin - 30 + moment.x * STROKE, y - 3, piston - 10 - (begin - 30 + moment.x * STROKE), 6)
  ctx.fillRect(begin - 34 + moment.x * STROKE, y - 22, 6, 44)
}

const SLAVE_LENGTH = 84
function drawSlave(
  ctx: CanvasRenderingContext2D,
  { x, y }: { x: number; y: number },
  moment: Moment,
  film: Film,
  bleederOff: number | null,
  tones: Tones,
): void {
  const begin = x + 8
  const out = Math.max(-0.5, Math.min(1, moment.moved / Math.max(0.5, film.volumes.stroke))) * 34
  const piston = begin + 40 + out
  ctx.strokeStyle = tones.ink
  ctx.lineWidth = 2.5
  ctx.strokeRect(begin, y - BORE / 2, SLAVE_LENGTH, BORE)
  drawChamber(ctx, begin, y, piston - begin, moment.slave, tones)
  ctx.fillStyle = tones.ink
  ctx.fillRect(piston, y - BORE / 2, 10, BORE)
  ctx.fillRect(piston + 10, y - 3, begin + SLAVE_LENGTH + 30 - piston - 10 + out, 6)
  if (bleederOff === null) return
  // The screw, at its height on the bore: off the top it leaves a pocket above it.
  const sy = y - (BORE / 2) * Math.cos((bleederOff * Math.PI) / 180)
  const sx = begin + 14
  const open = Math.abs(moment.flow) > 0.05
  ctx.fillStyle = open ? tones.amber : tones.ink
  ctx.fillRect(sx - 4, sy - 16, 8, 16)
  const from = sy - 16 - (moment.far.length > 0 ? BLEED_LINE : 0)
  if (moment.far.length > 0) drawBleedLine(ctx, sx, sy - 16, moment.far, tones)
  // Hose and bottle, with what comes out.
  const bottle = { x: begin + SLAVE_LENGTH + 46, y: y + 6 }
  ctx.strokeStyle = open ? tones.fluid : tones.hairline
  ctx.lineWidth = 6
  ctx.beginPath()
  ctx.moveTo(sx, from)
  ctx.bezierCurveTo(sx, from - 46, bottle.x, from - 46, bottle.x, bottle.y)
  ctx.stroke()
  ctx.strokeStyle = tones.ink
  ctx.lineWidth = 1.5
  ctx.strokeRect(bottle.x - 18, bottle.y - 14, 36, 40)
  ctx.fillStyle = tones.fluid
  ctx.fillRect(bottle.x - 17, bottle.y + 2, 34, 23)
  if (!open) return
  const bubbles = Math.round(10 * Math.min(1, moment.gasShare))
  ctx.fillStyle = tones.ground
  ctx.strokeStyle = tones.ink
  ctx.lineWidth = 1
  for (let i = 0; i < bubbles; i++) {
    const t = (i + 0.5) / Math.max(1, bubbles)
    const u = 1 - t
    const bx = u ** 3 * sx + 3 * u * u * t * sx + 3 * u * t * t * bottle.x + t ** 3 * bottle.x
    const by =
      u ** 3 * from + 3 * u * u * t * (from - 46) + 3 * u * t * t * (from - 46) + t ** 3 * bottle.y
    ctx.beginPath()
    ctx.arc(bx, by, 2.6, 0, 7)
    ctx.fill()
    ctx.stroke()
  }
}

const BLEED_LINE = 34
/** A line of its own between slave and bleed screw, upright, with its bubbles; the hose goes on from its upper end. */
function drawBleedLine(
  ctx: CanvasRenderingContext2D,
  x: number,
  y: number,
  far: Float32Array,
  tones: Tones,
): void {
  ctx.fillStyle = tones.fluid
  ctx.strokeStyle = tones.ink
  ctx.lineWidth = 2
  ctx.fillRect(x - 6, y - BLEED_LINE, 12, BLEED_LINE)
  ctx.strokeRect(x - 6, y - BLEED_LINE, 12, BLEED_LINE)
  ctx.fillStyle = tones.ground
  ctx.lineWidth = 1
  far.forEach((share, i) => {
    if (share <= SEEN) return
    ctx.beginPath()
    ctx.arc(x, y - ((i + 0.5) / far.length) * BLEED_LINE, Math.max(1.2, 5 * Math.sqrt(share)), 0, 7)
    ctx.fill()
    ctx.stroke()
  })
}

/** Every frame as a row: where the line's air was, all the way down the run. Drawn once, shown scaled. */
export function traceOf(film: Film, tones: Tones, rows = 600): HTMLCanvasElement {
  const canvas = document.createElement('canvas')
  const n = film.line.along.length
  canvas.width = n
  canvas.height = rows
  const ctx = canvas.getContext('2d')!
  const image = ctx.createImageData(n, rows)
  const [from, to] = [rgb(tones.raised), rgb(tones.ink)]
  const end = film.frames.at(-1)!.at || 1
  let k = 0
  for (let row = 0; row < rows; row++) {
    const at = (row / (rows - 1)) * end
    while (k + 1 < film.frames.length && film.frames[k + 1]!.at <= at) k++
    const { line } = film.frames[k]!
    for (let i = 0; i < n; i++) {
      const share = Math.sqrt(line[i]!)
      const p = 4 * (row * n + i)
      for (let c = 0; c < 3; c++) image.data[p + c] = from[c]! + share * (to[c]! - from[c]!)
      image.data[p + 3] = 255
    }
  }
  ctx.putImageData(image, 0, 0)
  return canvas
}
const rgb = (hex: string): [number, number, number] => {
  const value = Number.parseInt(hex.slice(1), 16)
  return [(value >> 16) & 255, (value >> 8) & 255, value & 255]
}

/** The way of the air down the run: line in the middle under the drawing, master to its left, slave to its right. */
export function drawTrace(
  ctx: CanvasRenderingContext2D,
  { width, height }: Sizes,
  trace: HTMLCanvasElement,
  film: Film,
  tones: Tones,
): void {
  ctx.clearRect(0, 0, width, height)
  const end = film.frames.at(-1)!.at || 1
  ctx.imageSmoothingEnabled = true
  ctx.drawImage(trace, LEFT, 0, width - LEFT - RIGHT, height)
  const most = Math.max(0.3, ...film.frames.map(({ air }) => Math.max(air.slave, air.master)))
  const side = (x: number, sign: number, room: number, of: (frame: Frame) => number) => {
    ctx.fillStyle = tones.soft
    ctx.beginPath()
    ctx.moveTo(x, 0)
    for (const frame of film.frames)
      ctx.lineTo(x + (sign * room * of(frame)) / most, (frame.at / end) * height)
    ctx.lineTo(x, height)
    ctx.fill()
  }
  side(LEFT - 10, -1, 90, ({ air }) => air.master)
  side(width - RIGHT + 10, 1, 90, ({ air }) => air.slave)
  ctx.strokeStyle = tones.hairline
  ctx.lineWidth = 1
  let cycle = 1
  for (const frame of film.frames) {
    if (frame.cycle === cycle) continue
    cycle = frame.cycle
    const y = (frame.at / end) * height
    ctx.beginPath()
    ctx.moveTo(LEFT - 8, y)
    ctx.lineTo(width - RIGHT + 8, y)
    ctx.stroke()
  }
}

/** The moment between two frames: everything in between goes in a straight line. */
export function momentAt(film: Film, at: number): { moment: Moment; frame: Frame; k: number } {
  const { frames } = film
  let [low, high] = [0, frames.length - 1]
  while (low < high) {
    const middle = (low + high + 1) >> 1
    if (frames[middle]!.at <= at) low = middle
    else high = middle - 1
  }
  const a = frames[low]!
  const b = frames[Math.min(frames.length - 1, low + 1)]!
  const t = b.at > a.at ? Math.min(1, Math.max(0, (at - a.at) / (b.at - a.at))) : 0
  const mix = (p: number, q: number) => p + t * (q - p)
  const line = new Float32Array(a.line.length)
  for (let i = 0; i < line.length; i++) line[i] = mix(a.line[i]!, b.line[i]!)
  const out = b.liquidOut + b.gasOut - a.liquidOut - a.gasOut
  const usable = film.volumes.usable
  return {
    k: low,
    frame: t > 0.5 ? b : a,
    moment: {
      line,
      far: a.far,
      slave: mix(a.slave, b.slave),
      master: mix(a.master, b.master),
      x: mix(a.x, b.x),
      moved: mix(a.moved, b.moved),
      flow: b.flow,
      gasShare: out > 1e-6 ? (b.gasOut - a.gasOut) / out : 0,
      level: 1 - (Math.max(0, mix(a.drawn, b.drawn)) % usable) / usable,
    },
  }
}

/** kPa from which air is pressed to less than a third, and under which it swells to more than half as much again. */
const PRESSED = 200
const PULLED = 35

/** What is going on at a frame, in a few words. */
export function captionOf(film: Film, k: number): string {
  const a = film.frames[k]!
  const b = film.frames[Math.min(film.frames.length - 1, k + 1)]!
  const [down, push] = [b.x - a.x, b.moved - a.moved]
  const flows = b.flow > 0.05
  if (b.flow < -0.05) return 'Fluid goes in at the screw'
  if (down > 1e-3) return flows ? 'Pedal down, screw open' : 'Pedal down, screw shut: air goes forward'
  if (push < -1e-3 || down < -1e-3)
    return flows ? 'Screw open: it lets go' : 'Pedal up, screw shut: the air comes home'
  if (flows) return 'Fluid flows through'
  if (b.pressure > PRESSED) return 'Pedal held: the air is pressed small, and does not move on'
  if (b.pressure < -PULLED) return 'Under vacuum: the air swells'
  return 'Waiting: air rises by itself'
}
