import { COMPLAINTS, FINDINGS, NEEDS, READINGS } from '../diagnosis/names'

/** Words with which a statement can start. */
const SUBJECTS: readonly string[] = [
  'note',
  'top up',
  ...[...READINGS, ...FINDINGS, ...NEEDS, ...COMPLAINTS].flatMap(({ words }) => words),
]

/** Subjects that go on from what was typed, nearest first. */
export function completions(text: string, most = 6): string[] {
  const say = text.trim().toLowerCase().replace(/\s+/g, ' ')
  if (say === '') return []
  const starts = SUBJECTS.filter((word) => word.startsWith(say) && word !== say)
  const holds = SUBJECTS.filter((word) => !word.startsWith(say) && word.includes(say))
  const states = FINDINGS.flatMap((kind) =>
    kind.words
      .filter((word) => say === word)
      .flatMap((word) => [`${word} ${kind.present}`, `${word} ${kind.absent}`]),
  )
  return [...new Set([...states, ...starts, ...holds])].slice(0, most)
}
