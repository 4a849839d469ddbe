import { expose } from 'comlink'
import { knowledgeOf, report, type Knowledge, type Question, type Report } from '~~/core/diagnosis'
import type { KnownOfVehicle } from '~~/core/proof'

export interface DiagnosisAsked {
  known: KnownOfVehicle
  question: Question
}

/** The tables made ready for the last vehicle asked of: that takes longer than any question. */
let ready: { text: string; knowledge: Knowledge } | undefined

const diagnoser = {
  /** @param text the vehicle as JSON on one line, the question on the next */
  ask(text: string): Report {
    const [known = '', question = ''] = text.split('\n')
    if (ready?.text !== known) {
      const { installation, priors, good } = JSON.parse(known) as KnownOfVehicle
      ready = { text: known, knowledge: knowledgeOf(installation, priors, good) }
    }
    return report(ready.knowledge, JSON.parse(question) as Question)
  },
}
export type Diagnoser = typeof diagnoser
expose(diagnoser)
