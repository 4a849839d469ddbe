import { isInputError, VERBS } from '../core/verbs'

/** A verb's answer to the text on standard input, or `{ error, path }` and exit 2 where the input is bad. */
export function coreAnswer(verb: string | undefined, text: string): { output: object; exit: 0 | 2 } {
  const work = verb === undefined || !Object.hasOwn(VERBS, verb) ? undefined : VERBS[verb]
  if (!work) {
    const known = Object.keys(VERBS).join(', ')
    return refused(`${verb ? `${verb} is no verb` : 'a verb is missing'}: known are ${known}`, '')
  }
  let input: unknown
  try {
    input = JSON.parse(text)
  } catch {
    return refused('standard input is not readable as JSON', '')
  }
  try {
    return { output: work(input), exit: 0 }
  } catch (error) {
    if (isInputError(error)) return refused(error.message, error.path)
    throw error
  }
}

const refused = (error: string, path: string) => ({ output: { error, path }, exit: 2 as const })
