import { evenDraws, normalQuantile, type Draw } from '../core/chance'
import { solveCircuit } from '../core/circuit'
import {
  COMPLAINT_IDS,
  diagnose,
  FINDINGS,
  knowledgeOf,
  nextMove,
  READINGS,
  readQuestion,
  report,
  USUAL_CONDITIONS,
  type ComplaintId,
  type Evidence,
  type FindingId,
  type Knowledge,
} from '../core/diagnosis'
import { itemsOf, knownOf } from '../core/diagnosis/evidence'
import { TELLING_READINGS, type TellingReading } from '../core/diagnosis/expectations'
import { nextLooks } from '../core/diagnosis/next-look'
import { posterior } from '../core/diagnosis/posterior'
import { fromArchetype } from '../core/installation'
import { perSecond, quantile, type Row } from './measure'

const KINDS = ['small-car', 'light-truck', 'concentric', 'adjustable-vintage'] as const
const CASES = 160
const ENOUGH = 0.8
const MOST_LOOKS = 60
const CONDITIONS = { ...USUAL_CONDITIONS, helper: true }

/** A morning’s worth of findings and two figures. */
const FULL: Evidence = {
  complaints: ['afterStanding', 'soft'],
  findings: {
    levelLow: 'present',
    fluidDark: 'present',
    rodEndDamp: 'present',
    carpetWet: 'absent',
    outletDamp: 'absent',
    bootWet: 'absent',
    pumpsUp: 'present',
    workedOn: 'absent',
  },
  readings: { freeTravel: { value: 50 }, sink: { value: 3, duration: 60 } },
}
const EARLY: Evidence = { complaints: ['soft'], findings: {}, readings: {} }

/** How fast the full table is asked, and how many looks lead to the fault. */
export function benchFind(): Row[] {
  const installation = fromArchetype('long-line')
  const solved = perSecond(() => solveCircuit(installation.circuit).reserve, 0.5)
  const inSolutions = (ms: number) => ({ ratio: (ms / 1000) * solved, of: 'solving the circuit' })
  const knowledge = knowledgeOf(installation)
  const prepared = quantile(() => knowledgeOf(installation).sets.count, 7)
  const row = (name: string, evidence: Evidence, work: (known: Asked) => number): Row => {
    const items = itemsOf(knowledge, evidence)
    const known = knownOf(knowledge, items)
    const found = posterior(knowledge.ready, known)
    const asked = { evidence, items, known, found }
    quantile(() => work(asked), 20)
    const { median, p95 } = quantile(() => work(asked), 60)
    return {
      name: `${name}, median (95th ${p95.toFixed(1)} ms)`,
      value: median,
      unit: 'ms',
      ...inSolutions(median),
    }
  }
  type Asked = {
    evidence: Evidence
    items: ReturnType<typeof itemsOf>
    known: ReturnType<typeof knownOf>
    found: ReturnType<typeof posterior>
  }
  const ask = ({ known }: Asked) => posterior(knowledge.ready, known).marginals[0]!
  const rank = ({ evidence, items, found }: Asked) =>
    nextLooks(knowledge, evidence, items, found, CONDITIONS).length
  const tell = ({ evidence }: Asked) =>
    report(knowledge, { ...readQuestion({}), evidence, conditions: CONDITIONS }).suspects.length
  return [
    {
      name: `tables made ready for a circuit (${knowledge.sets.count} sets), median`,
      value: prepared.median,
      unit: 'ms',
      ...inSolutions(prepared.median),
    },
    {
      name: 'prior mass of more than three faults, left out',
      value: 100 * knowledge.sets.leftOut,
      unit: '%',
    },
    row('posterior, ten findings and two figures', FULL, ask),
    row('posterior, one complaint', EARLY, ask),
    row('next looks ranked, ten findings and two figures', FULL, rank),
    row('next looks ranked, one complaint', EARLY, rank),
    row('all that an entry sets going: reasons, looks, advice, schools', FULL, tell),
    ...search(),
  ]
}

/** A vehicle with faults drawn from the priors, and an answer ready for whatever is asked of it. */
interface Trial {
  knowledge: Knowledge
  complaints: ComplaintId[]
  /** The fault that explains the first complaint most. */
  truth: number
  finding: (id: FindingId) => 'present' | 'absent'
  reading: (name: TellingReading) => number
}

function trial(knowledge: Knowledge, draw: Draw): Trial {
  const { faults, ready, sets, place, expected } = knowledge
  const n = faults.length
  for (;;) {
    const present = faults.flatMap((_, i) => (draw() < ready.network.faults[i]!.prior ? [i] : []))
    if (present.length === 0 || present.length > 3) continue
    const quiet = (j: number) =>
      present.reduce(
        (left, i) => left * ready.spared[j * n + i]!,
        1 - ready.network.findings[j]!.background,
      )
    const complaints = COMPLAINT_IDS.filter((id) => draw() > quiet(place.get(id)!))
    const [first] = complaints
    if (!first) continue
    const pull = (i: number) => -Math.log(ready.spared[place.get(first)! * n + i]!)
    const truth = present.reduce((best, i) => (pull(i) > pull(best) ? i : best))
    // A complaint that nothing present could cause leads to no fault.
    if (pull(truth) === 0) continue
    const way = wayOf(knowledge, present, draw)
    const answers = new Map(FINDINGS.map(({ id }) => [id, draw()]))
    const noises = new Map(
      TELLING_READINGS.map((name) => [name, normalQuantile(0.001 + 0.998 * draw())]),
    )
    return {
      knowledge,
      complaints,
      truth,
      finding: (id) => (answers.get(id)! > quiet(place.get(id)!) ? 'present' : 'absent'),
      reading: (name) => {
        const { mean, sigma, kind } = expected.of(name)
        const value = mean[kind[way]!]! + sigma[kind[way]!]! * noises.get(name)!
        return name === 'rodClearance' ? value : Math.max(0, value)
      },
    }
  }

  /** The way in which these faults are severe, drawn by its weight. */
  function wayOf(of: Knowledge, present: number[], chance: Draw): number {
    for (let s = 0; s < of.sets.count; s++) {
      const own = Array.from(sets.members.subarray(3 * s, 3 * s + 3)).filter((i) => i >= 0)
      if (own.length !== present.length || own.some((i, k) => i !== present[k])) continue
      const g = sets.group[s]!
      let left = chance()
      for (let k = sets.ways[g]!; k < sets.ways[g + 1]! - 1; k++)
        if ((left -= sets.weight[k]!) < 0) return k
      return sets.ways[g + 1]! - 1
    }
    throw new Error('no such set')
  }
}

type Ask = { kind: 'finding'; id: FindingId } | { kind: 'reading'; id: TellingReading }

/** Looks and minutes until the true fault stands at four in five; as many as may be where it never does. */
function looksFor(
  one: Trial,
  next: (evidence: Evidence) => Ask | null,
): { looks: number; minutes: number } {
  let evidence: Evidence = { complaints: one.complaints, findings: {}, readings: {} }
  let minutes = 0
  for (let looks = 0; looks < MOST_LOOKS; looks++) {
    const found = posterior(
      one.knowledge.ready,
      knownOf(one.knowledge, itemsOf(one.knowledge, evidence)),
    )
    if (found.marginals[one.truth]! >= ENOUGH) return { looks, minutes }
    const look = next(evidence)
    if (!look) break
    if (look.kind === 'finding') {
      minutes += FINDINGS.find(({ id }) => id === look.id)!.minutes
      evidence = { ...evidence, findings: { ...evidence.findings, [look.id]: one.finding(look.id) } }
    } else {
      const { over, minutes: took } = READINGS.find(({ name }) => name === look.id)!
      minutes += took
      const reading = { value: one.reading(look.id), ...(over && { duration: over }) }
      evidence = { ...evidence, readings: { ...evidence.readings, [look.id]: reading } }
    }
  }
  return { looks: MOST_LOOKS, minutes: Infinity }
}

function search(): Row[] {
  const known = KINDS.map((kind) => knowledgeOf(fromArchetype(kind)))
  const proposed: { looks: number; minutes: number }[] = []
  const fixed: { looks: number; minutes: number }[] = []
  for (let c = 0; c < CASES; c++) {
    const knowledge = known[c % known.length]!
    const one = trial(knowledge, evenDraws(70_000 + c))
    proposed.push(
      looksFor(one, (evidence) => {
        const found = diagnose(knowledge, evidence)
        return nextMove(knowledge, evidence, found, { conditions: CONDITIONS }).looks[0]?.look ?? null
      }),
    )
    // In the order of the table: engine bay, footwell, under it, on the road; then the tape.
    const order: Ask[] = [
      ...FINDINGS.filter(
        ({ id, needs, proveOnly }) =>
          !proveOnly && knowledge.place.has(id) && needs.every((need) => CONDITIONS[need]),
      ).map(({ id }): Ask => ({ kind: 'finding', id })),
      ...TELLING_READINGS.filter((name) => name !== 'reservoirDrop').map((id): Ask => ({
        kind: 'reading',
        id,
      })),
    ]
    let at = 0
    fixed.push(looksFor(one, () => order[at++] ?? null))
  }
  const median = (list: number[]) => [...list].sort((a, b) => a - b)[list.length >> 1]!
  const reached = (list: { looks: number }[]) => list.filter(({ looks }) => looks < MOST_LOOKS).length
  const looks = (list: { looks: number }[]) => median(list.map((one) => one.looks))
  const minutes = (list: { minutes: number }[]) => median(list.map((one) => one.minutes))
  return [
    {
      name: `looks until the true fault stands at 80 %, median of ${CASES}`,
      value: looks(proposed),
      unit: 'looks',
      ratio: looks(proposed) / looks(fixed),
      of: `${looks(fixed)} in fixed order`,
    },
    {
      name: 'minutes until then, median',
      value: minutes(proposed),
      unit: 'min',
      ratio: minutes(proposed) / minutes(fixed),
      of: `${minutes(fixed)} in fixed order`,
    },
    {
      name: `reached within ${MOST_LOOKS} looks`,
      value: (100 * reached(proposed)) / CASES,
      unit: '%',
      ratio: reached(proposed) / reached(fixed),
      of: `${((100 * reached(fixed)) / CASES).toFixed(0)} % in fixed order`,
    },
  ]
}
