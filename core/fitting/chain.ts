import { type End } from './end'
import { join, type JoinCode } from './join'

export interface Piece {
  id: string
  ends: readonly [End, End]
  price: number
  /** Lead time; all are ordered together. */
  days: number
}
export interface ChainCosts {
  piece: number
  joint: number
  day: number
}
export const CHAIN_COSTS: ChainCosts = { piece: 0, joint: 4, day: 0 }

export interface Chain {
  chain: { id: string; turned: boolean }[]
  cost: number
  price: number
  joints: number
  days: number
}
export type ChainAnswer = (Chain | { none: string }) & { refused: { id: string; code: JoinCode }[] }

/** A piece one way round: what comes before meets `enters`, what comes after `leaves`. */
interface State {
  piece: number
  turned: boolean
  enters: End
  leaves: End
}

/**
 * The cheapest chain of pieces between two ends, exact; ties by fewer joints, then by ids in order, unturned first.
 * Lead time counts once, for the longest, so that the search is made for each lead time that can be the longest.
 */
export function chain(from: End, to: End, pieces: readonly Piece[], costs = CHAIN_COSTS): ChainAnswer {
  const states = pieces.flatMap((one, piece): State[] => [
    { piece, turned: false, enters: one.ends[0], leaves: one.ends[1] },
    { piece, turned: true, enters: one.ends[1], leaves: one.ends[0] },
  ])
  const judge = judgeOf()
  const fits = (a: End, b: End) => judge(a, b) === null
  const first = states.flatMap(({ enters }, s) => (fits(from, enters) ? [s] : []))
  const last = states.map(({ leaves }) => fits(leaves, to))
  // States that leave by the same end go on to the same ones; a state’s own piece is left out where it is used.
  const onTo = new Map<string, number[]>()
  const after = states.map(({ leaves }) => {
    const name = judge.nameOf(leaves)
    let list = onTo.get(name)
    if (!list)
      onTo.set(name, (list = states.flatMap(({ enters }, s) => (fits(leaves, enters) ? [s] : []))))
    return list
  })
  const leavesBy = states.map(({ leaves }) => judge.nameOf(leaves))
  const graph: Graph = { pieces, states, first, last, after, onTo, leavesBy, costs }
  let best: Chain | null = fits(from, to)
    ? { chain: [], cost: costs.joint, price: 0, joints: 1, days: 0 }
    : null
  for (const most of [...new Set(pieces.map(({ days }) => days))].sort((a, b) => a - b)) {
    const found = cheapest(graph, most)
    if (found && (!best || isBetter(found, best))) best = found
  }
  return {
    ...(best ?? { none: 'No chain of these pieces joins the two ends.' }),
    refused: offThePath(graph, from, to, judge),
  }
}

/** The codes by which two ends are refused, null where they join; ends that say the same are judged once. */
type Judge = ((a: End, b: End) => readonly JoinCode[] | null) & { nameOf: (end: End) => string }
function judgeOf(): Judge {
  const names = new Map<End, string>()
  const nameOf = (end: End): string => {
    let name = names.get(end)
    if (name === undefined) names.set(end, (name = JSON.stringify(end)))
    return name
  }
  const known = new Map<string, Map<string, readonly JoinCode[] | null>>()
  const judge = (a: End, b: End) => {
    const name = nameOf(a)
    let ofA = known.get(name)
    if (!ofA) known.set(name, (ofA = new Map()))
    const other = nameOf(b)
    let codes = ofA.get(other)
    if (codes === undefined) {
      const { verdict, reasons } = join(a, b)
      codes = verdict === 'refused' ? reasons.map(({ code }) => code).filter(refuses) : null
      ofA.set(other, codes)
    }
    return codes
  }
  return Object.assign(judge, { nameOf })
}

interface Graph {
  pieces: readonly Piece[]
  states: readonly State[]
  first: readonly number[]
  last: readonly boolean[]
  after: readonly (readonly number[])[]
  /** States that an end of that name goes on to, and the name of the end that each state leaves by. */
  onTo: ReadonlyMap<string, readonly number[]>
  leavesBy: readonly string[]
  costs: ChainCosts
}
/** A chain begun: its states, what it costs so far, and the least that it must still cost. */
interface Begun {
  path: number[]
  cost: number
  joints: number
  leastCost: number
  leastJoints: number
}

/** Costs that differ by less are one: sums in another order differ in the last digits. */
const SAME = 1e-9

/**
 * Best first among chains of pieces that lead at most so long: each is continued by the least that any way on would cost, so
 * that the first one that is whole is the cheapest. No piece is taken twice.
 */
function cheapest(graph: Graph, most: number): Chain | null {
  const { pieces, states, first, last, after, costs } = graph
  const allowed = states.map(({ piece }) => pieces[piece]!.days <= most)
  const on = wayOn(graph, allowed)
  const open: Begun[] = []
  const add = (path: number[], cost: number, joints: number, state: number): void => {
    const rest = on[state]!
    if (!allowed[state] || rest.cost === Infinity) return
    const taken = cost + pieces[states[state]!.piece]!.price + costs.piece + costs.joint
    push(open, {
      path: [...path, state],
      cost: taken,
      joints: joints + 1,
      leastCost: taken + rest.cost,
      leastJoints: joints + 1 + rest.joints,
    })
  }
  const before = (a: Begun, b: Begun): boolean => isBefore(a, b, graph)
  for (const state of first) add([], 0, 0, state)
  for (let next = pop(open, before); next; next = pop(open, before)) {
    const { path, cost, joints } = next
    const end = path.at(-1)!
    if (end < 0) return made(graph, path.slice(0, -1), joints)
    if (last[end])
      push(open, {
        path: [...path, -1],
        cost: cost + costs.joint,
        joints: joints + 1,
        leastCost: cost + costs.joint,
        leastJoints: joints + 1,
      })
    for (const state of after[end]!)
      if (!path.some((one) => states[one]!.piece === states[state]!.piece))
        add(path, cost, joints, state)
  }
  return null

  function push(heap: Begun[], one: Begun): void {
    heap.push(one)
    for (let i = heap.length - 1; i > 0;) {
      const up = (i - 1) >> 1
      if (!before(heap[i]!, heap[up]!)) break
      ;[heap[i], heap[up]] = [heap[up]!, heap[i]!]
      i = up
    }
  }
}

function pop(heap: Begun[], before: (a: Begun, b: Begun) => boolean): Begun | undefined {
  const top = heap[0]
  const end = heap.pop()
  if (heap.length === 0 || !end) return top
  heap[0] = end
  for (let i = 0; ;) {
    let least = i
    for (const child of [2 * i + 1, 2 * i + 2])
      if (child < heap.length && before(heap[child]!, heap[least]!)) least = child
    if (least === i) return top
    ;[heap[i], heap[least]] = [heap[least]!, heap[i]!]
    i = least
  }
}

interface WayOn {
  cost: number
  joints: number
}
/**
 * Least cost and joints from each state to the wanted end, whatever was taken before: never too much. What leaves by the same
 * end goes on alike, so that it is worked out once for each end.
 */
function wayOn(
  { pieces, states, last, onTo, leavesBy, costs }: Graph,
  allowed: readonly boolean[],
): WayOn[] {
  const best = new Map<string, WayOn>()
  for (const name of onTo.keys()) best.set(name, { cost: Infinity, joints: Infinity })
  states.forEach((_, s) => {
    if (last[s]) best.set(leavesBy[s]!, { cost: costs.joint, joints: 1 })
  })
  // Costs are never below 0: as many rounds as there are ends settle it; mostly a few do.
  for (let moved = true; moved;) {
    moved = false
    for (const [name, list] of onTo) {
      let here = best.get(name)!
      for (const next of list) {
        if (!allowed[next]) continue
        const on = best.get(leavesBy[next]!)!
        const cost = on.cost + pieces[states[next]!.piece]!.price + costs.piece + costs.joint
        const joints = on.joints + 1
        if (cost < here.cost - SAME || (cost < here.cost + SAME && joints < here.joints)) {
          here = { cost, joints }
          moved = true
        }
      }
      best.set(name, here)
    }
  }
  return leavesBy.map((name) => best.get(name)!)
}

function isBefore(a: Begun, b: Begun, graph: Graph): boolean {
  if (Math.abs(a.leastCost - b.leastCost) > SAME) return a.leastCost < b.leastCost
  if (a.leastJoints !== b.leastJoints) return a.leastJoints < b.leastJoints
  return compared(namesOf(graph, a.path), namesOf(graph, b.path)) < 0
}
/** Ids in chain order, unturned first. */
const namesOf = ({ pieces, states }: Graph, path: readonly number[]): [string, boolean][] =>
  path.flatMap((state) =>
    state < 0 ? [] : [[pieces[states[state]!.piece]!.id, states[state]!.turned] as [string, boolean]],
  )
function compared(a: readonly [string, boolean][], b: readonly [string, boolean][]): number {
  for (let i = 0; i < Math.min(a.length, b.length); i++)
    if (a[i]![0] !== b[i]![0]) return a[i]![0] < b[i]![0] ? -1 : 1
  for (let i = 0; i < Math.min(a.length, b.length); i++)
    if (a[i]![1] !== b[i]![1]) return a[i]![1] ? 1 : -1
  return a.length - b.length
}

function made({ pieces, states, costs }: Graph, path: readonly number[], joints: number): Chain {
  const own = path.map((state) => pieces[states[state]!.piece]!)
  const price = own.reduce((sum, one) => sum + one.price, 0)
  const days = Math.max(0, ...own.map((one) => one.days))
  return {
    chain: path.map((state, i) => ({ id: own[i]!.id, turned: states[state]!.turned })),
    cost: price + costs.piece * own.length + costs.joint * joints + costs.day * days,
    price,
    joints,
    days,
  }
}
function isBetter(a: Chain, b: Chain): boolean {
  if (Math.abs(a.cost - b.cost) > SAME) return a.cost < b.cost
  if (a.joints !== b.joints) return a.joints < b.joints
  const names = ({ chain: list }: Chain) =>
    list.map(({ id, turned }): [string, boolean] => [id, turned])
  return compared(names(a), names(b)) < 0
}

/** Pieces that lie on no path between the two ends, each with what its best joint fails by. */
function offThePath(graph: Graph, from: End, to: End, judge: Judge): { id: string; code: JoinCode }[] {
  const { pieces, states, first, last, after } = graph
  const ahead = new Set(first)
  const isOther = (a: number, b: number) => states[a]!.piece !== states[b]!.piece
  for (const state of ahead) for (const next of after[state]!) if (isOther(state, next)) ahead.add(next)
  const leads = new Set(last.flatMap((does, s) => (does ? [s] : [])))
  for (let grown = true; grown;) {
    grown = false
    states.forEach((_, s) => {
      if (leads.has(s) || !after[s]!.some((next) => isOther(s, next) && leads.has(next))) return
      leads.add(s)
      grown = true
    })
  }
  const tried = endsOf(pieces, judge)
  const wanted = [from, to].map((end) => ({ end, at: [] }))
  return pieces.flatMap(({ id, ends }, piece) => {
    if ([2 * piece, 2 * piece + 1].some((s) => ahead.has(s) && leads.has(s))) return []
    return [{ id, code: bestFailure(ends, wanted, tried, piece, judge) }]
  })
}

/** An end that pieces have, and where: twice the piece’s place, and one for its second end. Nowhere for the wanted ends. */
interface Tried {
  end: End
  at: readonly number[]
}
function endsOf(pieces: readonly Piece[], judge: Judge): Tried[] {
  const byName = new Map<string, { end: End; at: number[] }>()
  pieces.forEach(({ ends }, piece) => {
    ends.forEach((end, side) => {
      const name = judge.nameOf(end)
      const known = byName.get(name)
      if (known) known.at.push(2 * piece + side)
      else byName.set(name, { end, at: [2 * piece + side] })
    })
  })
  return [...byName.values()]
}

/** The first code of an end’s best joint; of the end that joins nothing, or else as both meet the wanted ends. */
function bestFailure(
  ends: readonly End[],
  wanted: readonly Tried[],
  others: readonly Tried[],
  own: number,
  judge: Judge,
): JoinCode {
  const bestOf = (end: End, list: readonly Tried[]): readonly JoinCode[] => {
    let best: readonly JoinCode[] | null = null
    let place = Infinity
    for (const { end: one, at } of list) {
      // Where another piece than its own first has it; the wanted ends come before all.
      const first = at.length === 0 ? -1 : at.find((place) => place >> 1 !== own)
      if (first === undefined) continue
      const codes = judge(end, one) ?? []
      if (best && (codes.length > best.length || (codes.length === best.length && first >= place)))
        continue
      best = codes
      place = first
    }
    return best ?? []
  }
  for (const list of [[...wanted, ...others], wanted])
    for (const end of ends) {
      const [code] = bestOf(end, list)
      if (code) return code
    }
  return 'seat'
}
const refuses = (code: JoinCode): boolean => code !== 'seal' && code !== 'notKnown'
