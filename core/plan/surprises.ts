/** What can turn up, and what it adds: a step before or after the one it turned up at, with its time and parts; judgement. */
export interface Surprise {
  kind: string
  /** As one would say that it turned up. */
  name: string
  title: string
  does: string
  why: string
  minutes: readonly [number, number, number]
  /** Before the step that met it, which then goes on; or after it. */
  when: 'before' | 'after'
  onBench?: true
  parts?: readonly string[]
  /** Minutes in which other work can be done, and why. */
  wait?: { minutes: number; why: string }
  cautions?: readonly string[]
  tools?: readonly string[]
}
export const SURPRISES = [
  {
    kind: 'seizedUnion',
    name: 'seized union',
    title: 'Free the seized union',
    does: 'Penetrant, light taps on its flats, tighten a hair first; crowfoot, counter-held.',
    why: 'A nut that is forced takes the pipe round with it.',
    minutes: [5, 12, 40],
    when: 'before',
    wait: { minutes: 20, why: 'penetrant soaks in' },
    tools: ['penetrant', 'crowfoot'],
    cautions: ['hot'],
  },
  {
    kind: 'roundedNut',
    name: 'rounded nut',
    title: 'Cut the pipe beside the rounded nut',
    does: 'Cut, six-sided socket over the nut; a new pipe follows.',
    why: 'Six sides hold where two are gone.',
    minutes: [5, 10, 25],
    when: 'before',
    parts: ['pipe', 'nut'],
    tools: ['pipe cutter', 'six-sided socket'],
    cautions: ['eyes', 'sharp'],
  },
  {
    kind: 'brokenClip',
    name: 'broken clip',
    title: 'Another clip',
    does: 'Pieces out, new clip in its place.',
    why: 'An unheld line works its joints loose.',
    minutes: [2, 4, 10],
    when: 'after',
    parts: ['clip'],
  },
  {
    kind: 'brokenLine',
    name: 'broken line',
    title: 'Make or fetch another line',
    does: 'To the old one’s length and ends.',
    why: 'A cracked line is not mended.',
    minutes: [20, 40, 90],
    when: 'before',
    onBench: true,
    parts: ['line'],
    tools: ['flaring tool', 'pipe cutter'],
  },
  {
    kind: 'tornBoot',
    name: 'torn boot',
    title: 'Another boot',
    does: 'Seated both ends, greased inside with rubber grease.',
    why: 'Grit through a torn boot ends the seal.',
    minutes: [3, 6, 15],
    when: 'after',
    parts: ['boot'],
  },
  {
    kind: 'pittedBore',
    name: 'pitted bore',
    title: 'Stop: the bore is pitted',
    does: 'It is not rebuilt. A new cylinder, and the decision is opened again.',
    why: 'A pitted bore never seals.',
    minutes: [2, 5, 10],
    when: 'before',
    onBench: true,
    parts: ['cylinder'],
  },
  {
    kind: 'strippedThread',
    name: 'stripped thread',
    title: 'Thread insert',
    does: 'Drilled, tapped, insert in; chips kept out of the circuit.',
    why: 'A stripped thread holds no pressure.',
    minutes: [15, 30, 70],
    when: 'before',
    parts: ['thread insert'],
    tools: ['insert kit'],
    cautions: ['eyes', 'sharp'],
  },
  {
    kind: 'wrongPart',
    name: 'wrong part',
    title: 'The right part',
    does: 'Old and new side by side, sent back, the right one fetched.',
    why: 'What does not match is not forced.',
    minutes: [5, 10, 20],
    when: 'before',
    onBench: true,
    wait: { minutes: 1440, why: 'the right part comes' },
    parts: ['the right part'],
  },
  {
    kind: 'missingPart',
    name: 'missing part',
    title: 'Fetch what is missing',
    does: 'Ordered; what is open stays capped and tagged.',
    why: 'An old washer leaks.',
    minutes: [3, 6, 15],
    when: 'before',
    onBench: true,
    wait: { minutes: 1440, why: 'the missing part comes' },
    parts: ['the missing part'],
  },
  {
    kind: 'trapped',
    name: 'trapped by another part',
    title: 'Move what traps it',
    does: 'The other pipe’s clips off, moved aside, not bent.',
    why: 'A unit that is forced out takes another pipe with it.',
    minutes: [10, 20, 45],
    when: 'before',
    tools: ['spanners'],
  },
  {
    kind: 'stuckQuickConnector',
    name: 'quick connector stuck',
    title: 'Free the quick connector',
    does: 'Flushed with water, dried, collar worked round, release tool; else opened at a better joint.',
    why: 'Its collar breaks before it lets go.',
    minutes: [8, 20, 45],
    when: 'before',
    parts: ['connector seal'],
    tools: ['release tool'],
    cautions: ['eyes'],
  },
] as const satisfies readonly Surprise[]
export type SurpriseKind = (typeof SURPRISES)[number]['kind']
export const SURPRISE_KINDS = SURPRISES.map(({ kind }) => kind)
export const surpriseOf = (kind: SurpriseKind): Surprise => SURPRISES.find((one) => one.kind === kind)!

/** What turned up, in words. */
export const surpriseWords = (kind: SurpriseKind): string => surpriseOf(kind).name
