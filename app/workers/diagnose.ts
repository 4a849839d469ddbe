import { expose } from 'comlink'
import {
  knowledgeOf,
  report,
  type GoodFigures,
  type Knowledge,
  type Priors,
  type Question,
  type Report,
} from '~~/core/diagnosis'
import type { Installation } from '~~/core/installation'

/** The tables made ready for the last vehicle asked of: that takes longer than any question. */
let ready: { key: string; knowledge: Knowledge } | undefined

const diagnoser = {
  ask(installation: Installation, priors: Priors, question: Question, good: GoodFigures): Report {
    const key = JSON.stringify([installation, priors, good])
    if (ready?.key !== key) ready = { key, knowledge: knowledgeOf(installation, priors, good) }
    return report(ready.knowledge, question)
  },
}
export type Diagnoser = typeof diagnoser
expose(diagnoser)
